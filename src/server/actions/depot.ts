import "server-only";
import { z } from "zod";
import type { DepotCatalogue } from "@/core/model/depot";
import type { Outcome } from "@/core/model/outcome";
import { guard } from "../action";
import { windowContext } from "../window";
import * as depot from "../operations/depot";

export const readCatalogue = async (): Promise<Outcome<DepotCatalogue | null>> =>
  guard(async () => depot.readCatalogue(await windowContext()));

export const readDepot = async (): Promise<Outcome<depot.DepotState>> =>
  guard(async () => depot.readDepot(await windowContext()));

export const getFromDepot = async (files: string[]): Promise<Outcome<depot.DepotState>> =>
  guard(async () =>
    depot.getFromDepot(await windowContext(), z.array(z.string().max(300)).max(20_000).parse(files)),
  );

const Act = z.enum(["sign-in", "sign-out", "go-on", "pause", "retry", "clear"]);

export const actOnDepot = async (act: depot.DepotAct): Promise<Outcome<depot.DepotState>> =>
  guard(async () => depot.actOnDepot(await windowContext(), Act.parse(act)));

export const emptyQueue = async (): Promise<Outcome<depot.DepotState>> =>
  guard(async () => depot.emptyQueue(await windowContext()));
