import "server-only";

/**
 * A response of one JSON value a line, sent while `work` goes on; the reader's leaving aborts `signal`. The last
 * line is what `work` answers.
 */
export function streamLines(
  work: (send: (value: unknown) => void, signal: AbortSignal) => Promise<unknown>,
): Response {
  const encoder = new TextEncoder();
  const left = new AbortController();
  const body = new ReadableStream<Uint8Array>({
    async start(controller) {
      const send = (value: unknown) => {
        if (!left.signal.aborted) controller.enqueue(encoder.encode(`${JSON.stringify(value)}\n`));
      };
      send(await work(send, left.signal));
      if (!left.signal.aborted) controller.close();
    },
    cancel: () => left.abort(),
  });
  return new Response(body, {
    headers: { "content-type": "application/x-ndjson", "cache-control": "no-store" },
  });
}
