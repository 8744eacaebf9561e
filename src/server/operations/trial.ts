import { say } from "@/core/language/say";
import "server-only";
import { spawn } from "node:child_process";
import { join } from "node:path";
import { createInterface } from "node:readline";
import { done, refuse, type Outcome } from "@/core/model/outcome";
import { root } from "@/disk/places";
import { noneMeant } from "@/disk/profiles-of-game";
import type { Context } from "../context";
import { orderFileGap } from "@/core/check/order-file";
import type { Profile } from "@/core/model/profile";
import type { RegisteredGame } from "@/store/games";
import { factsOfRoster, fingerprintOf } from "@/core/lineup/fingerprint";
import { saveTrial } from "@/store/health";
import { saveRun } from "@/store/profiles";
import { readOnDisk } from "./order-file";
import { profileOfGame } from "./profile-of-game";
import { currentGame, readSituation } from "./situation";

interface Ran {
  readonly profile: Profile;
  readonly fingerprint: string;
}

interface TrialEnd {
  readonly running: boolean;
}

/** The present profile, if the game reads it as it is. */
async function stateThatIsRead(context: Context, game: RegisteredGame): Promise<Ran | null> {
  const situation = game.profileId && (await readSituation(context, game.profileId));
  if (!situation || !situation.ok) return null;
  const { roster, profile } = situation.value;
  const onDisk = await readOnDisk(context, game);
  return orderFileGap(roster, onDisk) === null
    ? { profile, fingerprint: fingerprintOf(factsOfRoster(roster)) }
    : null;
}

/** Of a long log the end says how it went. */
const mostLines = 200;

function keepTrial({ db }: Context, { profile, fingerprint }: Ran, running: boolean, log: readonly string[]) {
  return db.transaction(async (tx) => {
    if (running) await saveRun(tx, profile.id, profile.state);
    await saveTrial(tx, profile.id, { running, fingerprint, log: log.slice(-mostLines) });
  });
}

/** Starts the stand-in game, a program of its own, in the game's folder; `onLine` gets its log line by line. */
export async function runTrial(
  context: Context,
  onLine: (line: string) => void,
  signal?: AbortSignal,
): Promise<Outcome<TrialEnd>> {
  const game = await currentGame(context);
  if (!game.ok) return game;
  const own = await profileOfGame(game.value);
  // Where the game keeps none yet, its start makes one.
  if (own && own.meant === null && own.names.length > 0) return noneMeant(game.value.definition, own);
  const program = join(root(), "dist", "standin-game.mjs");
  const child = spawn(
    process.execPath,
    [
      ...[program, "--game", game.value.folders.game, "--order", game.value.folders.order],
      ...(own?.meant ? ["--profile", own.meant] : []),
    ],
    { stdio: ["pipe", "pipe", "pipe"], ...(signal ? { signal } : {}) },
  );
  child.stdin.end(JSON.stringify(game.value.definition));
  const ended = new Promise<number | null>((resolve) => {
    child.once("error", () => resolve(null));
    child.once("close", resolve);
  });
  const log: string[] = [];
  const keep = (line: string) => {
    log.push(line);
    onLine(line);
  };
  for (const stream of [child.stdout, child.stderr]) createInterface({ input: stream }).on("line", keep);
  const ran = await stateThatIsRead(context, game.value);
  const code = await ended;
  if (signal?.aborted) return refuse("cancelled", { what: say("server.theTrial") });
  if (ran) await keepTrial(context, ran, code === 0, log);
  return code === 0 || code === 1
    ? done({ running: code === 0 })
    : refuse("trial-failed", { code: code ?? "?" });
}
