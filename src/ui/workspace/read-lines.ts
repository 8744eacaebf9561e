import type { Outcome } from "@/core/model/outcome";
import { unreachable } from "./server";
import { windowHeaders } from "./address";

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
    for await (const value of post(url, signal)) {
      if (isOutcome(value)) return value as Outcome<T>;
      onLine(value);
    }
    return unreachable(new Error("the answer ended early"));
  } catch (error) {
    return signal.aborted ? null : unreachable(error);
  }
}

const isOutcome = (value: unknown): boolean => typeof value === "object" && value !== null && "ok" in value;

async function* post(url: string, signal: AbortSignal): AsyncGenerator<unknown> {
  const response = await fetch(url, { method: "POST", headers: windowHeaders(), signal });
  const reader = response.body!.pipeThrough(new TextDecoderStream()).getReader();
  let rest = "";
  for (;;) {
    const { done, value } = await reader.read();
    const lines = (rest + (value ?? "")).split("\n");
    rest = lines.pop()!;
    for (const line of lines) yield JSON.parse(line) as unknown;
    if (done) return;
  }
}
