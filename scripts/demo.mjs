import { existsSync } from "node:fs";
import { rm } from "node:fs/promises";
import { join } from "node:path";
import { build, install } from "./lib/prepare.mjs";
import { address, refuseSecondServer, startServer } from "./lib/serve.mjs";
import { home, main, mustRun, root, say } from "./lib/steps.mjs";

const demo = join(home, "demo");

const isAfresh = process.argv.includes("--reset");

/** Removes only what Seating itself keeps in its data folder; the server does so with its database, once it holds the folder. */
async function reset() {
  say(`Starting afresh: removing the database and the demo in ${home} …`);
  await rm(demo, { recursive: true, force: true });
}

async function makeDemo() {
  if (existsSync(join(demo, "demo.json"))) return say("The demo's files are there");
  say("Writing the demo's archives and plugins …");
  await mustRun("The generator", process.execPath, [
    join(root, "dist/make-demo.mjs"),
    "--seed",
    "7",
    "--out",
    demo,
    ...sized(),
  ]);
}

/** `--mods N` asks for a smaller or a larger demo. */
function sized() {
  const at = process.argv.indexOf("--mods");
  return at < 0 ? [] : process.argv.slice(at, at + 2);
}

/** Registers the demo game, reads its shelf and makes its profiles, unless that was done. */
async function seed() {
  const response = await fetch(`${address}/api/demo`, { method: "POST" });
  const decoder = new TextDecoder();
  for await (const part of response.body) process.stdout.write(decoder.decode(part, { stream: true }));
  if (!response.ok) throw new Error("The demo could not be set up; the lines above say why.");
}

await main(async () => {
  await refuseSecondServer();
  if (isAfresh) await reset();
  await install();
  await build();
  await makeDemo();
  const { child, ended } = await startServer({
    SEATING_DEMO: demo,
    ...(isAfresh && { SEATING_AFRESH: "1" }),
  });
  try {
    await seed();
  } catch (error) {
    child.kill("SIGTERM");
    throw error;
  }
  say(`Seating is ready: ${address}   (Ctrl+C stops it)`);
  process.exitCode = await ended;
});
