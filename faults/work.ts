import { zipSync, strToU8 } from "fflate";
import { applySteps } from "@/core/edit/steps";
import { writeNote } from "@/core/edit/notes";
import type { Outcome } from "@/core/model/outcome";
import type { Random } from "@/core/random";
import type { DataArrived } from "@/server/data-files";
import type { ShownView } from "@/ui/workspace/read-workspace";
import type { Client } from "./client";
import type { Promises } from "./promises";

/** One thing that a window does, again and again, until no answer comes any more. */
export type Work = (at: WorkAt) => Promise<void>;

export interface WorkAt {
  readonly client: Client;
  readonly random: Random;
  readonly view: ShownView;
  readonly promises: Promises;
  readonly round: number;
}

const pick = <T>(random: Random, from: readonly T[]): T => from[random.below(from.length)]!;

/** Writes notes on mods of the profile, and undoes and does them again. */
const edit: Work = async ({ client, random, view, promises }) => {
  const { id } = view.profile;
  const now = await client.read("readProfile", id);
  if (!now.ok) throw new Error(now.refusal.code);
  const { version, state } = now.value.profile;
  if (random.below(4) === 0) {
    const way = random.below(3) === 0 ? "redo" : "undo";
    promises.begin(null);
    const returned = await client.act("undoOrRedo", id, version, way, false);
    if (!returned.ok) return promises.end(null);
    const applied = applySteps(state, returned.value.steps!);
    if (!applied.ok) throw new Error(applied.refusal.code);
    return promises.end({
      ...now.value.profile,
      version: returned.value.version,
      state: applied.value.state,
    });
  }
  const { id: item } = pick(random, state.mods.entries);
  const text = promises.nextText();
  promises.begin({ item, text });
  const note = writeNote({ list: "mods", item, text, author: "", at: "2026-11-02T00:00:00Z" });
  const stored = await client.act("editProfile", id, version, note, crypto.randomUUID());
  promises.end(stored.ok ? { version: stored.value.version, note: { item, text } } : null);
};

const scan: Work = ({ client }) => client.scan();

/** Writes the order for the game, or switches a mod by the way so that there is something new to write. */
const write: Work = ({ client, view }) => client.writeOrder(view.profile.id);

/** Moves mods into the bin, and some out of it. */
const bin: Work = async ({ client, random, view }) => {
  const { bin: binned, stock } = await client.workspace();
  if (binned.length > 3) await client.act("bringBackMods", [pick(random, binned).id]);
  else if (stock.shelf.length > 0) await client.act("dropFromShelf", [pick(random, stock.shelf).path]);
  else await client.read("readProfile", view.profile.id);
};

/** Brings the profile's own list in as a new profile. */
const bringIn: Work = async ({ client, view, promises, round }) => {
  const query = new URLSearchParams({ profile: view.profile.id, format: "lineup" });
  const list = await client.download(`/api/lineups?${query}`);
  const kept = await client.post<{ importId: string }>("/api/lineups", list, "list.lineup.json");
  if (!kept.ok) return;
  const name = `Round ${round}, ${promises.nextText()}`;
  const target = { way: "new" as const, name };
  const made = await client.act("acceptImport", kept.value.importId, { target, keepMine: [] });
  if (made.ok) promises.madeProfile(made.value.profileId);
};

/** Takes in an archive that nobody has. */
const takeIn: Work = async ({ client, promises, round }) => {
  const name = `Faults ${round} ${promises.nextText().replace(/\W+/g, " ")}`;
  const archive = zipSync({ "textures/a.tex": strToU8(name) });
  const come = await client.post<{ id: string }>("/api/mods", archive, `${name}-1.0.zip`);
  if (!come.ok) return;
  const taken = await client.act("takeIn", come.value.id, null);
  if (taken.ok) promises.tookIn(taken.value);
};

/** Gets what the depot has and the shelf has not. */
const get: Work = async ({ client, random, view }) => {
  const catalogue = await client.read("readCatalogue");
  const mods = catalogue.ok ? (catalogue.value?.mods ?? []) : [];
  await client.act("actOnDepot", "sign-in");
  if (mods.length > 0) await client.act("getFromDepot", [pick(random, mods).mod.path]);
  else await client.read("readProfile", view.profile.id);
  await new Promise((done) => setTimeout(done, 200));
};

/** Puts everything in the place of itself. */
const replace: Work = async ({ client }) => {
  const archive = await client.download("/api/data");
  const arrived: Outcome<DataArrived> = await client.post("/api/data", archive, "all.zip");
  if (arrived.ok) await client.act("replaceData", arrived.value.source);
};

/** What goes on at once in a round: everything that does not undo what another one promises. */
export const worksOf = (round: number): readonly Work[] =>
  round % 4 === 3 ? [replace, scan] : [edit, scan, write, bin, bringIn, takeIn, get];
