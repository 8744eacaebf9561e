"use server";

import { z } from "zod";
import type { Changes } from "@/core/profile/changes";
import { Edit } from "@/core/model/edit";
import type { Outcome } from "@/core/model/outcome";
import { ProfilePurpose, type Profile } from "@/core/model/profile";
import { guard } from "../action";
import { getContext } from "../context";
import { readBack, step, storeEdit, type Returned, type Stored } from "../operations/edit-profile";
import * as profiles from "../operations/profiles";

const id = z.string().max(100);
const version = z.number().int();

export const editProfile = async (profileId: string, base: number, edit: Edit): Promise<Outcome<Stored>> =>
  guard(async () =>
    storeEdit(await getContext(), id.parse(profileId), version.parse(base), Edit.parse(edit)),
  );

export const undoOrRedo = async (
  profileId: string,
  base: number,
  way: "undo" | "redo",
): Promise<Outcome<Returned>> =>
  guard(async () =>
    step(await getContext(), id.parse(profileId), version.parse(base), z.enum(["undo", "redo"]).parse(way)),
  );

export const readProfile = async (profileId: string): Promise<Outcome<Returned>> =>
  guard(async () => readBack((await getContext()).db, id.parse(profileId)));

const NewProfile = z.strictObject({ name: z.string(), purpose: ProfilePurpose, copyOf: id.nullable() });

export const createProfile = async (wanted: profiles.NewProfile): Promise<Outcome<Profile>> =>
  guard(async () => profiles.createProfile(await getContext(), NewProfile.parse(wanted)));

export const changeProfileFacts = async (
  profileId: string,
  name: string,
  purpose: Profile["purpose"],
): Promise<Outcome<null>> =>
  guard(async () =>
    profiles.changeProfileFacts(
      await getContext(),
      id.parse(profileId),
      z.string().parse(name),
      ProfilePurpose.parse(purpose),
    ),
  );

export const switchProfile = async (profileId: string): Promise<Outcome<null>> =>
  guard(async () => profiles.switchProfile(await getContext(), id.parse(profileId)));

export const deleteProfile = async (profileId: string): Promise<Outcome<null>> =>
  guard(async () => profiles.deleteProfile(await getContext(), id.parse(profileId)));

export const bringBackProfile = async (profileId: string, gameId: string): Promise<Outcome<null>> =>
  guard(async () => profiles.bringBackProfile(await getContext(), id.parse(profileId), id.parse(gameId)));

export const nameRestorePoint = async (profileId: string, name: string): Promise<Outcome<null>> =>
  guard(async () =>
    profiles.nameRestorePoint(await getContext(), id.parse(profileId), z.string().parse(name)),
  );

export const changesSincePoint = async (pointId: string): Promise<Outcome<Changes>> =>
  guard(async () => profiles.changesSincePoint(await getContext(), id.parse(pointId)));

export const goBack = async (pointId: string, base: number): Promise<Outcome<Stored>> =>
  guard(async () => profiles.goBack(await getContext(), id.parse(pointId), version.parse(base)));
