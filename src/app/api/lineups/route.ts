import { refuse } from "@/core/model/outcome";
import { writeLineup } from "@/formats/lineup/json";
import { guard } from "@/server/action";
import { getContext } from "@/server/context";
import { exportLineup, planImport } from "@/server/operations/lineups";
import { fileNameOf, receiveFile } from "@/server/receive";

const largestLineup = 32 * 2 ** 20;

/** The present state of a profile as a lineup file. */
export async function GET(request: Request): Promise<Response> {
  const { searchParams } = new URL(request.url);
  const text = (name: string) => (searchParams.get(name) ?? "").slice(0, 20_000);
  const facts = {
    author: text("author").slice(0, 200),
    note: text("note"),
    listVersion: text("listVersion").slice(0, 100),
    date: new Date().toISOString(),
  };
  const lineup = await guard(async () => exportLineup(await getContext(), text("profile"), facts));
  if (!lineup.ok) return Response.json(lineup, { status: 404 });
  const name = lineup.value.title.replace(/[^\p{L}\p{N}]+/gu, "-").replace(/^-+|-+$/g, "") || "profile";
  return new Response(writeLineup(lineup.value), {
    headers: {
      "content-type": "application/json; charset=utf-8",
      "content-disposition": `attachment; filename*=UTF-8''${encodeURIComponent(name)}.lineup.json`,
    },
  });
}

/** Reads a lineup file and answers what it would bring; nothing is changed yet. */
export async function POST(request: Request): Promise<Response> {
  const name = fileNameOf(request);
  const outcome = await guard(async () => {
    if (name === null) return refuse("bad-request", { detail: "the file has no name" });
    const bytes = await receiveFile(request, name, largestLineup);
    return bytes.ok ? planImport(await getContext(), bytes.value, name) : bytes;
  });
  return Response.json(outcome, { status: outcome.ok ? 200 : 422 });
}
