/** 100 rounds of SIGKILL, and disks that fail; see docs/RELIABILITY.md. `npm run faults -- 20 7`: 20 rounds, seed 7. */
import { mkdir, rm } from "node:fs/promises";
import { join } from "node:path";
import { startSeating } from "../e2e/server";
import { failDisks } from "./disks";
import { killInRounds } from "./rounds";

const [rounds = 100, seed = 1] = process.argv.slice(2).map(Number);
const say = (line: string) => process.stdout.write(`• ${line}\n`);
const folder = join(process.cwd(), ".cache", "faults");
const home = join(folder, "home");
const make = async (path: string) => (await startSeating("demo.mjs", path)).stop();
await rm(folder, { recursive: true, force: true });
await mkdir(folder, { recursive: true });
say("Making the demo …");
await make(home);
const began = Date.now();
const { answered, broken } = await killInRounds(home, rounds, seed, say);
const disks = await failDisks(make, folder, say);
for (const each of [...broken, ...disks.broken]) say(`BROKEN ${each}`);
say(
  `${rounds} rounds with seed ${seed} in ${Math.round((Date.now() - began) / 1000)} s: ${answered} answered, ` +
    `${broken.length} broken; disks: ${disks.done.join(", ")}; ${disks.broken.length} broken`,
);
process.exitCode = broken.length + disks.broken.length > 0 ? 1 : 0;
