import "server-only";
import type { Context } from "../context";
import type { StreamEvent } from "../events";

/** Milliseconds between two signs of life, without which neither side sees that the other one has gone. */
const heartbeat = 20_000;

/**
 * What happens in the server and in the folders of its games, as server-sent events (WHATWG HTML, 9.2), one JSON value each. The id of
 * each is the moment that it leads to; the first one says from which on they are told.
 */
export function streamEvents(context: Context): Response {
  const encoder = new TextEncoder();
  const left = new AbortController();
  const body = new ReadableStream<Uint8Array>({
    start(controller) {
      const write = (text: string) => {
        if (!left.signal.aborted) controller.enqueue(encoder.encode(text));
      };
      const tell = (event: StreamEvent) =>
        write(`id: ${context.events.at}\ndata: ${JSON.stringify(event)}\n\n`);
      tell({ kind: "here" });
      context.watches.listen(context, tell, left.signal);
      const timer = setInterval(() => write(": alive\n\n"), heartbeat);
      left.signal.addEventListener("abort", () => clearInterval(timer));
    },
    cancel: () => left.abort(),
  });
  return new Response(body, {
    headers: { "content-type": "text/event-stream", "cache-control": "no-store" },
  });
}
