import { say } from "@/core/language/say";
import "server-only";
import { randomUUID } from "node:crypto";
import { createReadStream } from "node:fs";
import { mkdir, rm, stat } from "node:fs/promises";
import { join } from "node:path";
import { Readable } from "node:stream";
import { z } from "zod";
import { done, type Outcome } from "@/core/model/outcome";
import { incomingFolder, keptFolder, type Context } from "./context";
import { exportInto, keptName, lookAtData, type DataSummary } from "./operations/own-data";
import { receiveInto } from "./receive";

/** Bytes of an archive of everything. */
const largest = 2 * 2 ** 30;

/** An archive of everything that Seating has: one that has come in and waits, or one of what was there before. */
export const DataSource = z.union([
  z.strictObject({ incoming: z.uuid() }),
  z.strictObject({ kept: z.string().regex(keptName) }),
]);
export type DataSource = z.infer<typeof DataSource>;

export const pathOfData = (source: DataSource): string =>
  "kept" in source
    ? join(keptFolder(), source.kept)
    : join(incomingFolder(), source.incoming, "everything.zip");

export interface DataArrived {
  readonly source: DataSource;
  readonly summary: DataSummary;
}

/** Takes an archive from a request and looks at it; one that cannot be used is thrown away. */
export async function receiveData(context: Context, request: Request): Promise<Outcome<DataArrived>> {
  const source = { incoming: randomUUID() };
  const path = pathOfData(source);
  await mkdir(join(path, ".."), { recursive: true });
  const received = await receiveInto(path, request, say("server.theArchive"), largest);
  const looked = received.ok ? await lookAtData(context, path) : received;
  if (looked.ok) return done({ source, summary: looked.value });
  await forgetData(source);
  return looked;
}

export const forgetData = ({ incoming }: { readonly incoming: string }): Promise<void> =>
  rm(join(incomingFolder(), incoming), { recursive: true, force: true });

/** Everything that Seating keeps, as an archive that is written before it is sent, and gone afterwards. */
export async function sendData(context: Context, at: Date): Promise<Response> {
  const path = join(incomingFolder(), `${randomUUID()}.zip`);
  await mkdir(incomingFolder(), { recursive: true });
  await exportInto(context, path, at);
  const file = createReadStream(path);
  file.once("close", () => void rm(path, { force: true }));
  return new Response(Readable.toWeb(file) as ReadableStream<Uint8Array>, {
    headers: {
      "content-type": "application/zip",
      "content-length": String((await stat(path)).size),
      "content-disposition": `attachment; filename="seating-${at.toISOString().slice(0, 10)}.seating.zip"`,
      "cache-control": "no-store",
    },
  });
}
