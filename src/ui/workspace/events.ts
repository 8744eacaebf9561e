import type { ServerEvent, StreamEvent } from "@/server/events";

/** What a window hears; `again`: something happened of which it was not told, so that everything may have changed. */
export type WindowEvent = ServerEvent | { readonly kind: "again" };

/** What windows tell each other: what the one that listens heard, with the moment that it leads to, or that one has just come. */
type Message = Heard | { readonly kind: "hello" };

interface Heard {
  readonly kind: "heard";
  /** `Events.at` of the server. */
  readonly at: string;
  readonly event: StreamEvent;
}

/** `at`: the latest moment (`Events.at` of the server) that was heard of; it never goes back. */
type OnEvent = (event: WindowEvent, at: string) => void;

const name = "seating-events";

/**
 * Hears what happens in the server after the moment `known`, until it is stopped. Of all windows one listens and tells the others: a
 * browser keeps only a few connections to a server open, and a stream takes one for good.
 */
export function listenToServer(known: string, onEvent: OnEvent): () => void {
  const stop = new AbortController();
  const others = new BroadcastChannel(name);
  const hear = missingNothing(known, onEvent);
  /** In the window that listens: what the stream said last of how things are, for windows that come later. */
  let present: Present | null = null;
  others.onmessage = ({ data }: MessageEvent<Message>) => {
    if (data.kind === "heard") hear(data);
    else for (const event of present?.events.values() ?? []) others.postMessage(heardAt(present!.at, event));
  };
  const tell = (heard: Heard) => {
    present = presentAfter(present, heard);
    hear(heard);
    others.postMessage(heard);
  };
  others.postMessage({ kind: "hello" } satisfies Message);
  void navigator.locks
    .request(name, { signal: stop.signal }, () => listen(tell, stop.signal))
    // It was stopped before its turn had come.
    .catch(() => undefined);
  return () => {
    stop.abort();
    others.close();
  };
}

/**
 * Hands on what is heard from the moment `known` on, and that something was missed where what is heard is later than it would be
 * otherwise. The first thing that a window hears may be any: another one hands on all that comes to it, whoever listens already.
 */
export function missingNothing(known: string, onEvent: OnEvent): (heard: Heard) => void {
  let latest = known;
  return ({ at, event }) => {
    const isMissing = !isAtLeast(isOfFiles(event) || event.kind === "here" ? latest : nextOf(latest), at);
    if (!isAtLeast(latest, at)) latest = at;
    if (event.kind !== "here") onEvent(event, latest);
    if (isMissing) onEvent({ kind: "again" }, latest);
  };
}

/** What other programs did to files leads to no other moment, and is told anew to whoever begins to listen. */
const isOfFiles = (
  event: StreamEvent,
): event is Extract<StreamEvent, { kind: "shelf-changes" | "order-file" }> =>
  event.kind === "shelf-changes" || event.kind === "order-file";

interface Present {
  readonly at: string;
  /** That the stream is there, and what it told last of files. */
  readonly events: Map<string, StreamEvent>;
}

function presentAfter(present: Present | null, { at, event }: Heard): Present {
  const events = present?.events ?? new Map<string, StreamEvent>([["", { kind: "here" }]]);
  if (isOfFiles(event)) events.set(`${event.kind} ${event.game}`, event);
  return { at, events };
}

const heardAt = (at: string, event: StreamEvent): Heard => ({ kind: "heard", at, event });

/** The browser itself asks again where a stream has broken off. */
function listen(tell: (heard: Heard) => void, signal: AbortSignal): Promise<void> {
  return new Promise((ended) => {
    const source = new EventSource("/api/events");
    source.onmessage = ({ data, lastEventId }: MessageEvent<string>) =>
      tell(heardAt(lastEventId, JSON.parse(data) as StreamEvent));
    signal.addEventListener("abort", () => {
      source.close();
      ended();
    });
  });
}

/** Whether what was read at one moment shows what happened up to another one. Those of another run of the server say nothing. */
export function isAtLeast(moment: string, other: string): boolean {
  const [run, count] = momentOf(moment);
  const [otherRun, otherCount] = momentOf(other);
  return run === otherRun && count >= otherCount;
}

function nextOf(moment: string): string {
  const [run, count] = momentOf(moment);
  return `${run}.${count + 1}`;
}

function momentOf(at: string): [run: string, count: number] {
  const end = at.lastIndexOf(".");
  return [at.slice(0, end), Number(at.slice(end + 1))];
}
