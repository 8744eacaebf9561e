import "server-only";
import { ProfileId } from "@/core/model/ids";
import { z } from "zod";
import { takeInWays } from "@/core/state/facet";
import { LineupSheet } from "@/core/model/lineup";
import { done, type Outcome } from "@/core/model/outcome";
import { guard } from "../action";
import { incomingFolder } from "../context";
import { windowContext } from "../window";
import { buildListedBlend } from "../operations/blend";
import * as followed from "../operations/followed";
import * as lineups from "../operations/lineups";

const id = z.string().max(100);

export const readSheet = async (profileId: ProfileId): Promise<Outcome<LineupSheet>> =>
  guard(async () => lineups.readSheet(await windowContext(), ProfileId.parse(profileId)));

export const saveSheet = async (profileId: ProfileId, sheet: LineupSheet): Promise<Outcome<null>> =>
  guard(async () =>
    lineups.saveSheet(await windowContext(), ProfileId.parse(profileId), LineupSheet.parse(sheet)),
  );

export const publishVersion = async (profileId: ProfileId, anew: boolean): Promise<Outcome<null>> =>
  guard(async () =>
    lineups.publishVersion(await windowContext(), ProfileId.parse(profileId), z.boolean().parse(anew)),
  );

export const listVersions = async (profileId: ProfileId): Promise<Outcome<lineups.VersionListed[]>> =>
  guard(async () => lineups.listVersions(await windowContext(), ProfileId.parse(profileId)));

const Recognised = z.strictObject({
  list: z.string().max(200).optional(),
  title: z.string().max(400),
  author: z.string().max(400),
  fingerprint: z.string().max(64).nullable(),
});

export const findFollowers = async (
  gameId: string,
  wanted: followed.Recognised,
): Promise<Outcome<followed.Followers>> =>
  guard(async () =>
    done(await followed.findFollowers(await windowContext(), id.parse(gameId), Recognised.parse(wanted))),
  );

const Acceptance = z.strictObject({
  target: z.union([
    z.strictObject({ way: z.literal("new"), name: z.string() }),
    z.strictObject({ way: z.enum(takeInWays), profile: ProfileId, version: z.number().int() }),
  ]),
  keepMine: z.array(z.string().max(500)).max(20_000),
});

export const acceptImport = async (
  importId: string,
  acceptance: lineups.Acceptance,
): Promise<Outcome<{ profileId: ProfileId }>> =>
  guard(async () => {
    const context = await windowContext();
    const asked = Acceptance.parse(acceptance);
    const accepted = await lineups.acceptImport(context, id.parse(importId), asked);
    if (accepted.ok && asked.target.way === "new")
      await buildListedBlend(context, incomingFolder(), accepted.value.profileId);
    return accepted;
  });

/** What the curator of the list that the profile follows says of it, as HTML in which every value is escaped. */
export const readCuratorsWords = async (profileId: ProfileId): Promise<Outcome<string>> =>
  guard(async () => lineups.readCuratorsWords(await windowContext(), ProfileId.parse(profileId)));

export const fetchPage = async (link: string): Promise<Outcome<string>> =>
  guard(async () => lineups.fetchPage(z.string().max(2000).parse(link)));
