import { refuse } from "@/core/model/outcome";
import { guard } from "@/server/action";
import { actions } from "@/server/actions";
import { receiveJson } from "@/server/receive";

/** A whole order of a large profile comes as one edit. */
const largestCall = 32 * 2 ** 20;

type Act = (...args: unknown[]) => Promise<unknown>;

/** Does one of the acts of the application, by its name, with its arguments as a JSON array; each checks its own. */
export async function POST(
  request: Request,
  { params }: { params: Promise<{ name: string }> },
): Promise<Response> {
  const { name } = await params;
  const args = await guard(() => receiveJson(request, largestCall));
  if (!args.ok) return Response.json(args, { status: 422 });
  if (!Object.hasOwn(actions, name) || !Array.isArray(args.value))
    return Response.json(refuse("bad-request", { detail: `there is no act “${name}”` }), { status: 404 });
  const act = actions[name as keyof typeof actions] as Act;
  return Response.json(await act(...(args.value as unknown[])));
}
