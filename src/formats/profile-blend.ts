import { sha256 } from "@noble/hashes/sha2";
import { bytesToHex } from "@noble/hashes/utils";
import { blend, type Blend, type Blended } from "@/core/blend/blend";
import { blendPlugin, type BlendPlugin } from "@/core/blend/blend-plugin";
import { decisionsOf, recipeOf } from "@/core/blend/decisions";
import { blendedIn } from "@/core/blend/loading";
import { ownContent, type ContentLibrary } from "@/core/conflict/content-library";
import type { BlendStanding } from "@/core/model/conflict-standing";
import { done, type Outcome } from "@/core/model/outcome";
import type { Overlaps } from "@/core/roster/overlaps";
import type { Roster } from "@/core/roster/roster";
import { blendModFiles } from "./blend-mod";

/** What a blend is called where nobody has said otherwise, and the id of its mod. */
export interface BlendNames {
  readonly id: string;
  readonly name: string;
}

export interface BlendFile {
  readonly plugin: BlendPlugin;
  /** Of the mod, by path. */
  readonly files: ReadonlyMap<string, Uint8Array>;
  /** Of the plugin's bytes. */
  readonly sha256: string;
}

interface ProfileBlend {
  readonly plugins: readonly Blended[];
  readonly made: Blend;
  /** What comes of it; null where no list has to be blended. */
  readonly file: Outcome<BlendFile | null, "blend-masters" | "blend-layout">;
}

/** The blend of what a profile loads, by what it has decided. */
export function blendOfProfile(roster: Roster, library: ContentLibrary, names: BlendNames): ProfileBlend {
  const { state } = roster.profile;
  const recipe = recipeOf(state);
  const plugins = blendedIn(roster, ({ fixed, mod, id }) =>
    library.listsOf(fixed ? ownContent : (mod?.mod?.content ?? null), id),
  );
  const made = blend(plugins, decisionsOf(state));
  const { id, name } = recipe ? { id: recipe.mod, name: recipe.name } : names;
  return { plugins, made, file: fileOf(roster, { id, name }, plugins, made) };
}

function fileOf(
  roster: Roster,
  { id, name }: BlendNames,
  plugins: readonly Blended[],
  made: Blend,
): ProfileBlend["file"] {
  const plugin = blendPlugin(roster, name, plugins, made);
  if (!plugin.ok) return plugin;
  if (!plugin.value) return done(null);
  const files = blendModFiles({ id, name, plugin: plugin.value }, roster.game.pluginLayout);
  if (!files.ok) return files;
  const bytes = files.value.get(plugin.value.name)!;
  return done({ plugin: plugin.value, files: files.value, sha256: bytesToHex(sha256(bytes)) });
}

/** With how the blend of the profile stands. */
export const withBlend = (overlaps: Overlaps, roster: Roster, library: ContentLibrary): Overlaps => ({
  ...overlaps,
  standing: { ...overlaps.standing, blend: blendStanding(roster, library) },
});

/** How the blend that a profile has stands to the one that would be made of it now: due exactly where the plugin would have other bytes. */
export function blendStanding(roster: Roster, library: ContentLibrary): BlendStanding {
  const recipe = recipeOf(roster.profile.state);
  if (!recipe) return "none";
  const { file } = blendOfProfile(roster, library, { id: recipe.mod, name: recipe.name });
  const present = roster.plugins.find(({ mod, loads }) => loads && mod?.id === recipe.mod);
  const wanted = file.ok ? (file.value?.sha256 ?? null) : null;
  return wanted === (present?.file?.sha256 ?? null) ? "current" : "due";
}
