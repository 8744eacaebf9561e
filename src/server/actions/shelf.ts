import "server-only";
import { ModId } from "@/core/model/ids";
import { z } from "zod";
import type { VersionDifference } from "@/core/edit/versions";
import type { FileContents } from "@/core/model/file-contents";
import type { FileOfContent } from "../operations/content-files";
import type { FileOfMod } from "@/core/model/shelf";
import { done, type Outcome } from "@/core/model/outcome";
import { guard } from "../action";
import { incomingFolder } from "../context";
import { windowContext } from "../window";
import * as contents from "../operations/content-files";
import * as shelf from "../operations/shelf";
import * as versions from "../operations/versions";
import type { Identity, VersionPair } from "../operations/versions";
import * as incomings from "../operations/take-in";

const path = z.string().min(1).max(4000);
const sha256 = z.string().regex(/^[0-9a-f]{64}$/);
const paths = z.array(path).max(20_000);
const ids = z.array(z.string().min(1).max(500)).max(20_000);
const largestPreference = 100_000;

/** The files of a mod of the present game, by its contents. */
export const filesOfMod = async (content: string): Promise<Outcome<FileOfMod[]>> =>
  guard(async () => contents.filesOfMod(await windowContext(), sha256.parse(content)));

const fileOfContent = z.strictObject({
  content: sha256.or(z.literal("")),
  path,
  part: z.string().max(300).nullable(),
  container: path.nullable(),
});

/** What is in a file of a mod of the present game, or of the game itself. */
export const readFileContents = async (file: FileOfContent): Promise<Outcome<FileContents | null>> =>
  guard(async () => contents.fileContents(await windowContext(), fileOfContent.parse(file)));

export const dropFromShelf = async (modPaths: string[]): Promise<Outcome<string[]>> =>
  guard(async () => shelf.dropFromShelf(await windowContext(), paths.parse(modPaths)));

export const bringBackMods = async (binned: string[]): Promise<Outcome<null>> =>
  guard(async () => shelf.bringBackMods(await windowContext(), ids.parse(binned)));

export const deleteMods = async (binned: string[]): Promise<Outcome<null>> =>
  guard(async () => shelf.deleteMods(await windowContext(), ids.parse(binned)));

export const tagMods = async (mods: string[], tag: string, on: boolean): Promise<Outcome<string[]>> =>
  guard(async () =>
    shelf.tagMods(
      await windowContext(),
      ids.parse(mods),
      z.string().max(1000).parse(tag),
      z.boolean().parse(on),
    ),
  );

const hash = z.string().regex(/^[0-9a-f]{64}$/);
const pairs = z.array(z.strictObject({ id: z.string().min(1).max(500), from: hash, to: hash })).max(20_000);

/** What changes between two contents of mods. */
export const compareContents = async (wanted: VersionPair[]): Promise<Outcome<VersionDifference[]>> =>
  guard(async () => versions.compareContents(await windowContext(), pairs.parse(wanted)));

export const markOwnWork = async (mod: string, own: boolean): Promise<Outcome<null>> =>
  guard(async () =>
    versions.markOwnWork(
      await windowContext(),
      z.string().min(1).max(500).parse(mod),
      z.boolean().parse(own),
    ),
  );

const identities = z
  .array(z.strictObject({ path, id: ModId.max(200), name: z.string().trim().min(1).max(300) }))
  .max(1000);

/** Remembers what entries of the shelf without a manifest are. */
export const identify = async (wanted: Identity[]): Promise<Outcome<null>> =>
  guard(async () => versions.identify(await windowContext(), identities.parse(wanted)));

/** Takes in what was dropped; answers its path on the shelf. */
export const takeIn = async (incoming: string, fileName: string | null): Promise<Outcome<string>> =>
  guard(async () =>
    incomings.takeIn(
      await windowContext(),
      incomingFolder(),
      z.string().parse(incoming),
      z.string().max(300).nullable().parse(fileName) ?? undefined,
    ),
  );

/** Throws away what was dropped and is not wanted. */
export const leaveIncoming = async (incoming: string): Promise<Outcome<null>> =>
  guard(async () => {
    await incomings.dropIncoming(incomingFolder(), z.guid().parse(incoming));
    return done(null);
  });

export const setPreference = async (key: string, value: unknown): Promise<Outcome<null>> =>
  guard(async () => {
    z.string().max(largestPreference).parse(JSON.stringify(value));
    return shelf.setPreference(await windowContext(), z.string().max(60).parse(key), value);
  });
