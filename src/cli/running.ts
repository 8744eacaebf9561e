import { spawn } from "node:child_process";
import { once } from "node:events";
import { readFileSync } from "node:fs";
import { createServer, type AddressInfo } from "node:net";
import { join } from "node:path";
import { fileURLToPath } from "node:url";
import { say } from "@/core/language/say";
import type { ProfileId } from "@/core/model/ids";
import type { Outcome } from "@/core/model/outcome";
import { profileHeader, tokenHeader } from "@/core/model/window-headers";
import { home } from "@/disk/places";
import { orThrow, WrongUse } from "./wrong-use";

const scripts = fileURLToPath(new URL("../scripts", import.meta.url));

/** A Seating that runs, asked over its own address. */
export interface Seating {
  /** The answer to a path, for the profile that is named or the one that was last chosen. */
  readonly get: (path: string, query: Record<string, string>, profile?: ProfileId) => Promise<Response>;
  readonly post: (path: string, body: Uint8Array | string, more?: PostOptions) => Promise<Response>;
  /** An act that changes nothing. */
  readonly ask: <T>(act: string, args: readonly unknown[], profile?: ProfileId) => Promise<T>;
  readonly act: <T>(act: string, args: readonly unknown[], profile?: ProfileId) => Promise<T>;
}

interface PostOptions {
  readonly headers?: Record<string, string>;
  readonly profile?: ProfileId | undefined;
}

/** Works with the Seating that runs on the data folder, or with one that is started for it and stopped again. */
export async function withSeating<T>(work: (seating: Seating) => Promise<T>): Promise<T> {
  const running = await findRunning();
  if (running) return work(seatingAt(running));
  const { address, stop } = await startSeating();
  try {
    return await work(seatingAt(address));
  } finally {
    await stop();
  }
}

async function findRunning(): Promise<string | null> {
  try {
    const { address } = JSON.parse(readFileSync(join(home(), "server.lock"), "utf8")) as { address: string };
    const answer = await fetch(new URL("/api/alive", address), { signal: AbortSignal.timeout(5000) });
    return answer.ok ? address : null;
  } catch {
    return null;
  }
}

async function freePort(): Promise<number> {
  const server = createServer().listen(0, "127.0.0.1");
  await once(server, "listening");
  const { port } = server.address() as AddressInfo;
  server.close();
  await once(server, "close");
  return port;
}

async function startSeating(): Promise<{ address: string; stop: () => Promise<void> }> {
  const port = await freePort();
  const child = spawn(process.execPath, [join(scripts, "start.mjs")], {
    env: { ...process.env, SEATING_HOME: home(), SEATING_PORT: String(port) },
    stdio: ["ignore", "pipe", "pipe"],
  });
  const ended = once(child, "exit");
  let said = "";
  const isReady = new Promise<boolean>((resolve) => {
    const hear = (part: unknown) => {
      said += String(part);
      if (said.includes(`http://127.0.0.1:${port}`) && /is ready/.test(said)) resolve(true);
    };
    child.stdout.on("data", hear);
    child.stderr.on("data", hear);
    child.once("exit", () => resolve(false));
  });
  const stop = async () => {
    child.kill("SIGTERM");
    await ended;
  };
  if (!(await isReady)) throw new WrongUse(`${say("cli.notStarted")}\n${said.trim()}`);
  return { address: `http://127.0.0.1:${port}`, stop };
}

function tokenOf(): string {
  try {
    return readFileSync(join(home(), "token"), "utf8").trim();
  } catch {
    return "";
  }
}

function seatingAt(address: string): Seating {
  const token = tokenOf();
  const headersFor = (profile?: ProfileId): Record<string, string> => ({
    [tokenHeader]: token,
    ...(profile && { [profileHeader]: profile }),
  });
  const get: Seating["get"] = (path, query, profile) => {
    const url = new URL(path, address);
    url.search = new URLSearchParams({ ...query, ...(profile && { profile }) }).toString();
    return fetch(url, { headers: headersFor(profile) });
  };
  const post: Seating["post"] = (path, body, { headers = {}, profile } = {}) =>
    fetch(new URL(path, address), {
      method: "POST",
      body: body as BodyInit,
      headers: { ...headersFor(profile), ...headers },
    });
  return {
    get,
    post,
    ask: async <T>(act: string, args: readonly unknown[], profile?: ProfileId) =>
      unwrap<T>(await get(`/api/act/${act}`, { args: JSON.stringify(args) }, profile)),
    act: async <T>(act: string, args: readonly unknown[], profile?: ProfileId) =>
      unwrap<T>(
        await post(`/api/act/${act}`, JSON.stringify(args), {
          headers: { "content-type": "application/json" },
          profile,
        }),
      ),
  };
}

/** What a route answered; what it refused is told as it is in a window. */
export async function unwrap<T>(answer: Response): Promise<T> {
  return orThrow((await answer.json()) as Outcome<T>);
}

/** Runs one of the scripts by which Seating is started, until it ends; answers its exit code. */
export async function runScript(name: "start" | "demo", args: readonly string[]): Promise<number> {
  const child = spawn(process.execPath, [join(scripts, `${name}.mjs`), ...args], { stdio: "inherit" });
  // It stops by the same key, in its own time.
  process.on("SIGINT", () => undefined);
  process.on("SIGTERM", () => child.kill("SIGTERM"));
  const [code] = (await once(child, "exit")) as [number | null];
  return code ?? 0;
}
