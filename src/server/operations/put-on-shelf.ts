import "server-only";
import { writeFile } from "node:fs/promises";
import { done, type Outcome } from "@/core/model/outcome";
import type { Context } from "../context";
import { readShelfOfGame } from "./read-shelf";
import { dropIncoming, makeRoom, takeIn } from "./take-in";

/** Puts an archive that Seating made on the shelf of the present game, under a name that is free, and reads it. `incoming` is where what comes in waits. */
export async function putOnShelf(
  context: Context,
  incoming: string,
  name: string,
  archive: Uint8Array,
): Promise<Outcome<null>> {
  const room = await makeRoom(incoming, name);
  if (!room.ok) return room;
  try {
    await writeFile(room.value.path, archive);
    const taken = await takeIn(context, incoming, room.value.id);
    if (!taken.ok) return taken;
  } finally {
    await dropIncoming(incoming, room.value.id);
  }
  const read = await readShelfOfGame(context, () => undefined);
  return read.ok ? done(null) : read;
}
