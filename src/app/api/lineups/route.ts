import { ProfileId } from "@/core/model/ids";
import { formatOf } from "@/formats/lineup/all";
import { fileNameOf } from "@/formats/lineup/format";
import { refuse } from "@/core/model/outcome";
import { guard } from "@/server/action";
import { getContext } from "@/server/context";
import { keepImport, lineupFile } from "@/server/operations/lineups";
import { fileNameOf as sentName, receiveFile } from "@/server/receive";

const largestLineup = 32 * 2 ** 20;

/** The present state of a profile as a lineup, in the format that is asked for. */
export async function GET(request: Request): Promise<Response> {
  const { searchParams } = new URL(request.url);
  const format = formatOf(searchParams.get("format") ?? "lineup");
  const file = await guard(async () =>
    format
      ? lineupFile(await getContext(), ProfileId.parse(searchParams.get("profile") ?? ""), format)
      : refuse("bad-request", { detail: "there is no such format" }),
  );
  if (!file.ok) return Response.json(file, { status: 404 });
  const { text, title } = file.value;
  return new Response(text, {
    headers: {
      "content-type": `${format!.mime}; charset=utf-8`,
      "content-disposition": `attachment; filename*=UTF-8''${encodeURIComponent(fileNameOf(title, format!))}`,
    },
  });
}

/** Keeps a lineup that somebody looks at; nothing is changed yet. */
export async function POST(request: Request): Promise<Response> {
  const name = sentName(request);
  const outcome = await guard(async () => {
    if (name === null) return refuse("bad-request", { detail: "the file has no name" });
    const bytes = await receiveFile(request, name, largestLineup);
    return bytes.ok ? keepImport(await getContext(), bytes.value, name) : bytes;
  });
  return Response.json(outcome, { status: outcome.ok ? 200 : 422 });
}
