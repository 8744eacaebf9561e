import { spawn } from "node:child_process";
import { mkdirSync, readFileSync } from "node:fs";
import { join } from "node:path";
import { home, quiet, root, say } from "./steps.mjs";

export const port = Number(process.env.SEATING_PORT ?? 4321);
export const address = `http://127.0.0.1:${port}`;

/** The server that uses this data folder already, if it answers where its lock says; the server itself looks closer. */
async function findRunning() {
  try {
    const first = JSON.parse(readFileSync(join(home, "server.lock"), "utf8"));
    const response = await fetch(`${first.address}/api/alive`, { signal: AbortSignal.timeout(5000) });
    return response.ok ? first : null;
  } catch {
    return null;
  }
}

export async function refuseSecondServer() {
  const first = await findRunning();
  if (!first) return;
  throw new Error(
    `Seating already runs with the data folder ${home}: ${first.address} (process ${first.pid}).\n` +
      `Use that one, stop it first, or name another folder with SEATING_HOME.`,
  );
}

/** Starts the production server on 127.0.0.1; resolves once it answers. */
export async function startServer(env = {}) {
  await refuseSecondServer();
  mkdirSync(home, { recursive: true, mode: 0o700 });
  say(`Starting the server with the data in ${home} …`);
  const child = spawn(process.execPath, [join(root, "dist/server.mjs")], {
    cwd: root,
    env: {
      ...quiet,
      NODE_ENV: "production",
      SEATING_ROOT: root,
      SEATING_HOME: home,
      SEATING_PORT: String(port),
      ...env,
    },
    stdio: ["ignore", "pipe", "inherit"],
  });
  const lines = [];
  child.stdout.on("data", (data) => lines.push(String(data)));
  const ended = new Promise((done) => child.once("exit", (code) => done(code ?? 1)));
  for (const signal of ["SIGINT", "SIGTERM"]) process.once(signal, () => child.kill(signal));
  for (let tries = 0; ; tries++) {
    const outcome = await Promise.race([ended.then((code) => ({ code })), answers(tries < 3 ? 150 : 400)]);
    if (outcome === true) return { child, ended };
    if (typeof outcome === "object" && outcome !== null)
      throw new Error(`The server stopped with code ${outcome.code}.\n${lines.join("")}`.trimEnd());
    if (tries > 300) throw new Error(`The server did not answer on ${address} within two minutes.`);
  }
}

async function answers(wait) {
  await new Promise((done) => setTimeout(done, wait));
  try {
    const response = await fetch(`${address}/api/alive`, { signal: AbortSignal.timeout(5000) });
    return response.ok ? true : null;
  } catch {
    return null;
  }
}
