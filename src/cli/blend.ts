import { existsSync, mkdirSync, readdirSync, readFileSync, renameSync, rmSync, writeFileSync } from "node:fs";
import { join, resolve } from "node:path";
import { blend as blendOf, type Blend, type Blended } from "@/core/blend/blend";
import { blendPlugin, type BlendPlugin } from "@/core/blend/blend-plugin";
import { decisionsOf, recipeOf } from "@/core/blend/decisions";
import { blendedIn } from "@/core/blend/loading";
import type { GivenMarks } from "@/core/blend/marks";
import { blendOutput, blendReport } from "@/core/blend/report";
import { issueText } from "@/core/language/issue";
import { say } from "@/core/language/say";
import { clashText, leftText } from "@/core/messages/blend";
import { lacksOf } from "@/core/lineup/verdict";
import { MarksFile, type BlendReport } from "@/core/model/blend-report";
import { done, refuse, type Outcome } from "@/core/model/outcome";
import { jsonPath } from "@/core/order/read-problem";
import { manifestName } from "@/core/roster/fold";
import type { Roster } from "@/core/roster/roster";
import { blendModFiles, type BlendNames } from "@/formats/blend-mod";
import { blendMarkdown } from "@/formats/blend-report";
import { decodeText, parseJson } from "@/formats/text";
import type { Answer } from "./answer";
import { readListed, rosterWithBooks, type ListFile, type ListOptions } from "./list-input";

interface BlendOptions extends ListOptions {
  readonly books: readonly ListFile[];
  /** Marks that go before those of manifests, books and the list. */
  readonly marks: ListFile | null;
  /** The folder into which a mod that holds the blend is written. */
  readonly out?: string | undefined;
  readonly failOn: "clash" | "never";
}

/** What the blend of all additive lists of the plugins of a list comes to. */
export async function blend({ bytes, name }: ListFile, options: BlendOptions): Promise<Outcome<Answer>> {
  if (options.shelf === undefined) return refuse("list-needs-shelf", { name });
  const marks = readMarks(options.marks);
  if (!marks.ok) return marks;
  const read = await readListed(bytes, name, options);
  if (!read.ok) return read;
  const whole = rosterWithBooks(read.value, options.books);
  if (!whole.ok) return whole;
  const roster = whole.value;
  const { lineup, claim } = read.value.list;
  const recipe = recipeOf(roster.profile.state);
  // The blend that the list names may be one that was made of something else.
  const others = { ...lineup, mods: lineup.mods.filter(({ id }) => id !== recipe?.mod) };
  const lacks = lacksOf(others, claim, roster);
  if (lacks.length > 0)
    return refuse("list-lacks", { name, items: lacks.map(({ item }) => item).join(", ") });
  const plugins = blendedIn(roster, ({ file }) => file?.additiveLists ?? [], marks.value);
  const made = blendOf(plugins, decisionsOf(roster.profile.state));
  const names = recipe ? { id: recipe.mod, name: recipe.name } : { id: "blend", name: say("blend.title") };
  const plugin = blendPlugin(roster, names.name, plugins, made);
  if (!plugin.ok) return plugin;
  const written =
    options.out === undefined ? done([]) : write(options.out, names, roster, plugins, made, plugin.value);
  if (!written.ok) return written;
  return done({
    json: blendOutput(made),
    text: blendText(made),
    findings: options.failOn === "clash" && made.clashes.length > 0,
    aside: [
      ...made.doubled.map(({ record, plugin: of }) => say("blend.doubledIn", { record, plugin: of })),
      ...written.value,
    ],
  });
}

function readMarks(file: ListFile | null): Outcome<GivenMarks> {
  if (!file) return done({});
  const { name } = file;
  const text = decodeText(file.bytes, name);
  if (!text.ok) return text;
  const json = parseJson(text.value.text, name);
  if (!json.ok) return json;
  const marks = MarksFile.safeParse(json.value);
  if (marks.success) return done(marks.data);
  const issue = marks.error.issues[0]!;
  return refuse("marks-broken", { name, detail: `${jsonPath(issue.path)}: ${issueText(issue)}` });
}

/** The mod and the reports beside it; answers what is to be said. */
function write(
  out: string,
  names: BlendNames,
  roster: Roster,
  plugins: readonly Blended[],
  made: Blend,
  plugin: BlendPlugin | null,
): Outcome<string[]> {
  if (!plugin) return done([say("cli.blend.nothingWritten")]);
  const files = blendModFiles(names, plugin, roster.game.pluginLayout);
  if (!files.ok) return files;
  if (!isFree(out)) return refuse("place-taken", { path: out });
  const report = blendReport(roster, plugins, made, { plugin: plugin.name, date: new Date().toISOString() });
  try {
    writeFolder(out, files.value);
    writeReports(out, report);
  } catch (error) {
    return refuse("cannot-write", { path: out, detail: String((error as NodeJS.ErrnoException).code) });
  }
  return done([say("cli.blend.written", { plugin: plugin.name, folder: out })]);
}

/** Nothing lies there, or a blend that was made before: what is somebody's own is never written over. */
function isFree(out: string): boolean {
  if (!existsSync(out)) return true;
  try {
    if (readdirSync(out).length === 0) return true;
    const manifest = JSON.parse(readFileSync(join(out, manifestName), "utf8")) as { generated?: unknown };
    return manifest.generated === "blend";
  } catch {
    return false;
  }
}

/** Whole or not at all: what was there before is taken away once all lies beside it. */
function writeFolder(out: string, files: ReadonlyMap<string, Uint8Array>): void {
  const unfinished = `${resolve(out)}.${process.pid}.part`;
  try {
    mkdirSync(unfinished, { recursive: true });
    for (const [path, bytes] of files) writeFileSync(join(unfinished, path), bytes);
    rmSync(out, { recursive: true, force: true });
    renameSync(unfinished, out);
  } finally {
    rmSync(unfinished, { recursive: true, force: true });
  }
}

function writeReports(out: string, report: BlendReport): void {
  const beside = resolve(out);
  writeFileSync(`${beside}.report.json`, `${JSON.stringify(report, null, 2)}\n`);
  writeFileSync(`${beside}.report.md`, blendMarkdown(report));
}

const blendText = ({ lists, left, clashes }: Blend): string =>
  [
    say("cli.blend.lists", { count: lists.length }),
    ...lists.map(({ record, entries, from }) => {
      const told = entries.map(({ name, depth, share }) => `${name} ${depth}/${share} (${from.get(name)!})`);
      return `  ${record}: ${told.join(", ") || say("cli.nothing")}`;
    }),
    ...left.map(leftText),
    ...clashes.map(({ by, ...clash }) => clashText({ ...clash, by: [...by] })),
  ].join("\n");
