import type { ServerEvent } from "@/server/events";

/** What a window hears; `again`: some time passed without it, so that everything may have changed. */
export type WindowEvent = ServerEvent | { readonly kind: "again" };

const name = "seating-events";

/**
 * Hears what happens in the server, until it is stopped. Of all windows one listens and tells the others: a browser keeps only a
 * few connections to a server open, and a stream takes one for good.
 */
export function listenToServer(onEvent: (event: WindowEvent) => void): () => void {
  const stop = new AbortController();
  const others = new BroadcastChannel(name);
  others.onmessage = ({ data }: MessageEvent<WindowEvent>) => onEvent(data);
  const tell = (event: WindowEvent) => {
    onEvent(event);
    others.postMessage(event);
  };
  void navigator.locks
    .request(name, { signal: stop.signal }, () => hear(tell, stop.signal))
    // It was stopped before its turn had come.
    .catch(() => undefined);
  return () => {
    stop.abort();
    others.close();
  };
}

/** The browser itself asks again where a stream has broken off. */
function hear(tell: (event: WindowEvent) => void, signal: AbortSignal): Promise<void> {
  return new Promise((ended) => {
    const source = new EventSource("/api/events");
    let opened = false;
    source.onopen = () => {
      if (opened) tell({ kind: "again" });
      opened = true;
    };
    source.onmessage = ({ data }: MessageEvent<string>) => tell(JSON.parse(data) as ServerEvent);
    signal.addEventListener("abort", () => {
      source.close();
      ended();
    });
  });
}
