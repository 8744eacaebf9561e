import { execFileSync } from "node:child_process";
import { once } from "node:events";
import { createServer } from "node:net";
import { chmod, mkdir, mkdtemp, rename, rm, symlink, utimes, writeFile } from "node:fs/promises";
import { tmpdir } from "node:os";
import { dirname, join } from "node:path";
import { zipSync, type Zippable } from "fflate";
import { sayProblem } from "@/core/messages/problems";
import { testGame } from "@/core/testing/game";
import { writePlugin } from "@/formats/plugin";
import { sha256OfFile } from "./digest";
import { readIfThere } from "./game-files";
import { openModFiles } from "./mod-files";
import type { ShelfMod } from "@/core/model/shelf";
import { readShelf, type ShelfProgress } from "./read-shelf";

let folder: string;
beforeEach(async () => (folder = await mkdtemp(join(tmpdir(), "seating-disk-"))));
afterEach(() => rm(folder, { recursive: true, force: true }));

const text = (words: string) => new TextEncoder().encode(words);
const plugin = writePlugin({ flags: 0, info: {}, masters: ["Pond.keel"], records: [], lists: [] }, "SEAP");

async function put(path: string, data: Uint8Array | string): Promise<void> {
  await mkdir(dirname(join(folder, path)), { recursive: true });
  await writeFile(join(folder, path), data);
}

const putZip = (path: string, files: Zippable) => put(path, zipSync(files, { mtime: new Date(2026, 0, 1) }));

const read = async (known: readonly ShelfMod[] = []) =>
  readShelf(testGame, [folder], known, {
    recall: (paths) => Promise.resolve(known.filter(({ path }) => paths.includes(path))),
  });

const files = {
  "seating-mod.json": text('{"format":"seating-mod/1","id":"reeds","name":"Reeds","version":"1.2"}'),
  "Reeds.plank": plugin,
  "textures/Reed.tex": text("green ".repeat(900)),
};

test("an archive lists what unzip -l lists", async () => {
  await putZip("a.zip", { ...files, "deep/er/still.txt": text("x") });
  const opened = await openModFiles(join(folder, "a.zip"));
  const ours = opened.ok ? opened.value.files.map((file) => `${file.size} ${file.path}`) : [];
  if (opened.ok) await opened.value.close();
  const listing = execFileSync("unzip", ["-l", join(folder, "a.zip")], { encoding: "utf8" });
  const theirs = [...listing.matchAll(/^\s*(\d+)\s+[\d-]+\s+[\d:]+\s+(.+)$/gm)].map(
    (match) => `${match[1]} ${match[2]}`,
  );
  expect(ours.sort()).toEqual(theirs.sort());
});

test("NIST's SHA-256 example of two blocks, from a file", async () => {
  await put("nist.txt", "abcdbcdecdefdefgefghfghighijhijkijkljklmklmnlmnomnopnopq");
  expect(await sha256OfFile(join(folder, "nist.txt"))).toBe(
    "248d6a61d20638b8e5c026930c3e6039a33ce45964ff2167f6ecedd419db06c1",
  );
});

test("a folder and archives of the same files have the same contents, with a top folder or without", async () => {
  await putZip("one.zip", files);
  await putZip(
    "two.zip",
    Object.fromEntries(Object.entries(files).map(([path, data]) => [`Top/${path}`, data])),
  );
  for (const [path, data] of Object.entries(files)) await put(`three/${path}`, data);
  await putZip("other.zip", { ...files, "textures/Reed.tex": text("brown") });
  const { mods } = await read();
  const contents = new Map(mods.map((mod) => [mod.path, mod.content]));
  expect(contents.get("one.zip")).toMatch(/^[0-9a-f]{64}$/);
  expect(contents.get("two.zip")).toBe(contents.get("one.zip"));
  expect(contents.get("three")).toBe(contents.get("one.zip"));
  expect(contents.get("other.zip")).not.toBe(contents.get("one.zip"));
  expect(mods[0]).toMatchObject({
    id: "reeds",
    name: "Reeds",
    files: 3,
    plugins: [{ name: "Reeds.plank", header: { masters: ["Pond.keel"] } }],
  });
});

test("a second reading touches only what has changed, and forgets what is gone", async () => {
  await putZip("a.zip", files);
  await put("b/Reeds.plank", plugin);
  await putZip("c.zip", files);
  const first = await read();
  expect([first.read, first.unchanged]).toEqual([3, 0]);
  const second = await read(first.mods);
  expect([second.read, second.unchanged]).toEqual([0, 3]);
  expect(second.mods[0]).toBe(first.mods[0]);
  await put("b/textures/new.tex", "new");
  await utimes(join(folder, "c.zip"), new Date(), new Date(2027, 0, 1));
  await rename(join(folder, "a.zip"), join(folder, "renamed.zip"));
  const third = await read(first.mods);
  expect([third.read, third.unchanged]).toEqual([3, 0]);
  expect(third.mods.map((mod) => mod.path)).toEqual(["b", "c.zip", "renamed.zip"]);
});

test("progress counts up to the total, and a reading can be cancelled", async () => {
  for (const name of ["a", "b", "c"]) await putZip(`${name}.zip`, files);
  const seen: ShelfProgress[] = [];
  await readShelf(testGame, [folder], [], { onProgress: (progress) => seen.push(progress) });
  expect(seen.map(({ done, total }) => [done, total])).toEqual([
    [1, 3],
    [2, 3],
    [3, 3],
  ]);
  await expect(readShelf(testGame, [folder], [], { signal: AbortSignal.abort() })).rejects.toThrow();
});

describe("what is unsound becomes a problem and stops nothing", () => {
  const sound = zipSync(files);
  const flip = (at: number) => {
    const copy = sound.slice();
    copy[at]! ^= 0xff;
    return copy;
  };
  const patch32 = (bytes: Uint8Array, signature: number, offset: number, value: number) => {
    const copy = bytes.slice();
    const view = new DataView(copy.buffer);
    for (let at = 0; at + 4 <= copy.length; at++)
      if (view.getUint32(at, true) === signature) view.setUint32(at + offset, value, true);
    return copy;
  };
  const patch16 = (bytes: Uint8Array, signature: number, offset: number, value: number) => {
    const copy = bytes.slice();
    const view = new DataView(copy.buffer);
    for (let at = 0; at + 4 <= copy.length; at++)
      if (view.getUint32(at, true) === signature) view.setUint16(at + offset, value, true);
    return copy;
  };
  const central = 0x02014b50;
  test.each([
    ["cut short", sound.subarray(0, sound.length - 40), "not-a-zip"],
    ["empty", new Uint8Array(), "not-a-zip"],
    ["no zip at all", text("hello"), "not-a-zip"],
    ["a byte changed inside a file", flip(60), "zip-corrupt"],
    [
      "a size that is a lie",
      patch32(zipSync({ "a.plank": plugin }, { level: 0 }), central, 24, plugin.length + 5),
      "not-a-zip",
    ],
    ["a checksum that is a lie", patch32(sound, central, 16, 1), "zip-corrupt"],
    ["files laid over one another", patch32(sound, central, 42, 0), "zip-overlap"],
    [
      "a size beyond belief",
      patch32(
        patch32(zipSync({ "textures/a": text("a".repeat(5000)) }), central, 24, 0x7fffffff),
        central,
        20,
        20,
      ),
      "zip-bomb",
    ],
    ["a way out", zipSync({ "a.plank": plugin, "../../x": text("x") }), "path-unsafe"],
    ["a name with a line break", zipSync({ "a\n.plank": plugin }), "path-control"],
    ["a name with quotes", zipSync({ 'a".plank': plugin }), "path-character"],
    ["nothing for a game", zipSync({ "readme.txt": text("hi") }), "no-content"],
    ["a manifest that is no JSON", zipSync({ "seating-mod.json": text("{") }), "manifest-broken"],
  ])("%s", async (_, bytes, code) => {
    await put("bad-1.0.zip", bytes);
    await putZip("good.zip", files);
    const { mods } = await read();
    expect(mods.map((mod) => [mod.path, mod.problem?.code])).toEqual([
      ["bad-1.0.zip", code],
      ["good.zip", undefined],
    ]);
    expect(sayProblem(mods[0]!.problem!)).not.toMatch(/undefined|\(not|could not be read \(/);
  });

  const problems = async () => (await read()).mods.map((mod) => [mod.path, mod.problem?.code]);

  test("a link is followed where it stays on the shelf, and told where it leads out of it or to itself", async () => {
    await putZip("good.zip", files);
    await put("mod/a.plank", plugin);
    await put("whole/a.plank", plugin);
    await symlink(join(folder, "good.zip"), join(folder, "inside.zip"));
    await symlink("../whole/a.plank", join(folder, "mod/b.plank"));
    await symlink("/etc/hostname", join(folder, "out.zip"));
    await symlink("/etc", join(folder, "outside"));
    await symlink("loop.zip", join(folder, "loop.zip"));
    await put("led/a.plank", plugin);
    await symlink("/etc/hostname", join(folder, "led/c.plank"));
    expect(await problems()).toEqual([
      ["good.zip", undefined],
      ["inside.zip", undefined],
      ["led", "link-outside"],
      ["loop.zip", "link-loop"],
      ["mod", undefined],
      ["out.zip", "link-outside"],
      ["outside", "link-outside"],
      ["whole", undefined],
    ]);
  });

  test("pipes and sockets are told, and nothing waits for them", async () => {
    await putZip("good.zip", files);
    await put("mod/a.plank", plugin);
    for (const name of ["pipe.zip", "mod/pipe", "pipe"]) execFileSync("mkfifo", [join(folder, name)]);
    const server = createServer().listen(join(folder, "socket.zip"));
    await once(server, "listening");
    expect(await problems()).toEqual([
      ["good.zip", undefined],
      ["mod", "not-plain"],
      ["pipe", "not-plain"],
      ["pipe.zip", "not-plain"],
      ["socket.zip", "not-plain"],
    ]);
    server.close();
    for (const name of ["order", "second", "third", "fourth", "fifth"]) {
      execFileSync("mkfifo", [join(folder, name)]);
      expect(await readIfThere(join(folder, name))).toMatchObject({
        refusal: {
          code: "game-file-unreadable",
          data: { detail: expect.stringContaining("no plain file") as string },
        },
      });
    }
  });

  test("names that are odd are told by name, each for what it is", async () => {
    await putZip("good.zip", files);
    await writeFile(
      Buffer.concat([Buffer.from(`${folder}/bad`), Buffer.of(0xff), Buffer.from(".zip")]),
      zipSync(files),
    );
    await putZip("turned \u202Epiz.zip", files);
    await putZip("nul.zip", files);
    const long = `${"ä".repeat(100)}/${"b".repeat(100)}`;
    await put(
      "long-1.0.zip",
      zipSync({ "a.plank": plugin, [`textures/${"ä".repeat(128)}`]: text("x"), [long]: text("y") }),
    );
    await put("overridden.zip", zipSync({ "a.plank": plugin, "textures/\u2066x": text("x") }));
    expect(await problems()).toEqual([
      ["bad%ff.zip", "path-encoding"],
      ["good.zip", undefined],
      ["long-1.0.zip", "path-long"],
      ["nul.zip", "path-device"],
      ["overridden.zip", "path-direction"],
      ["turned \u202Epiz.zip", "path-direction"],
    ]);
  });

  test("kinds of archive and methods that are not read are told with what to do", async () => {
    for (const name of ["a.7z", "b.rar", "c.tar.gz"]) await put(name, "whatever");
    const method = zipSync({ "a.plank": plugin });
    // Number 14 is LZMA, in the central directory and in the local header.
    const changed = patch16(patch16(method, central, 10, 14), 0x04034b50, 8, 14);
    await put("d.zip", changed);
    const { mods } = await read();
    expect(mods.map((mod) => sayProblem(mod.problem!))).toEqual([
      "it does not begin as an archive of the kind .7z does",
      "it does not begin as an archive of the kind .rar does",
      "archives of the kind .gz are not read; unpack it into a folder of its own",
      "“a.plank” is packed by a method that is not read (number 14); unpack it into a folder of its own",
    ]);
  });

  test("a folder that cannot be looked into, or changes meanwhile, stops nothing", async () => {
    await putZip("good.zip", files);
    await put("closed/a.plank", plugin);
    for (let n = 0; n < 300; n++) await put(`stirring/textures/${n}`, "x");
    await chmod(join(folder, "closed"), 0);
    const stirring = (async () => {
      for (let n = 0; n < 300; n++) await rm(join(folder, `stirring/textures/${n}`));
    })();
    const found = new Map((await problems()) as [string, string | undefined][]);
    await stirring;
    await chmod(join(folder, "closed"), 0o755);
    expect(found.get("good.zip")).toBeUndefined();
    // Whoever may do everything may look into it.
    expect([process.getuid?.() === 0 ? undefined : "cannot-read", "cannot-read"]).toContain(
      found.get("closed"),
    );
    expect(found.has("stirring")).toBe(true);
  });

  test.each([
    [
      "a zero character",
      '{"format":"seating-mod/1","id":"a","name":"a\\u0000b","version":"1"}',
      "zero character",
    ],
    [
      "half a character",
      '{"format":"seating-mod/1","id":"a","name":"a\\ud800","version":"1"}',
      "half a character",
    ],
    [
      "100,000 levels",
      `{"format":"seating-mod/1","id":"a","name":"a","version":"1","x":${"[".repeat(100_000)}${"]".repeat(100_000)}}`,
      "200 deep",
    ],
  ])("a manifest with %s is told for that", async (_, manifest, words) => {
    await put("odd-1.0.zip", zipSync({ "seating-mod.json": text(manifest), "a.plank": plugin }));
    await putZip("good.zip", files);
    const { mods } = await read();
    expect(mods.map((mod) => mod.problem?.code)).toEqual([undefined, "manifest-broken"]);
    expect(sayProblem(mods[1]!.problem!)).toContain(words);
  });

  test("a lying plugin spoils only itself", async () => {
    await putZip("a.zip", { "good.plank": plugin, "bad.plank": plugin.subarray(0, 30) });
    const [mod] = (await read()).mods;
    expect(mod!.problem).toBeNull();
    expect(mod!.plugins.map((each) => [each.name, each.problem?.code])).toEqual([
      ["good.plank", undefined],
      ["bad.plank", "riff-truncated"],
    ]);
  });
});
