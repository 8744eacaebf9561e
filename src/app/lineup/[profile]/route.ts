import { ProfileId } from "@/core/model/ids";
import { plainText } from "@/core/messages/parts";
import { sayRefusal } from "@/core/messages/refusals";
import { guard } from "@/server/action";
import { getContext } from "@/server/context";
import { servedPage } from "@/server/operations/lineups";

/** The page of a profile's lineup, for people. */
export async function GET(
  _request: Request,
  { params }: { params: Promise<{ profile: string }> },
): Promise<Response> {
  const { profile } = await params;
  const page = await guard(async () => servedPage(await getContext(), ProfileId.parse(profile)));
  return page.ok
    ? new Response(page.value, { headers: { "content-type": "text/html; charset=utf-8" } })
    : new Response(plainText(sayRefusal(page.refusal)), { status: 404 });
}
