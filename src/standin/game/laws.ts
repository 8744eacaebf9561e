/** A mark by which a plugin is known for one of a class: one of these endings, or a flag of its header. */
export interface Mark {
  readonly extensions?: readonly string[] | undefined;
  readonly flag?: number | undefined;
}

interface Chunks {
  readonly list: string;
  readonly item: string;
}

/** A plugin in the published chunk container. */
export interface RiffLaws {
  readonly container: "riff";
  readonly formType: string;
  readonly chunks?:
    | {
        readonly head: string;
        readonly flagsAt: number;
        readonly masters: Chunks;
        readonly records: Chunks;
        readonly lists?: Chunks | undefined;
      }
    | undefined;
  readonly encoding?: string | undefined;
}

type SizeCounts = "contents" | "record";

/** A plugin of records one after another, of which the first describes the file. */
export interface TaggedLaws {
  readonly container: "tagged";
  readonly byteOrder: "little" | "big";
  readonly record: {
    readonly headerBytes: number;
    readonly tagAt: number;
    readonly tagBytes: number;
    readonly sizeAt: number;
    readonly sizeBytes: number;
    readonly sizeCounts: SizeCounts;
    readonly flagsAt: number;
    readonly flagsBytes: number;
  };
  readonly groups?:
    { readonly tag: string; readonly headerBytes: number; readonly sizeCounts: SizeCounts } | undefined;
  readonly field: { readonly tagBytes: number; readonly sizeBytes: number };
  readonly encoding?: string | undefined;
  readonly texts: "zero" | "field";
  /** Of what describes the file, and of what names a record. */
  readonly tags: {
    readonly file: string;
    readonly master: string;
    readonly name?: string | undefined;
    readonly [text: string]: string | undefined;
  };
  /** Which records add to lists of the game, and where in them stands what. */
  readonly lists?:
    | {
        readonly tag: string;
        readonly record: string;
        readonly entry: string;
        readonly depthAt: number;
        readonly shareAt: number;
        readonly numberBytes: number;
        readonly nameAt: number;
      }
    | undefined;
}

/** How the game finds its mods: by a list of what to open, as folders of its own, or as files that lie merged in one. */
export type Placement =
  | { readonly kind: "list" }
  | ({ readonly kind: "folders"; readonly name: string } & Place)
  | ({ readonly kind: "merged" } & Place);
interface Place {
  readonly folder: string;
  /** Folders of mods, with a slash at the end, that lie elsewhere in the game. */
  readonly elsewhere?: readonly { readonly from: string; readonly to: string }[] | undefined;
}

export type PluginLaws = RiffLaws | TaggedLaws;

/**
 * What of a definition, `seating-game/1`, a game obeys. A real one has its laws in itself; this one is told them, as JSON that whoever
 * tells them has checked.
 */
export interface Laws {
  readonly name: string;
  readonly version: string;
  readonly lists: readonly ("mods" | "plugins")[];
  readonly paths: { readonly ignoreCase: boolean };
  readonly contentFolders: readonly string[];
  readonly containers?: readonly { readonly extension: string }[] | undefined;
  readonly pluginExtensions: readonly string[];
  readonly pluginLayout?: PluginLaws | undefined;
  readonly loadRanks: readonly (Mark & { readonly id: string })[];
  readonly counting: readonly (Mark & {
    readonly id: string;
    readonly label: string;
    readonly cap: number;
  })[];
  readonly baseFolder: string;
  readonly builtIn: readonly string[];
  readonly expansions: readonly {
    readonly id: string;
    readonly folder: string;
    readonly plugins: readonly string[];
  }[];
  readonly settings?:
    | readonly {
        readonly path: string;
        readonly folder?: "game" | "order" | undefined;
        readonly format: string;
      }[]
    | undefined;
  readonly prerequisites?: readonly { readonly name: string; readonly file: string }[] | undefined;
  readonly baseItems?: readonly { readonly id: string; readonly name: string }[] | undefined;
  readonly keptFiles?:
    readonly { readonly path: string; readonly folder?: "game" | "order" | undefined }[] | undefined;
  readonly log?: { readonly path: string; readonly folder?: "game" | "order" | undefined } | undefined;
  readonly launchSettings?:
    | readonly { readonly id: string; readonly label: string; readonly standard: boolean | number | string }[]
    | undefined;
  readonly placement?: Placement | undefined;
  readonly profilesOfGame?: { readonly folder: string } | undefined;
  readonly orderFile: { readonly path: string; readonly dialect: string };
  readonly holdsFile: string;
}

/** A path or name as the game compares it. */
export const folded = ({ paths }: Pick<Laws, "paths">, name: string): string =>
  paths.ignoreCase ? name.normalize("NFC").toLowerCase() : name.normalize("NFC");

export function endingOf(name: string): string {
  const dot = name.lastIndexOf(".");
  return dot > 0 ? name.slice(dot).toLowerCase() : "";
}
