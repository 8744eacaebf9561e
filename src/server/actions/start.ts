import "server-only";
import { z } from "zod";
import type { KeptFileStanding } from "@/core/model/kept-file";
import type { Outcome } from "@/core/model/outcome";
import { OwnWay, type OfferedWays } from "@/core/model/start";
import type { StartNotes } from "@/core/start/start-notes";
import type { Trial, Verdict } from "@/core/model/trial";
import { guard } from "../action";
import * as keptFiles from "../operations/kept-files";
import * as notes from "../operations/start-notes";
import * as start from "../operations/start";
import * as ways from "../operations/start-ways";
import { windowContext } from "../window";

const Id = z.string().max(100);

/** The ways to start the present game, and which one the present profile was started by last. */
export const readWays = async (): Promise<Outcome<OfferedWays>> =>
  guard(async () => ways.readWays(await windowContext()));

/** `digest`: of the way as it was read. */
export const confirmWay = async (digest: string): Promise<Outcome<null>> =>
  guard(async () => ways.confirmWay(await windowContext(), Id.parse(digest)));

/** What is to be known at the start of the present profile. */
export const readStartNotes = async (): Promise<Outcome<StartNotes>> =>
  guard(async () => notes.readStartNotes(await windowContext()));

/** `key`: of a condition as it is worded. */
export const tickCondition = async (key: string, isMet: boolean): Promise<Outcome<StartNotes>> =>
  guard(async () =>
    notes.tickCondition(await windowContext(), z.string().max(5000).parse(key), z.boolean().parse(isMet)),
  );

/** How files that the game itself changes stand to the present profile. */
export const readKeptFiles = async (): Promise<Outcome<KeptFileStanding[]>> =>
  guard(async () => keptFiles.readKeptFiles(await windowContext()));

export const keepOwnFile = async (file: string, keeps: boolean): Promise<Outcome<KeptFileStanding[]>> =>
  guard(async () => keptFiles.keepOwnFile(await windowContext(), Id.parse(file), z.boolean().parse(keeps)));

export const saveOwnWay = async (way: OwnWay): Promise<Outcome<null>> =>
  guard(async () => ways.saveOwnWay(await windowContext(), OwnWay.parse(way)));

export const removeOwnWay = async (id: string): Promise<Outcome<null>> =>
  guard(async () => ways.removeOwnWay(await windowContext(), Id.parse(id)));

/** The start that goes on for the present game; null where none does. */
export const readLiveTrial = async (): Promise<Outcome<Trial | null>> =>
  guard(async () => start.readLiveTrial(await windowContext()));

export const judgeTrial = async (
  id: string,
  verdict: Verdict | null,
  note: string,
): Promise<Outcome<Trial>> =>
  guard(async () =>
    start.judgeTrial(
      await windowContext(),
      Id.parse(id),
      z.enum(["well", "faulty", "unsure"]).nullable().parse(verdict),
      z.string().max(2000).parse(note),
    ),
  );
