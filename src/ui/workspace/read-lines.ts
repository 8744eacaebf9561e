import type { Outcome } from "@/core/model/outcome";
import { unreachable } from "./server";

/**
 * Posts to a route that answers one JSON value a line, and hands on each as it arrives; the last one is the outcome.
 * Null where it was cancelled by `signal`.
 */
export async function postForLines<T>(
  url: string,
  signal: AbortSignal,
  onLine: (value: unknown) => void,
): Promise<Outcome<T> | null> {
  try {
    const response = await fetch(url, { method: "POST", signal });
    return await readLines<T>(response.body!, onLine);
  } catch (error) {
    return signal.aborted ? null : unreachable(error);
  }
}

async function readLines<T>(
  body: ReadableStream<Uint8Array>,
  onLine: (value: unknown) => void,
): Promise<Outcome<T>> {
  const reader = body
    .pipeThrough(new TextDecoderStream() as ReadableWritablePair<string, Uint8Array>)
    .getReader();
  let rest = "";
  let last: unknown = null;
  for (;;) {
    const { done, value } = await reader.read();
    const lines = (rest + (value ?? "")).split("\n");
    rest = lines.pop()!;
    for (const line of lines) {
      if (last !== null) onLine(last);
      last = JSON.parse(line) as unknown;
    }
    if (done) return last as Outcome<T>;
  }
}
