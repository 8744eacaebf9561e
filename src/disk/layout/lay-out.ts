import {
  accessSync,
  constants,
  existsSync,
  mkdirSync,
  readdirSync,
  realpathSync,
  statfsSync,
  statSync,
} from "node:fs";
import { basename, join } from "node:path";
import { layoutGap } from "@/core/layout/laid-as";
import type { LayoutProgress } from "@/core/layout/preview";
import {
  layoutPlan,
  type InTheWay,
  type LayoutAct,
  type LayoutPlan,
  type PlacedFile,
} from "@/core/layout/plan";
import { systemFlaws, systemOf, type SystemFlaw } from "@/core/layout/system-rules";
import { spelled } from "@/core/layout/spell";
import {
  datesOfOrder,
  laidMods,
  wantedFiles,
  type LaidMod,
  type WantedFile,
  type WantedFlaw,
} from "@/core/layout/wanted";
import { layingOf } from "@/core/model/placement";
import type { GameDefinition } from "@/core/model/game";
import type { LaidAs, LaidSummary, Ledger } from "@/core/model/ledger";
import { done, refuse, type Outcome } from "@/core/model/outcome";
import type { ContentFile } from "@/core/model/shelf";
import { folderOf, foldName } from "@/core/roster/fold";
import type { Roster } from "@/core/roster/roster";
import { withoutEnding } from "@/formats/archive-name";
import { sha256Of } from "../digest";
import { openMod } from "../read-mod";
import { runningBelow } from "../running-game";
import { FileStore } from "./file-store";
import { asideIn, LaidOut, ledgerIn } from "./laid-out";
import { Looking, lyingAt } from "./look";
import { userOfStore, whileInUse } from "./store-use";

/** Where mods of a game are laid out, and where Seating keeps what it needs for that: below its own folder. */
export interface LayoutPlaces {
  readonly game: string;
  readonly own: string;
}

/** What would be done, before anything is. */
export interface Layout {
  readonly plan: LayoutPlan;
  readonly wanted: readonly PlacedFile[];
  /** Files that have to be unpacked first, by the contents that they are of. */
  readonly toUnpack: ReadonlyMap<string, readonly WantedFile[]>;
}

const storeOf = ({ own }: LayoutPlaces): FileStore => new FileStore(join(own, "store"));

/** What is kept of a game's folder goes by where that lies. */
const stateOf = ({ own }: LayoutPlaces, game: string): string =>
  join(own, "laid-out", sha256Of(game).slice(0, 16));

const laidOutIn = (places: LayoutPlaces): LaidOut => {
  const game = realpathSync(places.game);
  return new LaidOut(game, stateOf(places, game), storeOf(places));
};

/** What something is to be done to; refused where there is no such folder, or another process is at it. */
export function openLaidOut(
  places: LayoutPlaces,
): Outcome<{ readonly laidOut: LaidOut; readonly looking: Looking }> {
  if (!existsSync(places.game)) return refuse("folder-missing", { path: places.game });
  const laidOut = laidOutIn(places);
  const busy = laidOut.busy();
  return busy === null
    ? done({ laidOut, looking: new Looking(realpathSync(places.game)) })
    : refuse("layout-busy", { process: busy });
}

/** A file in which something of a game's folder is kept: the order as it was before (`order-before`), what its user accepts (`accepted`). */
export const keptIn = (places: LayoutPlaces, what: "order-before" | "accepted"): string =>
  join(stateOf(places, realpathSync(places.game)), `${what}.json`);

/** Throws away what the store holds and no game's folder does, unless it is only `looking`; answers how much that is. */
export function cleanStore(own: string, looking: boolean): Outcome<ReturnType<FileStore["sweep"]>> {
  const user = userOfStore(own);
  if (user !== null) return refuse("store-in-use", { process: user });
  const states = existsSync(join(own, "laid-out")) ? readdirSync(join(own, "laid-out")) : [];
  const entries = states.flatMap((state) => ledgerIn(join(own, "laid-out", state))?.entries ?? []);
  const used = new Set(entries.map(({ hash }) => hash));
  return done(new FileStore(join(own, "store")).sweep(used, looking));
}

/** What of Seating's lies below a folder of the game's: of each path below it where the game's own file waits, or null where there is none. */
export function readLaid(places: LayoutPlaces): (folder: string) => Map<string, string | null> {
  if (!existsSync(places.game)) return () => new Map();
  const state = stateOf(places, realpathSync(places.game));
  const entries = ledgerIn(state)?.entries ?? [];
  return (folder) => {
    const above = folder === "" ? "" : `${folder}/`;
    const below = entries.filter(({ path }) => path.startsWith(above));
    const waiting = (aside: number | null) => (aside === null ? null : asideIn(state, aside));
    return new Map(below.map(({ path, aside }) => [path.slice(above.length), waiting(aside)]));
  };
}

/** What lies in a game's folder, in short; null where nothing of Seating's does, or where it is neither the one nor the other. */
export const laidIn = (places: LayoutPlaces): LaidSummary | null =>
  existsSync(places.game) ? laidOutIn(places).summary() : null;

/** The mods of a profile that load and are here, in order; `filesOf` gives what lies in contents. */
export const modsToLay = (roster: Roster, filesOf: (content: string) => readonly ContentFile[]): LaidMod[] =>
  laidMods(roster, filesOf, (path) => withoutEnding(basename(path)));

interface LayoutWishes {
  /** Also what somebody has changed since is put again. */
  readonly putAgain?: boolean;
  /** What the mods are known by, and the plugins that are to have the dates of their order. */
  readonly as?: LaidAs | null;
}

/** What it takes that a game's folder holds just what some mods come to. */
export function planLayout(
  game: GameDefinition,
  mods: readonly LaidMod[],
  places: LayoutPlaces,
  { putAgain = false, as = null }: LayoutWishes = {},
): Outcome<Layout> {
  const laying = layingOf(game);
  if (!laying) return refuse("layout-by-list", { game: game.name });
  if (!existsSync(join(places.game, game.sign)))
    return refuse("layout-no-game", { path: places.game, sign: game.sign });
  const opened = openLaidOut(places);
  if (!opened.ok) return opened;
  const { laidOut, looking } = opened.value;
  const before = laidOut.ledger();
  const same = isLaidAs(laidOut, as) ? layoutPlan(before.entries, before, looking.look, { putAgain }) : null;
  if (same?.acts.length === 0) return done({ plan: same, wanted: before.entries, toUnpack: new Map() });
  const dates = as?.dates ?? [];
  const dated = datesOfOrder(game, dates, dates.length > 0 ? lastOfGame(game, places.game) : 0);
  const { files, flaws } = wantedFiles(game, laying, mods, dated);
  if (flaws.length > 0) return refuse("layout-flaws", { items: flaws.map(flawText).join(", ") });
  const wanted = spelled(game, files, othersNames(before, looking));
  const unfit = systemFlaws(systemOf(process.platform), realpathSync(places.game), wanted);
  if (unfit.length > 0) return refuse("layout-system", { items: unfit.map(unfitText).join(", ") });
  return planned(places, wanted, layoutPlan(wanted, before, looking.look, { putAgain }));
}

/** Whether just these mods lie there, so that their files are those of the ledger; dates follow from what the game has by now, too. */
function isLaidAs(laidOut: LaidOut, as: LaidAs | null): boolean {
  const laid = laidOut.summary();
  return as !== null && as.dates === undefined && laid !== null && layoutGap(as, laid.as) === null;
}

/** When the last of the game's own plugins was changed, in milliseconds. */
function lastOfGame({ baseFolder, builtIn, expansions }: GameDefinition, folder: string): number {
  const own = [
    ...builtIn.map((name) => join(baseFolder, name)),
    ...expansions.flatMap((each) => each.plugins.map((name) => join(each.folder, name))),
  ];
  return Math.max(0, ...own.map((path) => lyingAt(join(folder, path))?.changed ?? 0));
}

/** What it takes that nothing of Seating's is left in a game's folder; `now`: it is done, too. */
export function planTakingBack(places: LayoutPlaces, now: boolean): Outcome<Layout> {
  const opened = openLaidOut(places);
  if (!opened.ok) return opened;
  const { laidOut, looking } = opened.value;
  const plan = layoutPlan([], laidOut.ledger(), looking.look, { takesBack: true });
  const layout = planned(places, [], plan);
  const taken = layout.ok && now ? perform(laidOut, layout.value.plan) : done(null);
  return taken.ok ? layout : taken;
}

function planned(places: LayoutPlaces, wanted: readonly WantedFile[], plan: LayoutPlan): Outcome<Layout> {
  const running = plan.acts.length > 0 ? runningBelow(realpathSync(places.game)) : null;
  if (running !== null) return refuse("layout-running", { program: running });
  if (plan.inTheWay.length > 0)
    return refuse("layout-in-the-way", { items: plan.inTheWay.map(wayText).join(", ") });
  const layout = { plan, wanted, toUnpack: missingIn(storeOf(places), plan.acts, wanted) };
  const closed = closedIn(places, plan.acts);
  if (closed !== null) return refuse("layout-no-rights", { path: closed });
  const lack = lackOfSpace(places, layout);
  return lack ? refuse("layout-no-space", lack) : done(layout);
}

const flawText = (flaw: WantedFlaw): string =>
  flaw.kind === "not-read"
    ? `${flaw.path} (${flaw.mod})`
    : `${flaw.file.path} (${flaw.file.mod}), ${flaw.below.path} (${flaw.below.mod})`;
const unfitText = (flaw: SystemFlaw): string =>
  flaw.kind === "name"
    ? `${flaw.file.path} (${flaw.file.mod})`
    : `${flaw.other.path} (${flaw.other.mod}), ${flaw.file.path} (${flaw.file.mod})`;
const wayText = ({ path, mod }: InTheWay): string => `${path} (${mod})`;

/** The first folder in which something would be done that nothing may be done in; null where there is none. */
function closedIn({ game }: LayoutPlaces, acts: readonly LayoutAct[]): string | null {
  for (const folder of new Set(acts.map(({ path }) => folderOf(path)))) {
    const at = join(game, folder);
    try {
      if (lyingAt(at)?.kind === "folder") accessSync(at, constants.W_OK | constants.X_OK);
    } catch {
      return at;
    }
  }
  return null;
}

/** Where less is free than comes: what is unpacked into the store, and what is put in the game's folder as a copy. */
function lackOfSpace(
  places: LayoutPlaces,
  { plan: { acts }, toUnpack }: Pick<Layout, "plan" | "toUnpack">,
): { readonly path: string; readonly bytes: number } | null {
  mkdirSync(places.own, { recursive: true });
  const isOneSystem = statSync(places.own).dev === statSync(places.game).dev;
  const unpacked = sumOf([...toUnpack.values()].flat());
  const copied = sumOf(acts.filter((act) => act.does === "put" && (act.isOwnCopy || !isOneSystem)));
  const needed = isOneSystem
    ? [{ path: places.game, bytes: unpacked + copied }]
    : [
        { path: places.own, bytes: unpacked },
        { path: places.game, bytes: copied },
      ];
  return needed.find(({ path, bytes }) => bytes > 0 && bytes > freeAt(path)) ?? null;
}

const sumOf = (files: readonly (LayoutAct | PlacedFile)[]): number =>
  files.reduce((sum, file) => sum + ("size" in file ? file.size : 0), 0);

function freeAt(path: string): number {
  const { bavail, bsize } = statfsSync(path);
  return bavail * bsize;
}

/** What is called by others in a folder: what Seating made there is called as it would be now, over what waits aside as that was. */
function othersNames(ledger: Ledger, looking: Looking): (folder: string) => readonly string[] {
  const own = new Set([...ledger.folders, ...ledger.entries.map(({ path }) => path)]);
  const waiting = new Map<string, string[]>();
  for (const { path, aside } of ledger.entries) {
    if (aside === null) continue;
    const folder = folderOf(path);
    waiting.set(folder, [...(waiting.get(folder) ?? []), path.slice(path.lastIndexOf("/") + 1)]);
  }
  return (folder) => [
    ...looking.namesIn(folder).filter((name) => !own.has(folder === "" ? name : `${folder}/${name}`)),
    ...(waiting.get(folder) ?? []),
  ];
}

interface Doing {
  readonly onProgress?: (progress: LayoutProgress) => void;
  /** Whether it was cancelled: what was begun is put back then. */
  readonly isStopped?: () => boolean;
  /** What is laid out, to be known by. */
  readonly as?: LaidAs;
}

/** Unpacks what is not in the store yet, and does all of it; `pathOf` says where the mod of some contents lies. */
export const performLayout = (
  game: GameDefinition,
  places: LayoutPlaces,
  layout: Layout,
  pathOf: (content: string) => string,
  doing: Doing = {},
): Promise<Outcome<null>> =>
  whileInUse(places.own, () => unpackAndPerform(game, places, layout, pathOf, doing));

async function unpackAndPerform(
  game: GameDefinition,
  places: LayoutPlaces,
  { plan, wanted, toUnpack }: Layout,
  pathOf: (content: string) => string,
  doing: Doing,
): Promise<Outcome<null>> {
  const unpacked = await unpackAll(game, storeOf(places), toUnpack, pathOf, doing);
  if (!unpacked.ok) return unpacked;
  const laidOut = laidOutIn(places);
  const performed = perform(laidOut, plan, doing);
  if (performed.ok && doing.as)
    laidOut.sayWhatLies({
      format: "seating-laid/1",
      as: doing.as,
      files: wanted.length,
      bytes: sumOf(wanted),
      at: new Date().toISOString(),
    });
  return performed;
}

/** How far it came where the system would not go on is seen by whatever is done next. */
export function perform(
  laidOut: LaidOut,
  plan: Pick<LayoutPlan, "before" | "acts" | "after">,
  { onProgress, isStopped = () => false }: Doing = {},
): Outcome<null> {
  try {
    const isDone = laidOut.perform(plan, (at) => {
      onProgress?.({ phase: "place", done: at, total: plan.acts.length });
      return !isStopped();
    });
    return isDone ? done(null) : refuse("layout-cancelled");
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

async function unpackAll(
  game: GameDefinition,
  store: FileStore,
  toUnpack: Layout["toUnpack"],
  pathOf: (content: string) => string,
  { onProgress, isStopped }: Doing,
): Promise<Outcome<null>> {
  const total = [...toUnpack.values()].reduce((sum, files) => sum + files.length, 0);
  let count = 0;
  const onFile = () => {
    onProgress?.({ phase: "unpack", done: ++count, total });
    return isStopped?.() !== true;
  };
  for (const [content, files] of toUnpack) {
    const unpacked = await unpack(game, store, pathOf(content), files, onFile);
    if (!unpacked.ok) return unpacked;
  }
  return done(null);
}

async function unpack(
  game: GameDefinition,
  store: FileStore,
  path: string,
  wanted: readonly WantedFile[],
  onFile: () => boolean,
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
      if (!onFile()) return refuse("layout-cancelled");
    }
  } finally {
    await close();
  }
  return done(null);
}
