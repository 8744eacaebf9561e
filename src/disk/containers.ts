import type { GameDefinition } from "@/core/model/game";
import { done, refuse, type Outcome } from "@/core/model/outcome";
import type { ProblemCode } from "@/core/model/refusal";
import { foldName } from "@/core/roster/fold";
import { safePath } from "@/formats/archive-path";
import { isContainerName } from "@/formats/mod-layout";
import { digestFile, shortHash } from "./digest";
import type { ModFile } from "./mod-file";
import { openZip } from "./zip-archive";

/** Of a larger container only its name counts: it is held whole while it is read. */
const largestContainer = 512 * 2 ** 20;

/** A file that lies packed in a container, as its game sees it. */
export interface PackedFile {
  readonly path: string;
  readonly size: number;
  readonly hash: string;
}

type ContainerLaws = Pick<GameDefinition, "containers" | "paths">;

/** Whether the game opens a file of a mod by itself and finds others in it. */
export const isContainer = (game: ContainerLaws, { path, size }: ModFile): boolean =>
  size <= largestContainer && isContainerName(game, path);

/** What lies in a container; refused where its game could not read it. */
export async function readContainer(
  game: ContainerLaws,
  bytes: Uint8Array,
): Promise<Outcome<PackedFile[], ProblemCode>> {
  const opened = await openZip("", Buffer.from(bytes.buffer, bytes.byteOffset, bytes.byteLength));
  if (!opened.ok) return opened;
  const { files, close } = opened.value;
  try {
    const found = new Map<string, PackedFile>();
    for (const file of files) {
      const path = safePath(file.path);
      if (!path.ok) return path;
      const digest = await digestFile(file, false);
      if (!digest.ok) return digest;
      const key = foldName(game, path.value);
      if (found.has(key)) return refuse("path-twice", { entry: path.value.slice(0, 200) });
      found.set(key, { path: path.value, size: file.size, hash: shortHash(digest.value.sha256) });
    }
    return done([...found.values()]);
  } finally {
    await close();
  }
}
