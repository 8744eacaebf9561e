import "server-only";
import { z } from "zod";
import { ProfileId } from "@/core/model/ids";
import type { Outcome } from "@/core/model/outcome";
import { guard } from "../action";
import { incomingFolder } from "../context";
import * as blend from "../operations/blend";
import type { Stored } from "../operations/edit-profile";
import { windowContext } from "../window";

/** Makes the blend of a profile, or makes it anew. */
export const buildBlend = async (profileId: ProfileId, version: number): Promise<Outcome<Stored>> =>
  guard(async () =>
    blend.buildBlend(
      await windowContext(),
      incomingFolder(),
      ProfileId.parse(profileId),
      z.number().int().parse(version),
    ),
  );
