import type { AdditiveList } from "../model/additive-list";
import type { GameDefinition } from "../model/game";
import type { ContentFile, ModManifest, RecordNames } from "../model/shelf";
import { foldName, isManifest } from "../roster/fold";
import { partsOf } from "../roster/parts";
import { fileContents, noContents, recordContents, type Contents } from "./contents";
import { Names } from "./names";

/** What was read of some contents, as it is stored: by the hash over them. */
export interface ReadContents {
  readonly content: string;
  readonly files: readonly ContentFile[];
  readonly records: readonly RecordNames[];
}

/** The files of the game's own folder, or of that of an expansion. */
export interface OwnFolder {
  readonly expansion: string | null;
  readonly files: readonly ContentFile[];
}

/** Under which the library knows what the game itself brings. */
export const ownContent = "";

/**
 * All contents that were asked for, as numbers. What lies in the root of a mod for the mod alone is no file of it. The files of the game
 * itself are those of all its folders together.
 */
export class ContentLibrary {
  readonly paths = new Names();
  readonly records = new Names();
  private readonly files = new Map<string, Contents>();
  private readonly recordsOfPlugins = new Map<string, ReadonlyMap<string, Contents>>();
  private readonly listsOfPlugins = new Map<string, ReadonlyMap<string, readonly AdditiveList[]>>();

  constructor(readonly game: Pick<GameDefinition, "paths">) {}

  has = (content: string): boolean => this.files.has(content);

  learn({ content, files, records }: ReadContents, manifest: ModManifest | null): void {
    const { game, paths } = this;
    const own = files.filter(({ path }) => !isManifest(game, path));
    const partKeys = partsOf(manifest).map(({ key }) => key);
    this.files.set(content, fileContents(game, paths, own, partKeys));
    this.recordsOfPlugins.set(content, this.recordsBy(records));
    this.listsOfPlugins.set(content, this.listsBy(records));
  }

  /**
   * What the game itself brings: what lies loose in its own folders, of those of an expansion as parts that are named like it, and the
   * records of its plugins.
   */
  learnOwn(folders: readonly OwnFolder[], plugins: ReadContents["records"]): void {
    const files = folders.flatMap(({ expansion, files: own }) =>
      own.map((file) => ({ ...file, part: expansion })),
    );
    const expansions = folders.flatMap(({ expansion }) => expansion ?? []);
    this.files.set(ownContent, fileContents(this.game, this.paths, files, expansions));
    this.recordsOfPlugins.set(ownContent, this.recordsBy(plugins));
    this.listsOfPlugins.set(ownContent, this.listsBy(plugins));
  }

  private recordsBy = (plugins: ReadContents["records"]): ReadonlyMap<string, Contents> =>
    new Map(
      plugins.map(({ plugin, records }) => [
        foldName(this.game, plugin),
        recordContents(this.records, records),
      ]),
    );

  private listsBy = (plugins: ReadContents["records"]): ReadonlyMap<string, readonly AdditiveList[]> =>
    new Map(plugins.flatMap(({ plugin, lists }) => (lists ? [[foldName(this.game, plugin), lists]] : [])));

  filesOf = (content: string | null): Contents => this.files.get(content ?? "") ?? noContents;

  recordsOf = (content: string | null, plugin: string): Contents =>
    this.recordsOfPlugins.get(content ?? "")?.get(foldName(this.game, plugin)) ?? noContents;

  /** The additive lists of a plugin in some contents. */
  listsOf = (content: string | null, plugin: string): readonly AdditiveList[] =>
    this.listsOfPlugins.get(content ?? "")?.get(foldName(this.game, plugin)) ?? noLists;
}

const noLists: readonly AdditiveList[] = [];
