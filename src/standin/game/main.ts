import { appendFileSync, existsSync, mkdirSync, readFileSync, writeFileSync } from "node:fs";
import { dirname, join } from "node:path";
import { setTimeout } from "node:timers/promises";
import { parseArgs } from "node:util";
import type { Laws } from "./laws";
import { startGame } from "./start";
import { Stopped } from "./stopped";

/**
 * A stand-in game as a program: `--laws FILE` is its definition, `--game DIR` its own folder, `--order DIR` that of its order file,
 * `--profile NAME` which of the profiles that it keeps; `--bare`: without mods; `--stay SECONDS`: so long it is played. Exit 0: it ran; 1:
 * it stopped at start.
 */
async function main(): Promise<void> {
  const type = "string" as const;
  const { values } = parseArgs({
    options: {
      laws: { type },
      game: { type },
      order: { type },
      profile: { type },
      stay: { type },
      bare: { type: "boolean" },
    },
  });
  const folder = values.game ?? ".";
  const order = values.order ?? folder;
  const laws = JSON.parse(readFileSync(values.laws!, "utf8")) as Laws;
  const log = logOf(laws, { game: folder, order });
  try {
    await startGame(laws, folder, log, {
      order,
      profile: values.profile || null,
      isBare: values.bare === true,
    });
    countStarts(laws, { game: folder, order });
    await play(Number(values.stay ?? 0), log);
  } catch (error) {
    if (!(error instanceof Stopped)) throw error;
    log(`stopped: ${error.message}`);
    process.exitCode = 1;
  }
}

/** What a game writes into its own settings by itself: here, how often it was started with them. */
function countStarts({ keptFiles = [] }: Laws, folders: { readonly game: string; readonly order: string }) {
  for (const { path, folder } of keptFiles) {
    const whole = join(folders[folder ?? "game"], path);
    mkdirSync(dirname(whole), { recursive: true });
    const before = existsSync(whole) ? readFileSync(whole, "utf8") : "";
    const count = Number(/^starts=(\d+)$/m.exec(before)?.[1] ?? 0) + 1;
    const rest = before.split("\n").filter((line) => line !== "" && !line.startsWith("starts="));
    writeFileSync(whole, `${[...rest, `starts=${count}`].join("\n")}\n`);
  }
}

/** Says a line, and writes it into its own log, where its laws name one: that tells of this start alone. */
function logOf({ log }: Laws, folders: { readonly game: string; readonly order: string }) {
  const path = log && join(folders[log.folder ?? "game"], log.path);
  if (path) {
    mkdirSync(dirname(path), { recursive: true });
    writeFileSync(path, "");
  }
  return (line: string): void => {
    process.stdout.write(`${line}\n`);
    if (path) appendFileSync(path, `${line}\n`);
  };
}

async function play(seconds: number, log: (line: string) => void): Promise<void> {
  if (seconds === 0) return;
  const ended = new AbortController();
  process.once("SIGTERM", () => ended.abort());
  await setTimeout(seconds * 1000, null, { signal: ended.signal }).catch(() => undefined);
  log("ended");
}

main().catch((error: unknown) => {
  process.stderr.write(`${error instanceof Error ? error.stack : String(error)}\n`);
  process.exitCode = 2;
});
