import "server-only";
import { dirname } from "node:path";
import { gameFiles } from "@/disk/game-files";
import { watchFolders } from "@/disk/watch-folders";
import { listGames, type RegisteredGame } from "@/store/games";
import type { Context } from "../context";
import type { ServerEvent, StreamEvent } from "../events";
import { findShelfChanges } from "./shelf-changes";

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
      tellAll(context, tell, left.signal);
      const timer = setInterval(() => write(": alive\n\n"), heartbeat);
      left.signal.addEventListener("abort", () => clearInterval(timer));
    },
    cancel: () => left.abort(),
  });
  return new Response(body, {
    headers: { "content-type": "text/event-stream", "cache-control": "no-store" },
  });
}

/** Hands on every event until `signal` is aborted, those of the folders of each game too. */
export function tellAll(context: Context, tell: (event: ServerEvent) => void, signal: AbortSignal): void {
  const watched = new Map<string, AbortController>();
  const watch = (game: RegisteredGame) => {
    watched.get(game.id)?.abort();
    const stop = new AbortController();
    watched.set(game.id, stop);
    watchGame(context, game, tell, AbortSignal.any([stop.signal, signal]));
  };
  const watchAnew = async (id: string | null) => {
    const games = await listGames(context.db).catch(() => []);
    if (!signal.aborted) for (const game of games) if (id === null || game.id === id) watch(game);
  };
  const stopListening = context.events.subscribe((event) => {
    tell(event);
    // It may lie in other folders now, and differs from what was last read by something else.
    if (event.kind === "stock") void watchAnew(event.game);
    if (event.kind === "all") void watchAnew(null);
  });
  signal.addEventListener("abort", stopListening);
  void watchAnew(null);
}

function watchGame(
  context: Context,
  game: RegisteredGame,
  tell: (event: ServerEvent) => void,
  signal: AbortSignal,
): void {
  const look = async () => {
    const changes = await findShelfChanges(context, game).catch(() => null);
    if (changes && !signal.aborted) tell({ kind: "shelf-changes", ...changes });
  };
  void look();
  watchFolders(game.folders.shelves, () => void look(), signal);
  const { order } = gameFiles(game.definition, game.folders);
  const tellOrder = () => tell({ kind: "order-file", game: game.id });
  tellOrder();
  watchFolders([dirname(order)], tellOrder, signal, false);
}
