import "server-only";
import { z } from "zod";
import type { Difference } from "@/core/compare/states";
import type { OnDisk } from "@/core/check/check";
import { Edit } from "@/core/model/edit";
import type { FindingsReport } from "@/core/model/findings-report";
import { ProfileId } from "@/core/model/ids";
import type { Noted } from "@/core/model/noted";
import { done, refuse, type Outcome } from "@/core/model/outcome";
import { viewProfile, viewProfiles, type ProfilesView, type ProfileView } from "../views/profile";
import { ProfileFacts, type Profile, type ProfileState } from "@/core/model/profile";
import { guard } from "../action";
import { windowContext } from "../window";
import { reportFindings as report } from "../operations/findings";
import { storeEdit, type Stored } from "../operations/edit-profile";
import * as health from "../operations/health";
import * as history from "../operations/history";
import * as orderFile from "../operations/order-file";
import * as profiles from "../operations/profiles";

const id = z.string().max(100);
const version = z.number().int();

/** `editId` is the window's own name of the edit, by which it may be sent again where no answer has come. */
export const editProfile = async (
  profileId: ProfileId,
  base: number,
  edit: Edit,
  editId: string,
): Promise<Outcome<Stored>> =>
  guard(async () =>
    storeEdit(await windowContext(), ProfileId.parse(profileId), version.parse(base), Edit.parse(edit), {
      id: z.uuid().parse(editId),
    }),
  );

/** What a window that knows the state which this leads to need not be told is left out. */
type Returning = Stored & { readonly steps?: history.Travelled["steps"] };

export const undoOrRedo = async (
  profileId: ProfileId,
  base: number,
  way: "undo" | "redo",
  isKnown: boolean,
): Promise<Outcome<Returning>> =>
  guard(async () => {
    const travelled = await history.step(
      await windowContext(),
      ProfileId.parse(profileId),
      version.parse(base),
      z.enum(["undo", "redo"]).parse(way),
    );
    if (!travelled.ok) return travelled;
    const { profile, steps, ...rest } = travelled.value;
    return done({ version: profile.version, ...rest, ...(isKnown ? {} : { steps }) });
  });

export const readProfile = async (profileId: ProfileId): Promise<Outcome<history.Returned>> =>
  guard(async () => history.readReturned((await windowContext()).db, ProfileId.parse(profileId)));

const KnownLine = z.strictObject({ number: z.number().int(), at: z.string().max(40) });

/** The edits of a profile that are kept, as far as they are not known. */
export const readJournal = async (
  profileId: ProfileId,
  known: z.infer<typeof KnownLine> | null,
): Promise<Outcome<history.JournalNews>> =>
  guard(async () =>
    history.readJournal(await windowContext(), ProfileId.parse(profileId), KnownLine.nullable().parse(known)),
  );

/** Makes the profile what it was after an edit of its journal. */
export const goToEdit = async (
  profileId: ProfileId,
  base: number,
  number: number,
): Promise<Outcome<{ readonly version: number }>> =>
  guard(async () => {
    const profile = ProfileId.parse(profileId);
    const outcome = await history.goToEdit(
      await windowContext(),
      profile,
      version.parse(base),
      z.number().int().parse(number),
    );
    return outcome.ok ? done({ version: outcome.value.profile.version }) : outcome;
  });

/** The name is checked where it can be refused with a sentence. */
const Facts = z.strictObject({ ...ProfileFacts.shape, name: z.string() });
const StateSource = z.union([
  z.strictObject({ profile: ProfileId }),
  z.strictObject({ point: id }),
  z.strictObject({ lineup: id }),
  z.strictObject({ edit: z.number().int(), of: ProfileId }),
]);
const NewProfile = z.strictObject({
  facts: Facts,
  from: StateSource.nullable(),
});

export const createProfile = async (wanted: profiles.NewProfile): Promise<Outcome<Profile>> =>
  guard(async () => profiles.createProfile(await windowContext(), NewProfile.parse(wanted)));

export const changeProfileFacts = async (profileId: ProfileId, facts: ProfileFacts): Promise<Outcome<null>> =>
  guard(async () =>
    profiles.changeProfileFacts(await windowContext(), ProfileId.parse(profileId), Facts.parse(facts)),
  );

interface Switched {
  readonly view: ProfileView;
  /** Null where the game reads the same for all profiles. */
  readonly onDisk: OnDisk | null;
}

/** Answers with all that is shown of the profile, so that nothing else need be read before it is. */
export const switchProfile = async (profileId: ProfileId): Promise<Outcome<Switched>> =>
  guard(async () => {
    const context = await windowContext();
    const at = ProfileId.parse(profileId);
    const switched = await profiles.switchProfile(context, at);
    if (!switched.ok) return switched;
    const view = await viewProfile(context, at);
    if (!view) return refuse("no-profile");
    return done({ view, onDisk: await orderFile.readOwnOrder({ ...context, at }) });
  });

export const readProfiles = async (gameId: string): Promise<Outcome<ProfilesView>> =>
  guard(async () => done(await viewProfiles(await windowContext(), id.parse(gameId))));

/** The state of another profile, of a restore point or of a lineup that was brought in. */
export const readStateOf = async (source: profiles.StateSource): Promise<Outcome<ProfileState>> =>
  guard(async () => profiles.readStateOf(await windowContext(), StateSource.parse(source)));

export const deleteProfile = async (profileId: ProfileId): Promise<Outcome<null>> =>
  guard(async () => profiles.deleteProfile(await windowContext(), ProfileId.parse(profileId)));

export const bringBackProfile = async (profileId: ProfileId, gameId: string): Promise<Outcome<null>> =>
  guard(async () =>
    profiles.bringBackProfile(await windowContext(), ProfileId.parse(profileId), id.parse(gameId)),
  );

export const nameRestorePoint = async (profileId: ProfileId, name: string): Promise<Outcome<null>> =>
  guard(async () =>
    profiles.nameRestorePoint(await windowContext(), ProfileId.parse(profileId), z.string().parse(name)),
  );

export const changesSincePoint = async (pointId: string): Promise<Outcome<Difference[]>> =>
  guard(async () => profiles.changesSincePoint(await windowContext(), id.parse(pointId)));

export const goBack = async (pointId: string, base: number): Promise<Outcome<Stored>> =>
  guard(async () => profiles.goBack(await windowContext(), id.parse(pointId), version.parse(base)));

export const reportFindings = async (profileId: ProfileId): Promise<Outcome<FindingsReport>> =>
  guard(async () => report(await windowContext(), ProfileId.parse(profileId)));

const Counts = z.strictObject({
  blocker: z.number().int(),
  problem: z.number().int(),
  hint: z.number().int(),
});

/** What a window has found of a profile, by ids, and how many there are of each level. */
export const noteFindings = async (
  profileId: ProfileId,
  findings: readonly string[],
  counts: z.infer<typeof Counts>,
): Promise<Outcome<Noted>> =>
  guard(async () =>
    health.noteFindings(
      await windowContext(),
      ProfileId.parse(profileId),
      z
        .array(z.string().regex(/^[0-9a-f]{16}$/))
        .max(100_000)
        .parse(findings),
      Counts.parse(counts),
    ),
  );
