import { say } from "@/core/language/say";
import { knownMods } from "@/core/lineup/known";
import { lacksOfClaim } from "@/core/lineup/verdict";
import { lackText } from "@/core/messages/verdict";
import type { FindingsReport } from "@/core/model/findings-report";
import type { GameDefinition } from "@/core/model/game";
import type { ProfileId } from "@/core/model/ids";
import type { Stock } from "@/core/roster/roster";
import { findingLine } from "@/formats/findings/report";
import { readList } from "@/formats/lineup/read";
import { resolveList } from "@/formats/lineup/resolve";
import type { Answer } from "./answer";
import { gravestOf, type FailLevel } from "./usage";
import { unwrap, withSeating, type Seating } from "./running";
import { orThrow, WrongUse } from "./wrong-use";

/** What is asked for of a profile, or of everything that Seating keeps. */
interface KeptOptions {
  readonly game?: string | undefined;
  readonly to?: string | undefined;
  readonly name?: string | undefined;
}

interface FindingsOptions extends KeptOptions {
  readonly failOn: FailLevel;
}

interface Listed {
  readonly id: ProfileId;
  readonly name: string;
  readonly purpose: string;
  readonly mods: number;
  readonly modsOn: number;
  readonly deleted: boolean;
}

interface OfGame extends Listed {
  readonly game: string;
}

interface View {
  readonly game?: GameDefinition;
  readonly games: readonly { readonly id: string; readonly name: string }[];
}

const noQuery = {};

const viewOf = async (seating: Seating, profile?: ProfileId): Promise<View> =>
  (await (await seating.get("/api/workspace", noQuery, profile)).json()) as View;

async function profilesOf(seating: Seating, { game }: KeptOptions): Promise<OfGame[]> {
  const view = await viewOf(seating);
  // Where none is registered, those are the games that ship.
  const games = view.game ? view.games.filter(({ id }) => game === undefined || id === game) : [];
  const lists = await Promise.all(
    games.map(async ({ id }) => {
      const { profiles } = await seating.ask<{ profiles: Listed[] }>("readProfiles", [id]);
      return profiles.filter(({ deleted }) => !deleted).map((each) => ({ ...each, game: id }));
    }),
  );
  return lists.flat();
}

function chosen(all: readonly OfGame[], wanted: string): OfGame {
  const found = all.filter(({ id, name }) => id === wanted || name.toLowerCase() === wanted.toLowerCase());
  if (found.length === 1) return found[0]!;
  const known = (found.length > 1 ? found : all).map(({ name, game }) => `${name} (${game})`).join(", ");
  throw new WrongUse(
    found.length > 1
      ? say("cli.manySuchProfiles", { wanted, known })
      : say("cli.noSuchProfile", { wanted, known: known || say("common.none") }),
  );
}

/** The profile that is named by its name or id. */
export const chosenProfile = async (
  seating: Seating,
  options: KeptOptions,
  wanted: string,
): Promise<Pick<OfGame, "id" | "name">> => chosen(await profilesOf(seating, options), wanted);

/** All profiles of all games, or of one. */
export const profiles = (options: KeptOptions): Promise<Answer> =>
  withSeating(async (seating) => {
    const all = await profilesOf(seating, options);
    return {
      json: all.map(({ id, name, game, purpose, mods, modsOn }) => ({
        id,
        name,
        game,
        purpose,
        mods,
        modsOn,
      })),
      text: all
        .map(({ name, game, mods, modsOn }) => say("cli.profile", { name, game, on: modsOn, mods }))
        .join("\n"),
      findings: false,
    };
  });

/** What the checks see of a profile; findings from the level on that is asked for count. */
export const findings = (wanted: string, { failOn, ...options }: FindingsOptions): Promise<Answer> =>
  withSeating(async (seating) => {
    const { id } = await chosenProfile(seating, options, wanted);
    const report = await seating.ask<FindingsReport>("reportFindings", [id], id);
    const lines = report.findings.map((finding) => findingLine(finding, wanted));
    const grave = gravestOf(failOn);
    return {
      json: report,
      text: lines.join("\n") || say("overview.nothingIsTheMatterEveryNeed"),
      findings: report.findings.some(({ level }) => grave.includes(level)),
    };
  });

/** A profile as a list, in a format. */
export const exportProfile = (wanted: string, { to = "lineup", ...options }: KeptOptions): Promise<Answer> =>
  withSeating(async (seating) => {
    const { id } = await chosenProfile(seating, options, wanted);
    const answer = await seating.get("/api/lineups", { format: to }, id);
    if (!answer.ok) await unwrap(answer);
    const text = await answer.text();
    return { json: text, text, raw: text, findings: false };
  });

/** A list as a new profile of the game that is named, or of the one that was last worked on. */
export const importList = (bytes: Uint8Array, fileName: string, options: KeptOptions): Promise<Answer> =>
  withSeating(async (seating) => {
    const all = await profilesOf(seating, options);
    if (all.length === 0) throw new WrongUse(say("cli.noGameToImportInto"));
    const at = options.game === undefined ? undefined : all[0]!.id;
    const { game } = await viewOf(seating, at);
    const { stock } = (await (await seating.get("/api/stock", noQuery, at)).json()) as { stock: Stock };
    const list = orThrow(readList(bytes, fileName, game!));
    const title = fileName.replace(/\.[^.]{1,8}$/, "") || say("common.list");
    const { lineup, claim } = resolveList(list, game!, knownMods(stock.shelf, []), stock, title);
    const sent = await seating.post("/api/lineups", JSON.stringify({ lineup, claim }), {
      headers: {
        "content-type": "application/json",
        "x-file-name": encodeURIComponent(fileName.slice(0, 150)),
      },
      profile: at,
    });
    const { importId } = await unwrap<{ importId: string }>(sent);
    const name = options.name ?? lineup.title.slice(0, 80);
    const target = { way: "new", name };
    const { profileId } = await seating.act<{ profileId: ProfileId }>(
      "acceptImport",
      [importId, { target, keepMine: [] }],
      at,
    );
    const lacks = lacksOfClaim(claim);
    return {
      json: { profile: profileId, name, game: game!.id, lacks },
      text: [say("cli.imported", { name }), ...lacks.map((lack) => `  ${lackText(lack)}`)].join("\n"),
      findings: lacks.length > 0,
    };
  });

/** Everything that Seating keeps, as the archive that Settings saves. */
export const backup = (): Promise<Uint8Array> =>
  withSeating(
    async (seating) => new Uint8Array(await (await seating.get("/api/data", noQuery)).arrayBuffer()),
  );

/** Puts such an archive in place of everything; what was there is kept, and can be restored under Settings. */
export const restore = (bytes: Uint8Array): Promise<Answer> =>
  withSeating(async (seating) => {
    const sent = await seating.post("/api/data", bytes);
    const { source } = await unwrap<{ source: unknown }>(sent);
    const taken = await seating.act<{ kept: string }>("replaceData", [source]);
    return { json: taken, text: say("cli.restored", { kept: taken.kept }), findings: false };
  });
