import { spawn } from "node:child_process";
import { once } from "node:events";
import { mkdtemp, readFile, rm } from "node:fs/promises";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { buildSync } from "esbuild";

const served = `
  import { writeFileSync } from "node:fs";
  import { closeOnSignals } from "./closing";
  const [note, hangs] = process.argv.slice(2);
  const close = () => hangs === "hangs" ? new Promise(() => undefined) : Promise.resolve(writeFileSync(note, "closed "));
  closeOnSignals(close, () => writeFileSync(note, "given back", { flag: "a" }));
  setInterval(() => undefined, 1000);
  process.stdout.write("ready");
`;

let folder: string;
let program: string;
beforeAll(async () => {
  folder = await mkdtemp(join(tmpdir(), "seating-closing-"));
  program = join(folder, "served.mjs");
  buildSync({
    stdin: { contents: served, resolveDir: __dirname, loader: "ts" },
    outfile: program,
    bundle: true,
    platform: "node",
    format: "esm",
  });
});
afterAll(() => rm(folder, { recursive: true, force: true }));

test.each([
  ["SIGTERM", "closes", 143, "closed given back"],
  ["SIGINT", "closes", 130, "closed given back"],
  ["SIGTERM", "hangs", 143, "given back"],
] as const)(
  "%s ends a server whose database %s, and its folder is free",
  async (signal, way, code, noted) => {
    const note = join(folder, `${signal} ${way}`);
    const child = spawn(process.execPath, [program, note, way]);
    const ended = once(child, "exit");
    await once(child.stdout, "data");
    child.kill(signal);
    expect(await ended).toEqual([code, null]);
    expect(await readFile(note, "utf8")).toBe(noted);
  },
);
