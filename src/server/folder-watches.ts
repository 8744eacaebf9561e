import { dirname } from "node:path";
import { gameFiles } from "@/disk/game-files";
import { foldersOfOrders } from "@/disk/profiles-of-game";
import type { ShelfReader } from "@/disk/shelf-reader";
import { watchFolders } from "@/disk/watch-folders";
import { listGames, type RegisteredGame } from "@/store/games";
import type { Db } from "@/store/sql";
import type { Events, ServerEvent, ShelfChanges } from "./events";
import { findShelfChanges } from "./operations/shelf-changes";

/** Milliseconds for which the folders stay watched once nobody listens: a window that is loaded anew is back within them. */
const restAfter = 60_000;

interface Ground {
  readonly db: Db;
  readonly reader: ShelfReader;
  readonly events: Events;
}

interface GameWatch {
  /** Of the folders that are watched. */
  readonly key: string;
  readonly stop: AbortController;
  /** As last found; null before. */
  changes: ShelfChanges | null;
  /** What is found differs from before where something else was last read of the shelf. */
  readonly look: () => void;
}

/** Watches the folders of all games while somebody listens, and tells everybody of what changes in them. */
export class FolderWatches {
  private readonly games = new Map<string, GameWatch>();
  private listeners = 0;
  private stopFollowing: (() => void) | null = null;
  private resting: NodeJS.Timeout | undefined;

  constructor(private readonly patience = restAfter) {}

  /** Hands on every event until `signal` is aborted; at once those that say how folders are. */
  listen(ground: Ground, tell: (event: ServerEvent) => void, signal: AbortSignal): void {
    const stopListening = ground.events.subscribe(tell);
    this.begin(ground);
    for (const [game, { changes }] of this.games) {
      tell({ kind: "order-file", game });
      if (changes) tell({ kind: "shelf-changes", ...changes });
    }
    signal.addEventListener("abort", () => {
      stopListening();
      this.leave();
    });
  }

  private begin(ground: Ground): void {
    this.listeners += 1;
    clearTimeout(this.resting);
    if (this.stopFollowing) return;
    this.stopFollowing = ground.events.subscribe((event) => {
      if (event.kind === "stock") void this.follow(ground, event.game);
      if (event.kind === "all") void this.follow(ground, null);
    });
    void this.follow(ground, null);
  }

  private leave(): void {
    this.listeners -= 1;
    if (this.listeners === 0) this.resting = setTimeout(() => this.end(), this.patience).unref();
  }

  /** Stops watching at once. */
  end(): void {
    this.stopFollowing?.();
    this.stopFollowing = null;
    for (const { stop } of this.games.values()) stop.abort();
    this.games.clear();
  }

  /** Of one game or of all of them, whose folders may be others now, or of which something else was read. */
  private async follow(ground: Ground, id: string | null): Promise<void> {
    const games = await listGames(ground.db).catch(() => null);
    if (!games || !this.stopFollowing) return;
    for (const game of games) if (id === null || game.id === id) this.watch(ground, game);
    const there = new Set(games.map((game) => game.id));
    for (const [gone, { stop }] of this.games)
      if (!there.has(gone)) {
        stop.abort();
        this.games.delete(gone);
      }
  }

  private watch(ground: Ground, game: RegisteredGame): void {
    const key = JSON.stringify([game.folders, game.definition.orderFile]);
    const before = this.games.get(game.id);
    if (before?.key === key) return before.look();
    before?.stop.abort();
    this.games.set(game.id, watchGame(ground, game, key));
  }
}

function watchGame({ db, reader, events }: Ground, game: RegisteredGame, key: string): GameWatch {
  const stop = new AbortController();
  const { signal } = stop;
  const look = oneAtATime(async () => {
    const changes = await findShelfChanges(db, reader, game).catch(() => null);
    if (!changes || signal.aborted) return;
    watched.changes = changes;
    events.hint({ kind: "shelf-changes", ...changes });
  });
  const watched: GameWatch = { key, stop, changes: null, look };
  watchFolders(game.folders.shelves, look, signal, reader.foldersBelow);
  void watchOrders(game, () => events.hint({ kind: "order-file", game: game.id }), signal);
  return watched;
}

async function watchOrders({ definition, folders }: RegisteredGame, onStir: () => void, signal: AbortSignal) {
  const below = await foldersOfOrders(definition, folders);
  const inWhich = below.map((order) => dirname(gameFiles(definition, { order }).order));
  if (!signal.aborted) watchFolders(inWhich, onStir, signal);
}

/** What is asked for while it goes on is done once more after it. */
function oneAtATime(work: () => Promise<void>): () => void {
  let isUnderWay = false;
  let isAskedFor = false;
  const go = async () => {
    isUnderWay = true;
    do {
      isAskedFor = false;
      await work();
    } while (isAskedFor);
    isUnderWay = false;
  };
  return () => {
    isAskedFor = true;
    if (!isUnderWay) void go();
  };
}
