import { guard } from "@/server/action";
import { getContext, keptFolder } from "@/server/context";
import { exportData, importData } from "@/server/operations/own-data";
import { receiveFile } from "@/server/receive";

const largestArchive = 512 * 2 ** 20;

/** Everything that Seating keeps, as one archive. */
export async function GET(): Promise<Response> {
  const at = new Date();
  const bytes = await exportData(await getContext(), at);
  return new Response(Buffer.from(bytes), {
    headers: {
      "content-type": "application/zip",
      "content-disposition": `attachment; filename="seating-${at.toISOString().slice(0, 10)}.seating.zip"`,
      "cache-control": "no-store",
    },
  });
}

/** Puts such an archive in place of everything that is there. */
export async function POST(request: Request): Promise<Response> {
  const outcome = await guard(async () => {
    const bytes = await receiveFile(request, "The archive", largestArchive);
    if (!bytes.ok) return bytes;
    return importData(await getContext(), bytes.value, keptFolder(), new Date());
  });
  return Response.json(outcome, { status: outcome.ok ? 200 : 422 });
}
