import { execFileSync } from "node:child_process";
import { createHash } from "node:crypto";
import { mkdir, mkdtemp, rm, symlink, writeFile } from "node:fs/promises";
import { tmpdir } from "node:os";
import { dirname, join } from "node:path";
import { testGame } from "@/core/testing/game";
import { readLooseFiles } from "./loose-files";

let folder: string;
beforeEach(async () => (folder = await mkdtemp(join(tmpdir(), "seating-loose-"))));
afterEach(() => rm(folder, { recursive: true, force: true }));

async function put(path: string, data: string | Buffer): Promise<void> {
  await mkdir(dirname(join(folder, path)), { recursive: true });
  await writeFile(join(folder, path), data);
}

const read = (known: string | null = null) => readLooseFiles(testGame, folder, known);
const shortHash = (data: string) => createHash("sha256").update(data).digest("hex").slice(0, 32);

test("what lies below the game's content folders is found, hashed where it is small, and read again only once it has changed", async () => {
  await put("Textures/Sea/b.tex", "green");
  await put("Textures/a.tex", "");
  await put("Textures/large.tex", Buffer.alloc(2 ** 20 + 1));
  await put("Pond.keel", "a plugin is no loose file");
  await put("sounds/a.wav", "no content folder");
  const first = await read();
  expect(first.files).toEqual([
    { path: "Textures/Sea/b.tex", size: 5, hash: shortHash("green"), part: null },
    { path: "Textures/a.tex", size: 0, hash: shortHash(""), part: null },
    { path: "Textures/large.tex", size: 2 ** 20 + 1, hash: null, part: null },
  ]);
  expect(await read(first.content)).toEqual({ content: first.content, files: null });
  await put("Textures/a.tex", "now with something in it");
  const second = await read(first.content);
  expect(second.content).not.toBe(first.content);
  expect(second.files!.map(({ hash }) => hash)).toContain(shortHash("now with something in it"));
  await rm(join(folder, "Textures/large.tex"));
  expect((await read(second.content)).files).toHaveLength(2);
});

test("what Seating laid out is none of the game's, and the game's own file of that path is found where it waits", async () => {
  await put("textures/own.tex", "the game's");
  await put("textures/laid.tex", "a mod's");
  await put("textures/over.tex", "a mod's, too");
  const aside = join(folder, "elsewhere");
  await writeFile(aside, "the game's below it");
  const before = await read();
  const laid = new Map([
    ["textures/laid.tex", null],
    ["textures/over.tex", aside],
  ]);
  const { content, files } = await readLooseFiles(testGame, folder, before.content, { laid });
  expect(content).not.toBe(before.content);
  expect(files!.map(({ path, hash }) => [path, hash])).toEqual([
    ["textures/over.tex", shortHash("the game's below it")],
    ["textures/own.tex", shortHash("the game's")],
  ]);
  await rm(join(folder, "textures/laid.tex"));
  expect((await readLooseFiles(testGame, folder, content, { laid })).files).toBeNull();
});

test("what is no plain file or has a name that no path may have is passed over, and a folder that is not there holds nothing", async () => {
  const { content, files } = await readLooseFiles(testGame, join(folder, "nowhere"), null);
  expect(files).toEqual([]);
  await put("textures/a.tex", "green");
  await put("textures/two\nlines.tex", "x");
  execFileSync("mkfifo", [join(folder, "textures/pipe")]);
  await symlink("/etc/hostname", join(folder, "textures/link.tex"));
  await symlink("nowhere", join(folder, "textures/broken.tex"));
  expect((await read(content)).files!.map(({ path }) => path)).toEqual(["textures/a.tex"]);
});
