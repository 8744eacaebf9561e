"use server";

import { z } from "zod";
import type { OnDisk } from "@/core/check/check";
import type { Outcome } from "@/core/model/outcome";
import * as rulebooks from "../operations/rulebooks";
import { guard } from "../action";
import { getContext } from "../context";
import * as games from "../operations/games";
import { acceptImport, type Imported } from "../operations/lineups";
import * as orderFile from "../operations/order-file";
import * as shelf from "../operations/read-shelf";

const path = z.string().min(1).max(4000);
const NewGame = z.strictObject({ id: z.string(), gameFolder: path, shelfFolder: path });

export const addGame = async (wanted: games.NewGame): Promise<Outcome<null>> =>
  guard(async () => games.addGame(await getContext(), NewGame.parse(wanted)));

/** The files of a mod of the present game, by its path on the shelf. */
export const filesOfMod = async (modPath: string): Promise<Outcome<string[]>> =>
  guard(async () => shelf.filesOfMod(await getContext(), path.parse(modPath)));

export const switchGame = async (id: string): Promise<Outcome<null>> =>
  guard(async () => games.switchGame(await getContext(), z.string().parse(id)));

export const writeOrder = async (profileId: string): Promise<Outcome<OnDisk>> =>
  guard(async () => orderFile.writeOrder(await getContext(), z.string().parse(profileId)));

export const readOrderOnDisk = async (): Promise<Outcome<OnDisk>> =>
  guard(async () => orderFile.readOrderOnDisk(await getContext()));

export const storeRulebook = async (text: string, name: string): Promise<Outcome<null>> =>
  guard(async () =>
    rulebooks.storeRulebook(
      await getContext(),
      z.string().max(20_000_000).parse(text),
      z.string().max(300).parse(name),
    ),
  );

export const importLineup = async (importId: string, name: string): Promise<Outcome<Imported>> =>
  guard(async () => acceptImport(await getContext(), z.string().parse(importId), z.string().parse(name)));
