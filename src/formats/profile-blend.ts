import { sha256 } from "@noble/hashes/sha2";
import { bytesToHex } from "@noble/hashes/utils";
import { blend, type Blend, type Blended } from "@/core/blend/blend";
import { blendPlugin, type BlendPlugin } from "@/core/blend/blend-plugin";
import { decisionsOf, recipeOf, type BlendRecipe } from "@/core/blend/decisions";
import { blendedIn } from "@/core/blend/loading";
import { ownContent, type ContentLibrary } from "@/core/conflict/content-library";
import { say } from "@/core/language/say";
import type { BlendStanding } from "@/core/model/conflict-standing";
import { ModId } from "@/core/model/ids";
import { done, type Outcome } from "@/core/model/outcome";
import type { Overlaps } from "@/core/roster/overlaps";
import type { Roster } from "@/core/roster/roster";
import { blendModFiles } from "./blend-mod";

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

/** The recipe of a profile, or of the blend that it would have: its id is made of the profile's, so that no two build one another's. */
export const recipeFor = ({ profile: { id, state } }: Roster): BlendRecipe =>
  recipeOf(state) ?? {
    kind: "recipe",
    mod: ModId.parse(`blend-${id.slice(0, 8)}`),
    name: say("blend.title"),
  };

/** The blend of what a profile loads, by what it has decided. */
export const blendOfProfile = (
  roster: Roster,
  library: ContentLibrary,
  recipe = recipeFor(roster),
): ProfileBlend =>
  blendOf(
    roster,
    blendedIn(roster, ({ fixed, mod, id }) =>
      library.listsOf(fixed ? ownContent : (mod?.mod?.content ?? null), id),
    ),
    recipe,
  );

/** The blend of a profile, of plugins of which it is known what they say of lists. */
export function blendOf(
  roster: Roster,
  plugins: readonly Blended[],
  recipe = recipeFor(roster),
): ProfileBlend {
  const made = blend(plugins, decisionsOf(roster.profile.state));
  return { plugins, made, file: fileOf(roster, plugins, made, recipe) };
}

function fileOf(
  roster: Roster,
  plugins: readonly Blended[],
  made: Blend,
  { mod: id, name }: BlendRecipe,
): ProfileBlend["file"] {
  const plugin = blendPlugin(roster, name, plugins, made);
  if (!plugin.ok) return plugin;
  if (!plugin.value) return done(null);
  const files = blendModFiles({ id, name }, plugin.value, roster.game.pluginLayout);
  if (!files.ok) return files;
  const bytes = files.value.get(plugin.value.name)!;
  return done({ plugin: plugin.value, files: files.value, sha256: bytesToHex(sha256(bytes)) });
}

/** With how the blend of the profile stands. */
export const withBlend = (overlaps: Overlaps, roster: Roster, library: ContentLibrary): Overlaps => ({
  ...overlaps,
  standing: { ...overlaps.standing, blend: blendStanding(roster, library) },
});

/** How the blend of a profile stands; one that has none is not made for it. */
export const blendStanding = (roster: Roster, library: ContentLibrary): BlendStanding =>
  recipeOf(roster.profile.state) ? standingTo(roster, blendOfProfile(roster, library)) : "none";

/** How the blend that a profile has stands to the one that is made of it now: due exactly where the plugin would have other bytes. */
export function standingTo({ profile, plugins }: Roster, { file }: ProfileBlend): BlendStanding {
  const recipe = recipeOf(profile.state);
  if (!recipe) return "none";
  const present = plugins.find(({ mod, loads }) => loads && mod?.id === recipe.mod);
  const wanted = file.ok ? (file.value?.sha256 ?? null) : null;
  return wanted === (present?.file?.sha256 ?? null) ? "current" : "due";
}
