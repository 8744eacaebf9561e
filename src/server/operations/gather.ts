import "server-only";
import { readFileSync } from "node:fs";
import { join } from "node:path";
import { zipSync } from "fflate";
import { takeGathered } from "@/core/edit/take-gathered";
import { gatheredAs } from "@/core/layout/drift";
import type { ProfileId } from "@/core/model/ids";
import { done, refuse, type Outcome } from "@/core/model/outcome";
import { layingOf } from "@/core/model/placement";
import { shortHash, sha256Of } from "@/disk/digest";
import { removeGathered } from "@/disk/layout/drift";
import { openLaidOut, type LayoutPlaces } from "@/disk/layout/lay-out";
import type { RegisteredGame } from "@/store/games";
import type { Context } from "../context";
import { storeEdit, type Stored } from "./edit-profile";
import { inTurn, placesOf } from "./layout";
import { putOnShelf } from "./put-on-shelf";
import { readSituation } from "./situation";
import { markOwnWork } from "./versions";

/**
 * Makes a mod of its user's own of files in the game's folder, which the tools or the game wrote or somebody changed, and takes it into the
 * profile, last. What was nobody's goes from there, for it is laid out from now on.
 */
export const gatherFiles = (
  context: Context,
  incoming: string,
  profileId: ProfileId,
  version: number,
  { paths, name }: { readonly paths: readonly string[]; readonly name: string },
): Promise<Outcome<Stored>> =>
  inTurn(context, async (game) => {
    const id = idOf(name);
    const before = await readSituation(context, profileId);
    if (!before.ok) return before;
    if (before.value.profile.version !== version) return refuse("stale");
    if (before.value.stock.shelf.some((mod) => mod.id === id)) return refuse("mod-name-taken", { name });
    const files = filesOf(game, placesOf(context, game), paths);
    if (!files.ok) return files;
    const manifest = { format: "seating-mod/1", id, name, version: "1.0" };
    const archive = zipSync({
      "seating-mod.json": new TextEncoder().encode(JSON.stringify(manifest, null, 2)),
      ...Object.fromEntries(files.value.map(({ own, bytes }) => [own, bytes])),
    });
    const put = await putOnShelf(context, incoming, `${name.replace(/[\\/<>"|?*:]/g, "-")}.zip`, archive);
    if (!put.ok) return put;
    const situation = await readSituation(context, profileId);
    if (!situation.ok) return situation;
    const mod = situation.value.stock.shelf.find((each) => each.id === id);
    if (!mod) return refuse("not-on-shelf", { path: name });
    const stored = await storeEdit(context, profileId, version, takeGathered(situation.value.roster, mod));
    if (!stored.ok) return stored;
    await markOwnWork(context, id, true);
    const hashes = files.value.map(({ path, bytes }) => [path, shortHash(sha256Of(bytes))] as const);
    const laying = layingOf(game.definition);
    const modsIn = laying?.kind === "folders" ? laying.folder : null;
    const removed = removeGathered(placesOf(context, game), new Map(hashes), modsIn);
    return removed.ok ? stored : removed;
  });

/** Of a name that is said in letters alone. */
const idOf = (name: string): string =>
  name
    .normalize("NFKD")
    .toLowerCase()
    .replace(/[^\p{L}\p{N}]+/gu, "-")
    .replace(/^-+|-+$/g, "") || "gathered";

interface Gathered {
  /** Below the game's folder, and below the mod's root. */
  readonly path: string;
  readonly own: string;
  readonly bytes: Uint8Array;
}

function filesOf(
  { definition, folders }: RegisteredGame,
  places: LayoutPlaces,
  paths: readonly string[],
): Outcome<Gathered[]> {
  const opened = openLaidOut(places);
  if (!opened.ok) return opened;
  const { laidOut, looking } = opened.value;
  const laying = layingOf(definition);
  if (!laying) return refuse("layout-by-list", { game: definition.name });
  const named = gatheredAs(laying, laidOut.ledger(), paths);
  if (!named.ok) return named;
  const gathered: Gathered[] = [];
  for (const [path, own] of named.value) {
    if (looking.look(path)?.kind !== "file") return refuse("cannot-gather", { path });
    gathered.push({ path, own, bytes: readFileSync(join(folders.game, path)) });
  }
  return done(gathered);
}
