import "server-only";
import { randomUUID } from "node:crypto";
import { compareFacts, type Difference } from "@/core/lineup/compare";
import { factsOfLineup, factsOfRoster, fingerprintOf } from "@/core/lineup/fingerprint";
import { makeLineup, type LineupFacts } from "@/core/lineup/make-lineup";
import { matchLineup, stateFromLineup, type LineupMatch } from "@/core/lineup/match";
import type { Lineup } from "@/core/model/lineup";
import { done, refuse, type Outcome } from "@/core/model/outcome";
import { makeRoster } from "@/core/profile/roster";
import { readLineup } from "@/formats/lineup/json";
import { addImport, dropLookedAt, findImport, markImported } from "@/store/lineup-imports";
import type { Context } from "../context";
import { getStock } from "../stock";
import { addProfile } from "./profiles";
import { currentGame, readSituation } from "./situation";

export async function exportLineup(
  context: Context,
  profileId: string,
  facts: Omit<LineupFacts, "title">,
): Promise<Outcome<Lineup>> {
  const situation = await readSituation(context, context.db, profileId);
  if (!situation.ok) return situation;
  const { roster, profile } = situation.value;
  return done(makeLineup(roster, { title: profile.name, ...facts }));
}

/** What a lineup would bring, before anything is done. */
export interface ImportPlan {
  readonly importId: string;
  readonly fileName: string;
  readonly title: string;
  readonly date: string;
  readonly fingerprint: string;
  /** False where the file was changed after its fingerprint had been computed. */
  readonly intact: boolean;
  readonly plugins: number;
  readonly mods: readonly {
    readonly id: string;
    readonly name: string;
    readonly wanted: string;
    readonly here: string | null;
    readonly on: boolean;
    readonly source: string;
    readonly status: LineupMatch["mods"][number]["status"];
  }[];
  readonly expansionsMissing: readonly string[];
  readonly baseDifferent: readonly string[];
  readonly gameVersion: string | null;
}

/** Reads a lineup file and lists what is here, missing and different. Only the file itself is kept, to be accepted. */
export async function planImport(
  context: Context,
  bytes: Uint8Array,
  fileName: string,
): Promise<Outcome<ImportPlan>> {
  const game = await currentGame(context);
  if (!game.ok) return game;
  const read = readLineup(bytes, fileName, game.value.definition);
  if (!read.ok) return read;
  const lineup = read.value;
  const match = matchLineup(game.value.definition, lineup, await getStock(context, game.value));
  const importId = randomUUID();
  await context.db.transaction(async (tx) => {
    await dropLookedAt(tx, game.value.id);
    await addImport(tx, importId, game.value.id, fileName, lineup);
  });
  return done({
    importId,
    fileName,
    title: lineup.title,
    date: lineup.date,
    fingerprint: lineup.fingerprint,
    intact: fingerprintOf(factsOfLineup(lineup)) === lineup.fingerprint,
    plugins: lineup.plugins.length,
    mods: match.mods.map(({ wanted, here, status }) => ({
      id: wanted.id,
      name: wanted.name,
      wanted: wanted.version,
      here: here?.version ?? null,
      on: wanted.on,
      source: wanted.source,
      status,
    })),
    expansionsMissing: match.expansionsMissing,
    baseDifferent: match.baseDifferent,
    gameVersion: match.gameVersionDiffers ? lineup.game.version : null,
  });
}

export interface Imported {
  readonly profileId: string;
  readonly wanted: string;
  readonly here: string;
  /** Empty exactly where the fingerprints are equal. */
  readonly differences: readonly Difference[];
}

/** Makes a new profile of a lineup that was looked at, switches to it, and compares it with what the lineup says. */
export async function acceptImport(
  context: Context,
  importId: string,
  name: string,
): Promise<Outcome<Imported>> {
  const found = await findImport(context.db, importId);
  const game = await currentGame(context);
  if (!game.ok) return game;
  if (!found || found.gameId !== game.value.id) return refuse("import-gone");
  const { definition } = game.value;
  const stock = await getStock(context, game.value);
  const state = stateFromLineup(definition, found.lineup, stock);
  const made = await context.db.transaction(async (tx) => {
    const added = await addProfile(tx, game.value.id, { name, purpose: "play" }, state);
    if (added.ok) await markImported(tx, importId, added.value.id);
    return added;
  });
  if (!made.ok) return made;
  const here = factsOfRoster(makeRoster(definition, made.value, stock));
  return done({
    profileId: made.value.id,
    wanted: found.lineup.fingerprint,
    here: fingerprintOf(here),
    differences: compareFacts(factsOfLineup(found.lineup), here),
  });
}
