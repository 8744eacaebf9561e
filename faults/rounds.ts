import { once } from "node:events";
import { watch } from "node:fs";
import { makeRandom } from "@/core/random";
import { Client } from "./client";
import { Promises } from "./promises";
import { startKillable } from "./server";
import { worksOf, type Work, type WorkAt } from "./work";

export interface Rounds {
  readonly answered: number;
  /** What was promised and is not so, by the round after which it was found. */
  readonly broken: readonly string[];
}

/** Starts the server on a data folder, works with it and kills it, again and again, and looks each time whether all is there. */
export async function killInRounds(
  home: string,
  rounds: number,
  seed: number,
  say: (line: string) => void = () => undefined,
): Promise<Rounds> {
  const random = makeRandom(seed);
  const broken: string[] = [];
  let promises: Promises | null = null;
  for (let round = 1; ; round++) {
    const server = await startKillable(home);
    const client = await Client.open(server.url, home, promises?.profile);
    const found = promises ? await promises.check(client) : [];
    broken.push(...found.map((each) => `after round ${round - 1}: ${each}`));
    const view = await client.workspace();
    promises ??= new Promises(view);
    if (round > rounds) {
      await server.stop();
      return { answered: promises.answered, broken };
    }
    const at: WorkAt = { client, random, view, promises, round };
    const works = worksOf(round).map((work) => untilGone(work, at));
    await pause(200 + random.below(2500));
    // Every other round in the moment in which a file is moved, before that is stored: chance would hardly ever hit it.
    if (round % 2 === 0) await nextMove(view.folders.shelves[0]!);
    await server.kill();
    await Promise.all(works);
    say(`round ${round} of ${rounds}: ${promises.answered} answered, ${broken.length} broken`);
  }
}

const pause = (milliseconds: number) => new Promise((done) => setTimeout(done, milliseconds));

/** Resolves at the next file that comes onto the shelf or goes from it; without one after some seconds. */
async function nextMove(shelf: string): Promise<void> {
  const watcher = watch(shelf);
  await Promise.race([once(watcher, "change"), pause(3000)]);
  watcher.close();
}

/** Until no answer comes; what the server refuses is no fault. */
async function untilGone(work: Work, at: WorkAt): Promise<void> {
  for (;;)
    try {
      await work(at);
    } catch {
      return;
    }
}
