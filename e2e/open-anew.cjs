// Loaded into the server of the tests before it starts: told so, it gives its data folder back and forgets it, and the next request
// opens what lies there then. A start takes as long as many a test.
const { isMainThread } = require("node:worker_threads");

async function forget() {
  const context = await globalThis.seatingContext;
  // What is under way would go on in the next folder.
  const isGetting = [...context.depots.queues.values()].some(({ state }) => state.running);
  if (isGetting || context.underWay.size > 0) return process.kill(process.pid, "SIGTERM");
  globalThis.seatingContext = undefined;
  await context.close();
  process.stderr.write("The data folder is free\n");
}

if (isMainThread && process.argv[1]?.endsWith("server.mjs")) process.on("SIGUSR2", () => void forget());
