#!/usr/bin/env node
import { createWriteStream, readFileSync, renameSync, rmSync, statSync } from "node:fs";
import { basename, join } from "node:path";
import { finished } from "node:stream/promises";
import { Argument, Command, CommanderError, Help, Option } from "commander";
import { say } from "@/core/language/say";
import { refuse } from "@/core/model/outcome";
import { decodeText, parseJson } from "@/formats/text";
import { version } from "../../package.json";
import type { Answer } from "./answer";
import { completionFor, shells, type Shell } from "./completion";
import { expectKind } from "./file-kind";
import { speakAsEnvironment } from "./language";
import type { ListOptions } from "./list-input";
import { withPatience } from "./patience";
import {
  commands,
  failLevels,
  optionValues,
  ownLevels,
  type CommandName,
  type FailLevel,
  type OptionName,
} from "./usage";
import { orThrow, WrongUse, wrongUseText } from "./wrong-use";
import { writeJson } from "./write-json";

interface Asked extends ListOptions {
  readonly name?: string;
  readonly text?: boolean;
  readonly output?: string;
  readonly failOn: FailLevel;
  readonly all?: boolean;
  readonly baseline?: string;
  readonly book?: readonly string[];
  readonly sarif?: boolean;
  readonly compare?: string;
  readonly marks?: string;
  readonly out?: string;
  readonly preview?: boolean;
  readonly orderFolder?: string;
  readonly for?: string;
  readonly way?: string;
  readonly asWritten?: boolean;
  readonly conditionsMet?: boolean;
  readonly shortcut?: boolean;
}

function readFile(path: string): { bytes: Uint8Array; name: string } {
  try {
    return {
      bytes: readFileSync(path === "-" ? 0 : path),
      name: path === "-" ? say("cli.standardInput") : basename(path),
    };
  } catch (error) {
    return orThrow(
      refuse("file-unreadable", { path, detail: String((error as NodeJS.ErrnoException).code) }),
    );
  }
}

function readJson(path: string, wanted: "order-problem" | "order-result"): unknown {
  const { bytes, name } = readFile(path);
  const text = orThrow(decodeText(bytes, name));
  return orThrow(expectKind(orThrow(parseJson(text.text, name)), wanted, name));
}

// Each is loaded when it is asked for: the readers of all formats take longer than most orders.
const loadOrders = () =>
  import("./commands").then(({ order, why, seats, verify }) => ({ order, why, seats, verify }));
const loadLists = () =>
  import("./lists").then(({ compare, convert, fingerprint }) => ({
    compare,
    convert,
    fingerprint,
  }));

const loadCheck = () => import("./check").then(({ check }) => ({ check }));

const loadConflicts = () =>
  import("./conflicts").then(({ compareWinners, conflicts }) => ({ compareWinners, conflicts }));

const loadBlend = () => import("./blend").then(({ blend }) => ({ blend }));

const loadLayOut = () =>
  import("./lay-out").then(({ cleanUnpacked, layOut, takeBack }) => ({ cleanUnpacked, layOut, takeBack }));

const loadKept = () =>
  import("./kept").then(({ backup, exportProfile, findings, importList, profiles, restore }) => ({
    backup,
    exportProfile,
    findings,
    importList,
    profiles,
    restore,
  }));
const loadStart = () => import("./start").then(({ start }) => ({ start }));
const loadScripts = () => import("./running").then(({ runScript }) => ({ runScript }));

const ofKept = ["profiles", "findings", "export", "import", "backup", "restore"] as const;
type OfKept = (typeof ofKept)[number];
const isOfKept = (command: CommandName): command is OfKept =>
  (ofKept as readonly CommandName[]).includes(command);

/** Those that are asked of a Seating that runs. */
async function answerOfKept(command: OfKept, first: string, asked: Asked): Promise<Answer> {
  const kept = await loadKept();
  switch (command) {
    case "profiles":
      return kept.profiles(asked);
    case "findings":
      return kept.findings(first, asked);
    case "export":
      return kept.exportProfile(first, asked);
    case "import": {
      const { bytes, name } = readFile(first);
      return kept.importList(bytes, name, asked);
    }
    case "backup":
      if (asked.output === undefined && process.stdout.isTTY) throw new WrongUse(say("cli.backupNeedsFile"));
      return { json: null, text: "", raw: await kept.backup(), findings: false };
    case "restore":
      return kept.restore(readFile(first).bytes);
  }
}

async function answerTo(command: CommandName, args: readonly string[], asked: Asked): Promise<Answer> {
  const [first = "-", second, third] = args;
  if (command === "order" || command === "why" || command === "seats" || command === "verify") {
    const orders = await loadOrders();
    const problem = readJson(first, "order-problem");
    if (command === "order") return orThrow(orders.order(problem, asked.failOn));
    if (command === "why") return orThrow(orders.why(problem, second!, third));
    if (command === "seats") return orThrow(orders.seats(problem, second!));
    return orThrow(orders.verify(problem, readJson(second!, "order-result")));
  }
  if (command === "start") return (await loadStart()).start(first, asked);
  if (isOfKept(command)) return answerOfKept(command, first, asked);
  if (command === "check") {
    // Of a folder what a game opens there.
    const folder = statSync(first, { throwIfNoEntry: false })?.isDirectory() ? { folder: first } : {};
    const list = readFile("folder" in folder ? join(first, "holds.json") : first);
    const books = (asked.book ?? []).map(readFile);
    const baseline = asked.baseline === undefined ? null : readFile(asked.baseline);
    return orThrow(await (await loadCheck()).check(list, { ...asked, ...folder, books, baseline }));
  }
  if (command === "clean-store") return orThrow((await loadLayOut()).cleanUnpacked(asked));
  if (command === "take-back") return orThrow((await loadLayOut()).takeBack(asked));
  const list = readFile(first);
  if (command === "lay-out") return orThrow(await (await loadLayOut()).layOut(list, asked));
  if (command === "blend") {
    const books = (asked.book ?? []).map(readFile);
    const marks = asked.marks === undefined ? null : readFile(asked.marks);
    const failOn = asked.failOn === "never" ? "never" : "clash";
    return orThrow(await (await loadBlend()).blend(list, { ...asked, books, marks, failOn }));
  }
  const lists = await loadLists();
  if (command === "compare") return orThrow(await lists.compare(list, readFile(second!), asked));
  if (command === "conflicts") {
    const { conflicts, compareWinners } = await loadConflicts();
    if (asked.compare !== undefined)
      return orThrow(await compareWinners(list, readFile(asked.compare), asked));
    const failOn = asked.failOn === "never" ? "never" : "undecided";
    return orThrow(await conflicts(list, { ...asked, failOn }));
  }
  const { bytes, name } = list;
  return orThrow(await lists[command](bytes, name, asked));
}

async function run(command: CommandName, args: readonly string[], asked: Asked): Promise<void> {
  const answer = await withPatience(say("cli.working"), async () => {
    const found = await answerTo(command, args, asked);
    // Of an order the text is worked out when it is asked for.
    return asked.text && found.raw === undefined ? { ...found, raw: `${found.text}\n` } : found;
  });
  for (const line of answer.aside ?? []) process.stderr.write(`${line}\n`);
  await write(answer, asked.output);
  process.exitCode = answer.findings ? 1 : 0;
}

/** Into a file whole or not at all. */
async function write({ raw, json }: Answer, path: string | undefined): Promise<void> {
  const unfinished = `${path}.${process.pid}.part`;
  const out = path === undefined ? process.stdout : createWriteStream(unfinished);
  try {
    if (raw !== undefined) out.write(raw);
    else await writeJson(json, out);
    if (path === undefined) return;
    out.end();
    await finished(out);
    renameSync(unfinished, path);
  } catch (error) {
    if (path === undefined) throw error;
    rmSync(unfinished, { force: true });
    orThrow(refuse("cannot-write", { path, detail: String((error as NodeJS.ErrnoException).code) }));
  }
}

function optionOf(name: OptionName, command: CommandName): Option {
  const value = optionValues[name];
  if (name === "fail-on" && (command === "conflicts" || command === "blend")) {
    const { choices, standard } = ownLevels[command];
    return new Option(`--fail-on <${value}>`, say(`cli.option.fail-on-${command}`))
      .choices(choices)
      .default(standard);
  }
  const option = new Option(value === "" ? `--${name}` : `--${name} <${value}>`, say(`cli.option.${name}`));
  if (name !== "fail-on") return option;
  if (command !== "order") option.description = say("cli.option.fail-on-findings");
  return option.choices(failLevels).default("problem");
}

function addCommand(program: Command, name: CommandName): void {
  const { takes, options } = commands[name];
  const command = program
    .command(name)
    .summary(say(`cli.summary.${name}`))
    .description(say(`cli.about.${name}`))
    .option("--text", say("cli.option.text"))
    .option("--json", say("cli.option.json"))
    .option("--output <FILE>", say("cli.option.output"));
  for (const each of takes) command.addArgument(new Argument(each));
  for (const each of options) command.addOption(optionOf(each, name));
  command.action(async (...given: unknown[]) => {
    const args = given.slice(0, takes.length).filter((each) => typeof each === "string");
    await run(name, args, command.opts<Asked>());
  });
}

const titles = {
  "Usage:": "usage",
  "Arguments:": "arguments",
  "Options:": "options",
  "Commands:": "commands",
} as const;

function makeProgram(): Command {
  const program = new Command("seating")
    .description(say("cli.about.all"))
    .version(version, "-V, --version", say("cli.option.version"))
    .helpOption("-h, --help", say("cli.option.help"))
    .helpCommand("help [command]", say("cli.summary.help"))
    .addHelpText("after", `\n${say("cli.about.files")}`)
    .exitOverride()
    .configureOutput({ writeErr: () => undefined })
    .configureHelp({
      helpWidth: process.stdout.columns ?? 100,
      styleTitle: (title) =>
        title in titles ? say(`cli.title.${titles[title as keyof typeof titles]}`) : title,
      // The texts say themselves what there is to choose from, and what is chosen by itself.
      optionDescription: ({ description }) => description,
      subcommandDescription: (command) => command.summary() || Help.prototype.subcommandDescription(command),
    });
  for (const name of Object.keys(commands) as CommandName[]) addCommand(program, name);
  for (const name of ["serve", "demo"] as const)
    program
      .command(name)
      .summary(say(`cli.summary.${name}`))
      .description(say(`cli.about.${name}`))
      .addOption(new Option("--port <PORT>", say("cli.option.port")))
      .action(async ({ port }: { port?: string }) => {
        const { runScript } = await loadScripts();
        if (port !== undefined) process.env.SEATING_PORT = port;
        process.exitCode = await runScript(name === "serve" ? "start" : "demo", []);
      });
  program
    .command("completion")
    .summary(say("cli.summary.completion"))
    .description(say("cli.about.completion"))
    .addArgument(new Argument("<shell>").choices(shells))
    .action((shell: Shell) => void process.stdout.write(completionFor(shell)));
  for (const command of program.commands)
    command.helpOption("-h, --help", say("cli.option.help")).copyInheritedSettings(program);
  return program;
}

/** Whoever reads what is written may have had enough of it. */
process.stdout.on("error", (error: NodeJS.ErrnoException) => {
  if (error.code !== "EPIPE") throw error;
  process.exit(0);
});

speakAsEnvironment(process.env);
try {
  const program = makeProgram();
  if (process.argv.length <= 2) {
    program.outputHelp();
    process.exitCode = 2;
  } else await program.parseAsync();
} catch (error) {
  if (error instanceof CommanderError && error.exitCode === 0) process.exitCode = 0;
  else {
    const told = error instanceof CommanderError ? wrongUseText(error) : toldOf(error);
    process.stderr.write(`${told}\n`);
    process.exitCode = 2;
  }
}

/** A fault of ours says where it is only to whoever asks for it. */
function toldOf(error: unknown): string {
  if (error instanceof WrongUse) return error.message;
  const { message, stack } = error instanceof Error ? error : { message: String(error), stack: "" };
  return process.env.SEATING_DEBUG ? (stack ?? message) : say("cli.fault", { detail: message });
}
