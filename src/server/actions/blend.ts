import "server-only";
import { z } from "zod";
import { ProfileId } from "@/core/model/ids";
import type { Outcome } from "@/core/model/outcome";
import type { BlendReport } from "@/core/model/blend-report";
import { guard } from "../action";
import { incomingFolder } from "../context";
import * as blend from "../operations/blend";
import type { Stored } from "../operations/edit-profile";
import { windowContext } from "../window";

const Name = z.string().trim().min(1).max(60).nullable();

/** Makes the blend of a profile, or makes it anew; `name`: what it is called from now on. */
export const buildBlend = async (
  profileId: ProfileId,
  version: number,
  name: string | null,
): Promise<Outcome<Stored>> =>
  guard(async () =>
    blend.buildBlend(
      await windowContext(),
      incomingFolder(),
      ProfileId.parse(profileId),
      z.number().int().parse(version),
      Name.parse(name),
    ),
  );

/** What the last blends of a profile came to, the newest first. */
export const readBlendReports = async (profileId: ProfileId): Promise<Outcome<BlendReport[]>> =>
  guard(async () => blend.readReports(await windowContext(), ProfileId.parse(profileId)));
