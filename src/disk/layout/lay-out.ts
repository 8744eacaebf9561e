import { existsSync, realpathSync } from "node:fs";
import { basename, join } from "node:path";
import { foldName } from "@/core/roster/fold";
import { layoutPlan, type InTheWay, type LayoutAct, type LayoutPlan } from "@/core/layout/plan";
import { spelled } from "@/core/layout/spell";
import { laidMods, wantedFiles, type WantedFile, type WantedFlaw } from "@/core/layout/wanted";
import type { GameDefinition } from "@/core/model/game";
import type { Ledger } from "@/core/model/ledger";
import { done, refuse, type Outcome } from "@/core/model/outcome";
import type { ContentFile } from "@/core/model/shelf";
import type { Roster } from "@/core/roster/roster";
import { withoutEnding } from "@/formats/archive-name";
import { sha256Of } from "../digest";
import { openMod } from "../read-mod";
import { FileStore } from "./file-store";
import { LaidOut } from "./laid-out";
import { Looking } from "./look";

/** Where mods of a game are laid out, and where Seating keeps what it needs for that: below its own folder. */
export interface LayoutPlaces {
  readonly game: string;
  readonly own: string;
}

/** What would be done, before anything is. */
export interface Layout {
  readonly plan: LayoutPlan;
  readonly wanted: readonly WantedFile[];
  /** Bytes that come into the game's folder. */
  readonly bytes: number;
}

const storeOf = ({ own }: LayoutPlaces): FileStore => new FileStore(join(own, "store"));

/** What is kept of a game's folder goes by where that lies. */
const laidOutIn = (places: LayoutPlaces): LaidOut => {
  const game = realpathSync(places.game);
  return new LaidOut(game, join(places.own, "laid-out", sha256Of(game).slice(0, 16)), storeOf(places));
};

/** What it takes that a game's folder holds just what a profile wants; `filesOf` gives what lies in contents. */
export function planLayout(
  roster: Roster,
  places: LayoutPlaces,
  filesOf: (content: string) => readonly ContentFile[],
): Outcome<Layout> {
  const { game } = roster;
  const laying = game.placement;
  if (laying === undefined || laying.kind === "list") return refuse("layout-by-list", { game: game.name });
  if (!existsSync(join(places.game, game.sign)))
    return refuse("layout-no-game", { path: places.game, sign: game.sign });
  const mods = laidMods(roster, filesOf, (path) => withoutEnding(basename(path)));
  const { files, flaws } = wantedFiles(game, laying, mods);
  if (flaws.length > 0) return refuse("layout-flaws", { items: flaws.map(flawText).join(", ") });
  const ledger = laidOutIn(places).ledger();
  const looking = new Looking(realpathSync(places.game));
  const wanted = spelled(game, files, othersNames(ledger, looking));
  return planned(wanted, layoutPlan(wanted, ledger, looking.look));
}

/** What it takes that nothing of Seating's is left in a game's folder; `now`: it is done, too. */
export function planTakingBack(places: LayoutPlaces, now: boolean): Outcome<Layout> {
  if (!existsSync(places.game)) return refuse("folder-missing", { path: places.game });
  const looking = new Looking(realpathSync(places.game));
  const laidOut = laidOutIn(places);
  const layout = planned([], layoutPlan([], laidOut.ledger(), looking.look));
  const taken = layout.ok && now ? perform(laidOut, layout.value.plan) : done(null);
  return taken.ok ? layout : taken;
}

function planned(wanted: readonly WantedFile[], plan: LayoutPlan): Outcome<Layout> {
  if (plan.inTheWay.length > 0)
    return refuse("layout-in-the-way", { items: plan.inTheWay.map(wayText).join(", ") });
  const bytes = plan.acts.reduce((sum, act) => sum + (act.does === "put" ? act.size : 0), 0);
  return done({ plan, wanted, bytes });
}

const flawText = (flaw: WantedFlaw): string =>
  flaw.kind === "not-read"
    ? `${flaw.path} (${flaw.mod})`
    : `${flaw.file.path} (${flaw.file.mod}), ${flaw.below.path} (${flaw.below.mod})`;
const wayText = ({ path, mod }: InTheWay): string => `${path} (${mod})`;

/** What is called by others in a folder: what Seating made there is called as it would be now, over what waits aside as that was. */
function othersNames(ledger: Ledger, looking: Looking): (folder: string) => readonly string[] {
  const own = new Set([...ledger.folders, ...ledger.entries.map(({ path }) => path)]);
  const waiting = new Map<string, string[]>();
  for (const { path, aside } of ledger.entries) {
    if (aside === null) continue;
    const at = path.lastIndexOf("/");
    const folder = path.slice(0, Math.max(0, at));
    waiting.set(folder, [...(waiting.get(folder) ?? []), path.slice(at + 1)]);
  }
  return (folder) => [
    ...looking.namesIn(folder).filter((name) => !own.has(folder === "" ? name : `${folder}/${name}`)),
    ...(waiting.get(folder) ?? []),
  ];
}

interface Doing {
  readonly onProgress?: (done: number, total: number) => void;
}

/** Unpacks what is not in the store yet, and does all of it; `pathOf` says where the mod of some contents lies. */
export async function performLayout(
  game: GameDefinition,
  places: LayoutPlaces,
  { plan, wanted }: Layout,
  pathOf: (content: string) => string,
  { onProgress }: Doing = {},
): Promise<Outcome<null>> {
  const store = storeOf(places);
  const missing = missingIn(store, plan.acts, wanted);
  for (const [content, files] of missing) {
    const unpacked = await unpack(game, store, pathOf(content), files);
    if (!unpacked.ok) return unpacked;
  }
  return perform(laidOutIn(places), plan, onProgress);
}

/** How far it came where the system would not go on is seen by whatever is done next. */
function perform(
  laidOut: LaidOut,
  plan: LayoutPlan,
  onProgress: Doing["onProgress"] = () => undefined,
): Outcome<null> {
  try {
    laidOut.perform(plan, (at) => onProgress(at, plan.acts.length));
    return done(null);
  } catch (error) {
    if ((error as NodeJS.ErrnoException).code === undefined) throw error;
    return refuse("layout-broken-off", { detail: (error as Error).message });
  }
}

/** Of files that are put and not in the store, by their contents. */
function missingIn(
  store: FileStore,
  acts: readonly LayoutAct[],
  wanted: readonly WantedFile[],
): Map<string, WantedFile[]> {
  const put = new Set(acts.flatMap((act) => (act.does === "put" ? act.path : [])));
  const missing = new Map<string, WantedFile[]>();
  const asked = new Set<string>();
  for (const file of wanted) {
    if (!put.has(file.path) || asked.has(file.hash) || store.has(file)) continue;
    asked.add(file.hash);
    missing.set(file.content, [...(missing.get(file.content) ?? []), file]);
  }
  return missing;
}

async function unpack(
  game: GameDefinition,
  store: FileStore,
  path: string,
  wanted: readonly WantedFile[],
): Promise<Outcome<null>> {
  const opened = await openMod(game, path);
  if (!opened.ok) return refuse("layout-unreadable", { path, problem: opened.refusal });
  const { files, parts, close } = opened.value;
  const keyOf = (own: string, part: string | null) => JSON.stringify([foldName(game, own), part]);
  const places = new Map(parts.map(({ at, path: own, part }) => [keyOf(own, part), at]));
  try {
    for (const each of wanted) {
      const file = files[places.get(keyOf(each.own, each.part)) ?? -1];
      if (!file || !(await store.take(file, each))) return refuse("layout-changed", { path, file: each.own });
    }
  } finally {
    await close();
  }
  return done(null);
}
