import { mkdir, mkdtemp, readdir, readFile, rename, rm, writeFile } from "node:fs/promises";
import { tmpdir } from "node:os";
import { dirname, join } from "node:path";
import { foldersBelow } from "./shelf-places";
import { watchFolders } from "./watch-folders";

let folder: string;
let end: AbortController;
beforeEach(async () => {
  folder = await mkdtemp(join(tmpdir(), "seating-watch-"));
  end = new AbortController();
});
afterEach(() => {
  end.abort();
  return rm(folder, { recursive: true, force: true });
});

async function write(name: string, text: string): Promise<void> {
  await mkdir(dirname(join(folder, name)), { recursive: true });
  await writeFile(join(folder, name), text);
}

const heard = async (count: () => number, wanted: number) => {
  for (let tries = 0; tries < 200 && count() < wanted; tries++)
    await new Promise((done) => setTimeout(done, 20));
  return count();
};

const below = (root: string) => Promise.resolve(foldersBelow(root));

test("the first stir says that all is watched, many changes at once are one; after the end none is heard", async () => {
  let stirs = 0;
  watchFolders([folder], () => stirs++, end.signal);
  expect(await heard(() => stirs, 1)).toBe(1);
  for (let n = 0; n < 20; n++) await write(`${n}.zip`, "x");
  expect(await heard(() => stirs, 2)).toBe(2);
  end.abort();
  await write("later.zip", "x");
  await new Promise((done) => setTimeout(done, 800));
  expect(stirs).toBe(2);
});

test("what lies below is watched too: what was there, what comes, what takes its place", async () => {
  await mkdir(join(folder, "a/deep"), { recursive: true });
  let stirs = 0;
  watchFolders([folder], () => stirs++, end.signal, below);
  let wanted = 1;
  const isHeard = async (change: () => Promise<unknown>) => {
    await heard(() => stirs, wanted);
    await change();
    expect(await heard(() => stirs, ++wanted)).toBe(wanted);
  };
  await isHeard(() => write("a/deep/file.txt", "x"));
  await isHeard(() => mkdir(join(folder, "b/new/one"), { recursive: true }));
  await isHeard(() => write("b/new/one/file.txt", "x"));
  // Another folder by the same name, and a whole one that is moved in.
  await isHeard(async () => {
    await rm(join(folder, "a"), { recursive: true });
    await mkdir(join(folder, "a/deep"), { recursive: true });
  });
  await isHeard(() => write("a/deep/file.txt", "y"));
  await isHeard(() => rename(join(folder, "b"), join(folder, "c")));
  await isHeard(() => write("c/new/one/file.txt", "z"));
});

test("a folder that takes the place of the watched one is watched in its stead", async () => {
  await mkdir(join(folder, "shelf"));
  let stirs = 0;
  watchFolders([join(folder, "shelf")], () => stirs++, end.signal, below);
  await heard(() => stirs, 1);
  await rm(join(folder, "shelf"), { recursive: true });
  await mkdir(join(folder, "shelf/mod"), { recursive: true });
  expect(await heard(() => stirs, 2)).toBe(2);
  await write("shelf/mod/file.txt", "x");
  expect(await heard(() => stirs, 3)).toBe(3);
});

test("takes one watch of the system a folder, whatever lies in it", async () => {
  const watches = async () => {
    const ids = await readdir("/proc/self/fdinfo");
    const texts = await Promise.all(
      ids.map((id) => readFile(`/proc/self/fdinfo/${id}`, "utf8").catch(() => "")),
    );
    return texts.join("\n").split("inotify wd:").length - 1;
  };
  for (let n = 0; n < 40; n++) await write(`mods/${n % 4}/${n}.txt`, "x");
  const before = await watches();
  let stirs = 0;
  watchFolders([folder], () => stirs++, end.signal, below);
  await heard(() => stirs, 1);
  expect((await watches()) - before).toBe(6);
});

test("a folder that cannot be watched is no fault", async () => {
  let stirs = 0;
  expect(() => watchFolders([join(folder, "nowhere")], () => stirs++, end.signal, below)).not.toThrow();
  expect(await heard(() => stirs, 1)).toBe(1);
});
