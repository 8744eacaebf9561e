import "server-only";
import { spawn } from "node:child_process";
import { join } from "node:path";
import { createInterface } from "node:readline";
import { done, refuse, type Outcome } from "@/core/model/outcome";
import { root, type Context } from "../context";
import { currentGame } from "./situation";

export interface TrialEnd {
  readonly running: boolean;
}

/** Starts the stand-in game, a program of its own, in the game's folder; `onLine` gets its log line by line. */
export async function runTrial(
  context: Context,
  onLine: (line: string) => void,
  signal?: AbortSignal,
): Promise<Outcome<TrialEnd>> {
  const game = await currentGame(context);
  if (!game.ok) return game;
  const program = join(root(), "dist", "standin-game.mjs");
  const child = spawn(
    process.execPath,
    [program, "--definition", game.value.id, "--game", game.value.gameFolder],
    {
      stdio: ["ignore", "pipe", "pipe"],
      ...(signal ? { signal } : {}),
    },
  );
  const ended = new Promise<number | null>((resolve) => {
    child.once("error", () => resolve(null));
    child.once("close", resolve);
  });
  for (const stream of [child.stdout, child.stderr]) createInterface({ input: stream }).on("line", onLine);
  const code = await ended;
  if (signal?.aborted) return refuse("cancelled", { what: "The trial" });
  return code === 0 || code === 1
    ? done({ running: code === 0 })
    : refuse("trial-failed", { code: code ?? "?" });
}
