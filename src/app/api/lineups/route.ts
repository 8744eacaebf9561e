import { ProfileId } from "@/core/model/ids";
import { formatOf } from "@/formats/lineup/all";
import { refuse } from "@/core/model/outcome";
import { guard } from "@/server/action";
import { windowContext } from "@/server/window";
import { keepImport, lineupFile } from "@/server/operations/lineups";
import { fileNameOf, receiveFile } from "@/server/receive";

const largestLineup = 32 * 2 ** 20;

/** The present state of a profile as a lineup, in the format that is asked for. */
export async function GET(request: Request): Promise<Response> {
  const { searchParams } = new URL(request.url);
  const format = formatOf(searchParams.get("format") ?? "lineup");
  const file = await guard(async () =>
    format
      ? lineupFile(await windowContext(), ProfileId.parse(searchParams.get("profile") ?? ""), format)
      : refuse("bad-request", { detail: "there is no such format" }),
  );
  if (!file.ok) return Response.json(file, { status: 404 });
  const { text, fileName } = file.value;
  return new Response(text, {
    headers: {
      "content-type": `${format!.mime}; charset=utf-8`,
      "content-disposition": `attachment; filename*=UTF-8''${encodeURIComponent(fileName)}`,
    },
  });
}

/** Keeps a lineup that somebody looks at; nothing is changed yet. */
export async function POST(request: Request): Promise<Response> {
  const name = fileNameOf(request);
  const outcome = await guard(async () => {
    if (name === null) return refuse("bad-request", { detail: "the file has no name" });
    const bytes = await receiveFile(request, name, largestLineup);
    return bytes.ok ? keepImport(await windowContext(), bytes.value, name) : bytes;
  });
  return Response.json(outcome, { status: outcome.ok ? 200 : 422 });
}
