import type { SettingChoice } from "./settings";
import type { AlteredPlace } from "./claim";
import type { LaunchValues } from "./launch";
import type { Choice, ListName } from "./profile";

/** A name, and the version where one follows it. */
export interface NamedVersion {
  readonly name: string;
  readonly version?: string;
}

/** One line of a list as somebody wrote it: what it says of a mod or of a plugin, and nothing that it does not say. */
export interface ListLine extends NamedVersion {
  /** As it stood, for people. */
  readonly text: string;
  /** Null where it does not say of which order it speaks. */
  readonly list: ListName | null;
  /** Of a mod its name, of a plugin the name of its file. */
  readonly name: string;
  readonly on: boolean;
  readonly id?: string;
  /** What it names where nothing before or behind the name is taken for a number or a remark, the most of it first. */
  readonly uncut?: readonly NamedVersion[];
  /** Hashes in hex: of the contents; of the archive or the plugin file. */
  readonly content?: string;
  readonly sha256?: string;
  readonly source?: string;
  /** Name of the section. */
  readonly section?: string;
  readonly size?: number;
  /** A remark, a heading or talk around the list: a name only where something is called exactly so, and then asked. */
  readonly aside?: true;
  /** What it says that it needs. */
  readonly needs?: string;
  /** What is taken of a package; absent where it does not say. */
  readonly parts?: Pick<Choice, "options" | "components">;
  /** In a sheet, the number of its section's tier, and the weight inside it that is to last. */
  readonly tier?: number;
  readonly weight?: number;
  /** Files and folders that are left out; absent where it does not say. */
  readonly leftOut?: readonly string[];
}

/** What a list says of the game rather than of its mods. */
export interface ListSettings {
  readonly expansions: readonly string[];
  readonly baseOff: readonly string[];
  readonly launch: LaunchValues;
  /** What is to stand in its files of settings; absent where that is nothing. */
  readonly settings?: readonly SettingChoice[] | undefined;
}

/** A list that is no whole lineup: names in order, and whatever else its format carries. */
export interface Listing {
  readonly title: string;
  readonly game: { readonly id: string; readonly version: string } | null;
  readonly lines: readonly ListLine[];
  /** The fingerprint that its author's Seating wrote into it, where it carries one. */
  readonly fingerprint?: string;
  readonly settings?: ListSettings;
  /** It has columns for the numbers of tiers and for weights. */
  readonly numbered?: true;
  /** It is a game's own order, of which everything is known but sections: tags say them. */
  readonly byTags?: true;
  /** Where a digest in it disagrees with what it says. */
  readonly altered?: readonly AlteredPlace[];
}
