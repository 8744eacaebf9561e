import "server-only";
import { rmSync, statSync } from "node:fs";
import { join } from "node:path";
import type { ProfileId } from "@/core/model/ids";
import { namesIn } from "@/disk/names-in";
import { isRunning } from "@/disk/process-mark";
import { LogFile } from "@/disk/start/log-file";
import { listGames, type RegisteredGame } from "@/store/games";
import type { Db } from "@/store/sql";
import { endTrial, getTrial, listUnderWay } from "@/store/trials";
import type { Events } from "./events";

/** A start that has not ended. */
interface LiveTrial {
  readonly id: string;
  readonly game: string;
  readonly profile: ProfileId;
}

/** Of a long log the end says how it went. */
const mostLines = 200;
const mostBytes = 1 << 18;
/** Milliseconds between two looks at a process that somebody else started, or at a log. */
const pause = 250;

/** The starts that go on, by game: one at a time. */
export class Trials {
  private readonly live = new Map<string, LiveTrial>();
  private isClosed = false;

  constructor(
    private readonly db: Db,
    private readonly folder: string,
    private readonly events: Events,
  ) {}

  readonly ofGame = (game: string): LiveTrial | null => this.live.get(game) ?? null;

  readonly logOf = (id: string): string => join(this.logs, `${id}.log`);

  private get logs(): string {
    return join(this.folder, "trials");
  }

  /** Those that went on when the last server ended: each is waited for, or has ended in between, which nobody saw. */
  async takeUp(): Promise<void> {
    for (const { process: mark, ...trial } of await listUnderWay(this.db)) {
      const goesOn = async () => {
        while (!this.isClosed && isRunning(mark) !== false) await later(pause);
        return null;
      };
      if (isRunning(mark) === false) await this.end(trial, null);
      else void this.follow(trial, goesOn());
    }
    const kept = new Set([...this.live.values()].map(({ id }) => `${id}.log`));
    for (const name of namesIn(this.logs))
      if (!kept.has(name)) rmSync(join(this.logs, name), { force: true });
  }

  /** Waits for the end of a start, and keeps how it was; nothing where the server ends before. */
  async follow(
    trial: LiveTrial,
    ended: Promise<number | null>,
    keep: (code: number | null) => Promise<void> = () => Promise.resolve(),
  ): Promise<void> {
    this.live.set(trial.game, trial);
    this.events.publish({ kind: "trial", game: trial.game });
    const code = await ended;
    if (this.isClosed) return;
    await keep(code);
    await this.end(trial, code);
  }

  private async end(trial: LiveTrial, code: number | null): Promise<void> {
    const log = endOf(this.logOf(trial.id));
    await endTrial(this.db, trial.id, { code, log, fileLog: await this.fileLog(trial) });
    this.live.delete(trial.game);
    this.events.publish({ kind: "trial", game: trial.game });
  }

  /** What the game has written into its own log since it was started. */
  private async fileLog({ id, game }: LiveTrial): Promise<string[]> {
    const began = (await getTrial(this.db, id))?.began;
    const path = gameLog((await listGames(this.db)).find((each) => each.id === game));
    const stat = path === null ? undefined : statSync(path, { throwIfNoEntry: false });
    // File systems keep times less exactly than clocks do.
    const isOfIt = stat?.isFile() && began !== undefined && stat.mtimeMs > Date.parse(began) - 2000;
    return isOfIt ? endOf(path!) : [];
  }

  /** Its log from the beginning, until it has ended, or whoever reads has left. */
  async read(id: string, onLine: (line: string) => void, signal?: AbortSignal): Promise<void> {
    const log = new LogFile(this.logOf(id));
    for (let goesOn = true; goesOn && signal?.aborted !== true;) {
      goesOn = [...this.live.values()].some((each) => each.id === id);
      for (const line of log.next(!goesOn)) onLine(line);
      if (goesOn) await later(100);
    }
  }

  readonly close = (): void => {
    this.isClosed = true;
  };
}

const endOf = (path: string): string[] => new LogFile(path, mostBytes).next(true).slice(-mostLines);

/** Where a game writes how it went; null where its definition names no place. */
function gameLog(game: RegisteredGame | undefined): string | null {
  const { log } = game?.definition ?? {};
  return log && game ? join(game.folders[log.folder ?? "game"], log.path) : null;
}

const later = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms));
