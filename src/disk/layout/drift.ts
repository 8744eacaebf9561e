import {
  existsSync,
  lstatSync,
  readdirSync,
  readFileSync,
  realpathSync,
  rmdirSync,
  unlinkSync,
} from "node:fs";
import { dirname, join, sep } from "node:path";
import { driftOf, type Drift } from "@/core/layout/drift";
import { setAsidePlan } from "@/core/layout/plan";
import { layingOf } from "@/core/model/placement";
import type { GameDefinition } from "@/core/model/game";
import { Accepted } from "@/core/model/ledger";
import { done, refuse, type Outcome } from "@/core/model/outcome";
import { shortHash } from "../digest";
import { sha256Of } from "../game-files";
import { keptIn, openLaidOut, perform, type LayoutPlaces } from "./lay-out";
import { writeWhole } from "./laid-out";
import { Looking } from "./look";

/** What in the game's folder is not as Seating left it. */
export function lookAtDrift(game: GameDefinition, places: LayoutPlaces): Outcome<Drift> {
  const laying = layingOf(game);
  if (!laying) return refuse("layout-by-list", { game: game.name });
  const opened = openLaidOut(places);
  if (!opened.ok) return opened;
  const {
    laidOut,
    looking: { look },
  } = opened.value;
  const filesBelow = (folder: string) => filesIn(realpathSync(places.game), folder);
  return done(driftOf(game, laying, laidOut.ledger(), acceptedIn(places), { look, filesBelow }));
}

/** Plain files alone; what a link leads to is nobody's here. */
function filesIn(root: string, folder: string): string[] {
  const at = join(root, folder);
  if (lstatSync(at, { throwIfNoEntry: false })?.isDirectory() !== true) return [];
  return readdirSync(at, { withFileTypes: true }).flatMap((entry) => {
    const path = `${folder}/${entry.name}`;
    if (entry.isDirectory()) return filesIn(root, path);
    return entry.isFile() ? [path] : [];
  });
}

function acceptedIn(places: LayoutPlaces): Accepted {
  const path = keptIn(places, "accepted");
  return existsSync(path)
    ? Accepted.parse(JSON.parse(readFileSync(path, "utf8")))
    : { format: "seating-accepted/1", bareAt: null, files: [] };
}

/** Files are as they should be from now on, as they lie there; `isBare`: they are all that the bare game has. */
export function acceptFiles(places: LayoutPlaces, paths: readonly string[], isBare: boolean): null {
  const before = acceptedIn(places);
  const { look } = new Looking(realpathSync(places.game));
  const known = new Map(before.files.map((file) => [file[0], file]));
  for (const path of paths) {
    const lying = look(path);
    if (lying?.kind === "file") known.set(path, [path, lying.size, lying.changed]);
  }
  const bareAt = isBare ? new Date().toISOString() : before.bareAt;
  writeWhole(
    keptIn(places, "accepted"),
    JSON.stringify({ ...before, bareAt, files: [...known.values()] } satisfies Accepted),
  );
  return null;
}

/** Sets files aside that are neither the game's nor Seating's; they come back when all is taken back. */
export function setAside(places: LayoutPlaces, paths: readonly string[]): Outcome<null> {
  const opened = openLaidOut(places);
  if (!opened.ok) return opened;
  const { laidOut, looking } = opened.value;
  const summary = laidOut.summary();
  const performed = perform(laidOut, setAsidePlan(paths, laidOut.ledger(), looking.look));
  if (performed.ok && summary) laidOut.sayWhatLies(summary);
  return performed;
}

/**
 * Files that are somewhere else by now, by their hashes: they go, but for what has changed since. Where each mod has a folder of its own,
 * below `modsIn`, those that are left empty go, too: the game would take them for mods.
 */
export function removeGathered(
  places: LayoutPlaces,
  files: ReadonlyMap<string, string>,
  modsIn: string | null,
): Outcome<null> {
  const opened = openLaidOut(places);
  if (!opened.ok) return opened;
  const { laidOut, looking } = opened.value;
  const own = new Set(laidOut.ledger().entries.map(({ path }) => path));
  for (const [path, hash] of files) {
    if (own.has(path) || looking.look(path)?.kind !== "file") continue;
    const at = join(places.game, path);
    if (shortHash(sha256Of(readFileSync(at))) !== hash) continue;
    unlinkSync(at);
    if (modsIn !== null) unmakeEmpty(dirname(at), join(places.game, modsIn));
  }
  return done(null);
}

/** Folders that are empty, from one on upwards, as long as they lie below another one. */
function unmakeEmpty(folder: string, above: string): void {
  if (!folder.startsWith(above + sep) || readdirSync(folder).length > 0) return;
  rmdirSync(folder);
  unmakeEmpty(dirname(folder), above);
}
