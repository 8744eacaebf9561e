import "server-only";
import { z } from "zod";
import { done, type Outcome } from "@/core/model/outcome";
import { guard } from "../action";
import { keptFolder } from "../context";
import { DataSource, forgetData, pathOfData } from "../data-files";
import * as ownData from "../operations/own-data";
import { importData, listKept, lookAtData, type DataSummary, type DataTaken } from "../operations/own-data";
import { windowContext } from "../window";

export const listKeptData = async (): Promise<Outcome<string[]>> => guard(() => listKept(keptFolder()));

/** What is in an archive of what was there before. */
export const lookAtKept = async (name: string): Promise<Outcome<DataSummary>> =>
  guard(async () => lookAtData(await windowContext(), pathOfData(DataSource.parse({ kept: name }))));

export const replaceData = async (source: DataSource): Promise<Outcome<DataTaken>> =>
  guard(async () => {
    const path = pathOfData(DataSource.parse(source));
    const taken = await importData(await windowContext(), path, keptFolder(), new Date());
    if (taken.ok && "incoming" in source) await forgetData(source);
    return taken;
  });

export const removeGame = async (id: string): Promise<Outcome<DataTaken>> =>
  guard(async () =>
    ownData.removeGame(await windowContext(), z.string().parse(id), keptFolder(), new Date()),
  );

/** An archive that has come in is not to be used. */
export const leaveData = async (incoming: string): Promise<Outcome<null>> =>
  guard(async () => {
    await forgetData({ incoming: z.uuid().parse(incoming) });
    return done(null);
  });
