import { say } from "@/core/language/say";
import "server-only";
import { randomUUID } from "node:crypto";
import { runChecks } from "@/core/check/run-checks";
import { z } from "zod";
import { changesBetween } from "@/core/lineup/changelog";
import { claimOfKept, claimOfLineup } from "@/core/lineup/claim";
import { holdSameWhole, nextVersion } from "@/core/lineup/same-list";
import { makeLineup } from "@/core/lineup/make-lineup";
import { stateOfList } from "@/core/lineup/state-of-list";
import { takeListIn } from "@/core/lineup/take-in";
import type { TakeInWay } from "@/core/state/facet";
import { sayFinding } from "@/core/messages/findings";
import { plainText } from "@/core/messages/parts";
import { Claim } from "@/core/model/claim";
import type { GameDefinition } from "@/core/model/game";
import type { ProfileId } from "@/core/model/ids";
import { blankSheet, type Lineup, type LineupSheet } from "@/core/model/lineup";
import { done, refuse, type Outcome } from "@/core/model/outcome";
import { label } from "@/core/edit/steps";
import { seatAndTitle, type Roster } from "@/core/roster/roster";
import { allTies } from "@/core/roster/ties";
import { lineupFormats } from "@/formats/lineup/all";
import { fileNameOf, type LineupFormat } from "@/formats/lineup/format";
import { lineupFrom } from "@/formats/lineup/json";
import { decodeText, parseJson } from "@/formats/text";
import { lineupPage } from "@/formats/lineup/page";
import { prose } from "@/formats/lineup/prose";
import { addImport, dropLookedAt, findImport, markImported } from "@/store/lineup-imports";
import * as store from "@/store/lineups";
import type { Sql } from "@/store/sql";
import type { Context } from "../context";
import { getStock } from "../stock";
import { storeEdit } from "./edit-profile";
import { keepAsFollowed } from "./followed";
import { addProfile, told } from "./profiles";
import { currentGame, readSituation } from "./situation";

export const readSheet = async ({ db }: Context, profileId: ProfileId): Promise<Outcome<LineupSheet>> =>
  done((await store.findSheet(db, profileId)) ?? blankSheet);

export async function saveSheet(
  { db }: Context,
  profileId: ProfileId,
  sheet: LineupSheet,
): Promise<Outcome<null>> {
  await store.saveSheet(db, profileId, sheet);
  return done(null);
}

/** The profile as the lineup that it goes out as, with what its curator says of it and what is still open. */
export async function exportLineup(context: Context, profileId: ProfileId): Promise<Outcome<Lineup>> {
  const situation = await readSituation(context, profileId);
  if (!situation.ok) return situation;
  return done(await lineupOf(context.db, situation.value.roster));
}

async function lineupOf(db: Sql, roster: Roster): Promise<Lineup> {
  const { profile } = roster;
  const sheet = (await store.findSheet(db, profile.id)) ?? blankSheet;
  const versions = await store.listVersions(db, profile.id);
  const changelog = versions.map(({ version, at, lineup }, place) => ({
    version,
    date: at.toISOString(),
    text: textOfChanges(roster.game, versions[place + 1]?.lineup, lineup),
  }));
  return makeLineup(roster, {
    ...sheet,
    title: profile.name,
    date: new Date().toISOString(),
    list: profile.id,
    open: openFindings(roster),
    ...(changelog.length > 0 ? { changelog } : {}),
  });
}

const textOfChanges = (game: GameDefinition, before: Lineup | undefined, after: Lineup): string =>
  before
    ? changesBetween(game, before, after).join("\n") || say("server.nothingChanged")
    : say("server.theFirstVersion");

export async function lineupFile(
  context: Context,
  profileId: ProfileId,
  format: LineupFormat,
): Promise<Outcome<{ fileName: string; text: string }>> {
  const situation = await readSituation(context, profileId);
  if (!situation.ok) return situation;
  const { roster } = situation.value;
  const lineup = await lineupOf(context.db, roster);
  return done({
    fileName: fileNameOf(lineup.title, format, roster.game),
    text: await context.writeList({ format: format.id, lineup, game: roster.game }),
  });
}

/** The lineup's page, with links to it in every format. */
export async function servedPage(context: Context, profileId: ProfileId): Promise<Outcome<string>> {
  const situation = await readSituation(context, profileId);
  if (!situation.ok) return situation;
  const { roster } = situation.value;
  const links = lineupFormats.map(({ id, label: words }) => ({
    label: words,
    href: `/api/lineups?profile=${encodeURIComponent(profileId)}&format=${id}`,
  }));
  return done(lineupPage(await lineupOf(context.db, roster), roster.game, links));
}

/** What would trouble whoever takes the list, in words. */
function openFindings(roster: Roster): string[] {
  const found = runChecks({ roster, ties: allTies(roster), onDisk: { order: null, holds: null } });
  return found
    .filter(({ level, check }) => level !== "hint" && check !== "order-file-differs")
    .map((finding) => plainText(sayFinding(finding), (id) => seatAndTitle(roster, id)).slice(0, 2000));
}

/**
 * Notes the present state as a version of the list, under the sheet's number. Under a number that went out with other
 * contents only where that is wanted `anew`: who has the one could not tell it from the other.
 */
export async function publishVersion(
  context: Context,
  profileId: ProfileId,
  anew = false,
): Promise<Outcome<null>> {
  const lineup = await exportLineup(context, profileId);
  if (!lineup.ok) return lineup;
  const { listVersion } = lineup.value;
  if (listVersion.trim() === "") return refuse("list-version");
  const { changelog: _changes, pictures: _pictures, ...kept } = lineup.value;
  return context.db.transaction(async (tx): Promise<Outcome<null>> => {
    const versions = await store.listVersions(tx, profileId);
    const before = versions.find(({ version }) => version === listVersion);
    if (before && !anew && !holdSameWhole(before.lineup, kept))
      return refuse("list-version-taken", { version: listVersion, next: freeVersion(listVersion, versions) });
    await store.saveVersion(tx, profileId, listVersion, kept);
    return done(null);
  });
}

function freeVersion(version: string, taken: readonly store.LineupVersion[]): string {
  const next = nextVersion(version);
  return taken.some((each) => each.version === next) ? freeVersion(next, taken) : next;
}

export interface VersionListed {
  readonly version: string;
  /** ISO 8601. */
  readonly at: string;
  /** Null of a version without one. */
  readonly fingerprint: string | null;
  readonly changes: string;
}

export async function listVersions(
  context: Context,
  profileId: ProfileId,
): Promise<Outcome<VersionListed[]>> {
  const game = await currentGame(context);
  if (!game.ok) return game;
  const versions = await store.listVersions(context.db, profileId);
  return done(
    versions.map(({ version, at, lineup }, place) => ({
      version,
      at: at.toISOString(),
      fingerprint: lineup.fingerprint ?? null,
      changes: textOfChanges(game.value.definition, versions[place + 1]?.lineup, lineup),
    })),
  );
}

/** A list as its reader sends it: as a lineup, with what it says of itself; a lineup alone says all of that. */
function receivedFrom(bytes: Uint8Array, name: string, game: GameDefinition) {
  const decoded = decodeText(bytes, name);
  if (!decoded.ok) return decoded;
  const json = parseJson(decoded.value.text, name);
  if (!json.ok) return json;
  const sent = z.strictObject({ lineup: z.unknown(), claim: Claim }).safeParse(json.value);
  const lineup = lineupFrom(sent.success ? sent.data.lineup : json.value, name, game);
  if (!lineup.ok) return lineup;
  const claim = sent.success ? sent.data.claim : claimOfLineup(lineup.value, "JSON");
  return done({ lineup: lineup.value, claim });
}

/** Keeps a list that somebody looks at, to be accepted; nothing else is changed. */
export async function keepImport(
  context: Context,
  bytes: Uint8Array,
  fileName: string,
): Promise<Outcome<{ importId: string }>> {
  const game = await currentGame(context);
  if (!game.ok) return game;
  const received = receivedFrom(bytes, fileName, game.value.definition);
  if (!received.ok) return received;
  const importId = randomUUID();
  await context.db.transaction(async (tx) => {
    await dropLookedAt(tx, game.value.id);
    await addImport(tx, importId, game.value.id, fileName, received.value);
  });
  return done({ importId });
}

/** Into what a lineup comes, and of which mods the version that is here is kept. */
export interface Acceptance {
  readonly target: { readonly way: "new"; readonly name: string } | TargetPresent;
  readonly keepMine: readonly string[];
}
interface TargetPresent {
  readonly way: TakeInWay;
  readonly profile: ProfileId;
  readonly version: number;
}

/**
 * Makes a profile of a lineup and switches to it, or takes it into the one that is worked on by one edit, with a restore
 * point. The profile follows the lineup from then on, but where only its order was taken.
 */
export async function acceptImport(
  context: Context,
  importId: string,
  { target, keepMine }: Acceptance,
): Promise<Outcome<{ profileId: ProfileId }>> {
  const found = await findImport(context.db, importId);
  const game = await currentGame(context);
  if (!game.ok) return game;
  if (!found || found.gameId !== game.value.id) return refuse("import-gone");
  const { lineup, claim } = found;
  const stock = await getStock(context, game.value);
  const kept = new Set(keepMine);
  const list = { lineup, claim: claim ?? claimOfKept(lineup) };
  if (target.way !== "new") return takeIn(context, importId, { ...list, keepMine: kept }, target);
  const state = stateOfList(game.value.definition, list, stock, kept);
  const made = await told(context, async (tx) => {
    const added = await addProfile(tx, game.value.id, { name: target.name, purpose: "play" }, state);
    if (!added.ok) return added;
    const kept = await keepAsFollowed(tx, added.value.id, importId);
    if (kept.ok) await store.setFollowed(tx, added.value.id, kept.value);
    return kept.ok ? added : kept;
  });
  return made.ok ? done({ profileId: made.value.id }) : made;
}

async function takeIn(
  context: Context,
  importId: string,
  list: Parameters<typeof takeListIn>[1],
  { profile: profileId, version, way }: TargetPresent,
): Promise<Outcome<{ profileId: ProfileId }>> {
  const situation = await readSituation(context, profileId);
  if (!situation.ok) return situation;
  const { title } = list.lineup;
  const edit = {
    label: label("take-in", { name: title, way }),
    steps: [{ kind: "replace" as const, state: takeListIn(situation.value.roster, list, way) }],
    restorePoint: say("server.beforeCameIn", { title }).slice(0, 80),
    ...(way !== "order" && { follow: importId }),
  };
  const stored = await storeEdit(context, profileId, version, edit, {
    // One that is followed is marked by that.
    also: (tx) => (way === "order" ? markImported(tx, importId, profileId) : Promise.resolve()),
  });
  return stored.ok ? done({ profileId }) : stored;
}

export async function readCuratorsWords({ db }: Context, profileId: ProfileId): Promise<Outcome<string>> {
  const followed = await store.findFollowed(db, profileId);
  return done(followed ? prose(followed.lineup).source : "");
}

const largestPage = 32 * 2 ** 20;

/** The page behind a link to a lineup of this machine, whichever Seating serves it. */
export async function fetchPage(link: string): Promise<Outcome<string>> {
  const url = URL.canParse(link) ? new URL(link) : null;
  const isHere = url?.protocol === "http:" && ["127.0.0.1", "localhost", "[::1]"].includes(url.hostname);
  if (!url || !isHere || !/^\/lineup\/[^/]+$/.test(url.pathname))
    return refuse("link-elsewhere", { link: link.slice(0, 200) });
  try {
    const response = await fetch(url, { redirect: "error", signal: AbortSignal.timeout(20_000) });
    if (!response.ok) return refuse("link-nothing", { link: link.slice(0, 200) });
    const bytes = await response.arrayBuffer();
    if (bytes.byteLength > largestPage)
      return refuse("too-large", { name: link.slice(0, 200), limit: "32 MB" });
    return done(new TextDecoder().decode(bytes));
  } catch {
    return refuse("link-nothing", { link: link.slice(0, 200) });
  }
}
