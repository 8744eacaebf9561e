// Loaded into the server of the tests before it starts: told so, it gives its data folder back and forgets it, and told so again, the
// next request opens what lies there then. A start takes as long as many a test.
const { readFileSync } = require("node:fs");
const { dirname, join } = require("node:path");
const { isMainThread } = require("node:worker_threads");

const isServer = isMainThread && process.argv[1]?.endsWith("server.mjs");

// The database is opened anew for each test. The engine compiles its program only once as long as somebody in the process holds it.
if (isServer) {
  const program = join(dirname(require.resolve("@electric-sql/pglite")), "pglite.wasm");
  globalThis.keptPostgres = WebAssembly.compile(readFileSync(program));
}

/** Between the two a page that was closed may still say something: that is no matter of the next folder, and must not open it too early. */
let isBetween = false;

async function forget() {
  const context = await globalThis.seatingContext;
  // What is under way would go on in the next folder.
  const isGetting = [...context.depots.queues.values()].some(({ state }) => state.running);
  if (isGetting || context.reading.size + context.writing.size > 0)
    return process.kill(process.pid, "SIGTERM");
  const refused = Promise.reject(new Error("the data folder is being made anew"));
  refused.catch(() => undefined);
  globalThis.seatingContext = refused;
  await context.close();
  isBetween = true;
  process.stderr.write("The data folder is free\n");
}

function openNext() {
  isBetween = false;
  globalThis.seatingContext = undefined;
  process.stderr.write("The data folder may be opened\n");
}

if (isServer) process.on("SIGUSR2", () => (isBetween ? openNext() : void forget()));
