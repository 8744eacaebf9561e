import type { GameDefinition } from "../model/game";
import type { ListLine, NamedVersion } from "../model/listing";
import { extensionOf, foldName } from "../roster/fold";
import { fixedPlugins } from "../roster/laws";
import { pickVersion, type KnownMod } from "./known";
import { NameIndex, plainName } from "./names";

/** By what a line was matched, the surest first; `game`: a plugin of the game itself; `talk`: no name at all. */
export const certainties = [
  "answer",
  "content",
  "archive",
  "id",
  "plugin",
  "name-version",
  "name",
  "game",
  "similar",
  "none",
  "talk",
] as const;
export type Certainty = (typeof certainties)[number];

export interface MatchedLine {
  readonly line: ListLine;
  readonly how: Certainty;
  /** From 0 to 1; below 1 only of what is merely similar. */
  readonly likeness: number;
  /** The mod meant, or that of the plugin meant; null where none is known. */
  readonly known: KnownMod | null;
  /** The name of the plugin where the line means one. */
  readonly plugin: string | null;
  /** Other mods that could be meant, the likeliest first. */
  readonly others: readonly KnownMod[];
  /** Nobody need be asked. */
  readonly sure: boolean;
}

/** What its user has said that a line means, by its plain name: the id of a mod, or null for none. */
export type Answers = Readonly<Record<string, string | null>>;

const mostOffered = 5;
const leastLike = 0.45;
/** From here on the likeliest is proposed. */
const proposedFrom = 0.62;

/** What each line of a list means, of all that is known here. */
export function matchLines(
  game: GameDefinition,
  lines: readonly ListLine[],
  known: readonly KnownMod[],
  answers: Answers = {},
): MatchedLine[] {
  const matcher = new Matcher(game, known, answers);
  return lines.map((line) => matcher.match(line));
}

/** By how much a list names a mod: a hash of its contents or of its archive, its name with a version, its name alone. */
export type Basis = "contents" | "name-version" | "name";

/** On what each mod of a list of names was found; of a whole lineup nothing, for it names the contents of all. */
export function basesOf(matches: readonly MatchedLine[]): Map<string, Basis> {
  const bases = new Map<string, Basis>();
  for (const { known, plugin, how, line } of matches) {
    if (!known || bases.has(known.mod.id) || plugin !== null) continue;
    const byHash = line.content === known.mod.content || how === "archive";
    bases.set(known.mod.id, byHash ? "contents" : line.version === undefined ? "name" : "name-version");
  }
  for (const { known } of matches) if (known && !bases.has(known.mod.id)) bases.set(known.mod.id, "name");
  return bases;
}

type Found = Pick<MatchedLine, "how" | "known"> & Partial<MatchedLine>;

class Matcher {
  private readonly byContent = new Map<string, KnownMod>();
  private readonly byArchive = new Map<string, KnownMod>();
  private readonly byId = new Map<string, KnownMod[]>();
  private readonly byPlugin = new Map<string, { name: string; owners: KnownMod[] }>();
  private readonly byPluginHash = new Map<string, { name: string; owners: KnownMod[] }>();
  private readonly idsByName = new Map<string, Set<string>>();
  private readonly names: NameIndex;
  private readonly fixed: ReadonlyMap<string, string>;

  constructor(
    private readonly game: GameDefinition,
    known: readonly KnownMod[],
    private readonly answers: Answers,
  ) {
    const all = game.expansions.map(({ id }) => id);
    this.fixed = new Map(fixedPlugins(game, all).map((name) => [foldName(game, name), name]));
    for (const each of known) this.learn(each);
    this.names = new NameIndex([...this.idsByName.keys()]);
  }

  private learn(each: KnownMod): void {
    const { mod } = each;
    if (!this.byContent.has(mod.content)) this.byContent.set(mod.content, each);
    if (mod.archiveSha256 && !this.byArchive.has(mod.archiveSha256))
      this.byArchive.set(mod.archiveSha256, each);
    put(this.byId, mod.id, each);
    const name = plainName(mod.name);
    this.idsByName.set(name, (this.idsByName.get(name) ?? new Set()).add(mod.id));
    for (const plugin of mod.plugins) {
      const owned = { name: plugin.name, owners: [] };
      const key = foldName(this.game, plugin.name);
      if (!this.byPlugin.has(key)) this.byPlugin.set(key, { ...owned, owners: [] });
      this.byPlugin.get(key)!.owners.push(each);
      if (!this.byPluginHash.has(plugin.sha256))
        this.byPluginHash.set(plugin.sha256, { ...owned, owners: [] });
      this.byPluginHash.get(plugin.sha256)!.owners.push(each);
    }
  }

  match(line: ListLine): MatchedLine {
    const found = this.answered(line) ?? (line.aside ? this.aside(line) : this.found(line));
    return {
      line,
      likeness: 1,
      plugin: null,
      others: [],
      sure: found.known !== null || found.how === "game",
      ...found,
      ...(isOtherId(line, found) ? { sure: false } : {}),
    };
  }

  private found(line: ListLine): Found {
    return this.exactly(line) ?? this.byItsName(line);
  }

  /** What stands beside a list is no name, unless it is called just like something. */
  private aside(line: ListLine): Found {
    const found = this.found(line);
    return found.known !== null && found.how !== "similar"
      ? { ...found, sure: false }
      : { how: "talk", known: null, sure: true };
  }

  private answered({ name, version }: ListLine): Found | null {
    const key = plainName(name);
    if (!Object.hasOwn(this.answers, key)) return null;
    const id = this.answers[key]!;
    if (id === null) return { how: "answer", known: null, sure: true };
    const known = pickVersion(this.byId.get(id) ?? [], version);
    return known && { how: "answer", known };
  }

  private exactly(line: ListLine): Found | null {
    const { name, id, version, content, sha256, list } = line;
    const plugin = list !== "mods" && this.game.pluginExtensions.includes(extensionOf(name));
    if (plugin) return this.ofPlugin(line);
    const same = content === undefined ? undefined : this.byContent.get(content);
    if (same) return { how: "content", known: same };
    const archive = sha256 === undefined ? undefined : this.byArchive.get(sha256);
    if (archive) return { how: "archive", known: archive };
    const known = id === undefined ? null : pickVersion(this.byId.get(id) ?? [], version);
    return known && { how: "id", known };
  }

  private ofPlugin({ name, id, sha256 }: ListLine): Found | null {
    const own = this.fixed.get(foldName(this.game, name));
    if (own !== undefined) return { how: "game", known: null, plugin: own };
    const byHash = sha256 === undefined ? undefined : this.byPluginHash.get(sha256);
    const found = byHash ?? this.byPlugin.get(foldName(this.game, name));
    if (!found) return null;
    const owners = id === undefined ? found.owners : found.owners.filter(({ mod }) => mod.id === id);
    const known = pickVersion(owners.length > 0 ? owners : found.owners, undefined)!;
    const others = distinct(found.owners, known.mod.id);
    return {
      how: "plugin",
      known,
      plugin: found.name,
      others,
      sure: others.length === 0 || byHash !== undefined,
    };
  }

  private byItsName(line: ListLine): Found {
    for (const { name, version } of readingsOf(line)) {
      const ids = [...(this.idsByName.get(plainName(name)) ?? [])];
      const versions = ids.flatMap((id) => this.byId.get(id)!);
      const known = pickVersion(versions, version);
      if (!known) continue;
      const exact = version !== undefined && known.mod.version === version;
      const others = distinct(versions, known.mod.id);
      return { how: exact ? "name-version" : "name", known, others, sure: others.length === 0 };
    }
    return this.similar(line, plainName(line.name));
  }

  private similar({ name, version, text }: ListLine, plain: string): Found {
    const near = this.names.nearest(plain, mostOffered, leastLike);
    const mods = near.flatMap((each) =>
      [...this.idsByName.get(each.name)!].map((id) => pickVersion(this.byId.get(id)!, version)!),
    );
    const best = near[0]?.likeness ?? 0;
    const isPlugin = this.game.pluginExtensions.includes(extensionOf(name));
    if (best < proposedFrom && !isPlugin && isTalk(text)) return { how: "talk", known: null, sure: true };
    if (best < proposedFrom)
      return { how: "none", known: null, others: mods.slice(0, mostOffered), likeness: best, sure: false };
    return {
      how: "similar",
      known: mods[0]!,
      others: mods.slice(1, mostOffered),
      likeness: best,
      sure: false,
    };
  }
}

/** It names an id that is not that of what it was matched with; a mere number is somebody's own numbering. */
const isOtherId = ({ id }: ListLine, { how, known }: Found): boolean =>
  id !== undefined &&
  (known !== null || how === "game") &&
  how !== "answer" &&
  known?.mod.id !== id &&
  !/^\d+$/.test(id);

/** The names that a line may mean: what was taken for a remark or a version may belong to the name, and the other way. */
const readingsOf = ({ name, version, uncut = [] }: ListLine): NamedVersion[] =>
  [...uncut, { name, ...(version === undefined ? {} : { version }) }].flatMap((each) => {
    if (each.version !== undefined) return [each, { name: `${each.name} ${each.version}` }];
    const [, words, number] = /^(.+)\s(\d+)$/.exec(each.name) ?? [];
    return words === undefined ? [each] : [each, { name: words, version: number! }];
  });

/** What people write around a list: sentences, and links with nothing else. */
const isTalk = (text: string): boolean => text.split(/\s+/).length > 8 || /[.!?]$/.test(text.trim());

function put<K, V>(map: Map<K, V[]>, key: K, value: V): void {
  const known = map.get(key);
  if (known) known.push(value);
  else map.set(key, [value]);
}

/** One of each other mod. */
function distinct(known: readonly KnownMod[], except: string): KnownMod[] {
  const byId = new Map<string, KnownMod>();
  for (const each of known) if (each.mod.id !== except && !byId.has(each.mod.id)) byId.set(each.mod.id, each);
  return [...byId.values()].slice(0, mostOffered);
}
