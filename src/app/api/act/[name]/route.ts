import { done, refuse, type Outcome } from "@/core/model/outcome";
import { parseJson } from "@/formats/text";
import { guard } from "@/server/action";
import { actions, reads } from "@/server/actions";
import { receiveJson } from "@/server/receive";
import { answerTagged } from "@/server/tagged";

/** A whole order of a large profile comes as one edit. */
const largestCall = 32 * 2 ** 20;

type Act = (...args: unknown[]) => Promise<unknown>;
interface Named {
  readonly params: Promise<{ name: string }>;
}

const actOf = (name: string, isRead: boolean): Act | null => {
  const isThere = Object.hasOwn(actions, name) && isRead === (reads as readonly string[]).includes(name);
  return isThere ? (actions[name as keyof typeof actions] as Act) : null;
};

const noSuch = (name: string) =>
  Response.json(refuse("bad-request", { detail: `there is no act “${name}” of this kind` }), { status: 404 });

/** Does one of the acts of the application, by its name, with its arguments as a JSON array; each checks its own. */
export async function POST(request: Request, { params }: Named): Promise<Response> {
  const { name } = await params;
  const args = await guard(() => receiveJson(request, largestCall));
  if (!args.ok) return Response.json(args, { status: 422 });
  const act = actOf(name, false);
  if (!act || !Array.isArray(args.value)) return noSuch(name);
  return Response.json(await act(...(args.value as unknown[])));
}

/** Answers one of those that change nothing; its arguments stand in the address, in the same way. */
export async function GET(request: Request, { params }: Named): Promise<Response> {
  const { name } = await params;
  const args = argsOf(new URL(request.url).searchParams.get("args"));
  const act = actOf(name, true);
  if (!act || !args.ok) return noSuch(name);
  return answerTagged(request, await act(...args.value));
}

function argsOf(text: string | null): Outcome<unknown[]> {
  const json = parseJson(text ?? "[]", "the arguments");
  if (!json.ok) return json;
  return Array.isArray(json.value)
    ? done(json.value as unknown[])
    : refuse("bad-request", { detail: "the arguments are no list" });
}
