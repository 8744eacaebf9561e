import { getContext } from "@/server/context";

export const dynamic = "force-dynamic";

export async function GET(): Promise<Response> {
  await getContext();
  return Response.json({ alive: true });
}
