import { say } from "@/core/language/say";
import { plainText } from "@/core/messages/parts";
import { sayRefusal } from "@/core/messages/refusals";
import { guard } from "@/server/action";
import { getContext } from "@/server/context";
import { setUpDemo } from "@/server/operations/demo";

/** Sets the demo up where the server was started with one; its progress is plain lines for the terminal. */
export function POST(): Response {
  const folder = process.env.SEATING_DEMO;
  if (!folder) return new Response(`${say("server.demo.without")}\n`, { status: 404 });
  const encoder = new TextEncoder();
  const body = new ReadableStream<Uint8Array>({
    async start(controller) {
      const tell = (line: string) => controller.enqueue(encoder.encode(`• ${line}\n`));
      const outcome = await guard(async () => setUpDemo(await getContext(), folder, tell));
      if (outcome.ok) controller.close();
      else controller.error(new Error(plainText(sayRefusal(outcome.refusal))));
    },
  });
  return new Response(body, { headers: { "content-type": "text/plain; charset=utf-8" } });
}
