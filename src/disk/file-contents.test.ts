import { mkdtemp, mkdir, rm, writeFile } from "node:fs/promises";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { strToU8, zipSync } from "fflate";
import type { ModManifest } from "@/core/model/shelf";
import { testGame } from "@/core/testing/game";
import { sha256Of } from "./digest";
import { readFileOfMod, readPlainFile } from "./file-contents";

let folder: string;
beforeAll(async () => {
  folder = await mkdtemp(join(tmpdir(), "seating-contents-"));
});
afterAll(() => rm(folder, { recursive: true, force: true }));

const game = { ...testGame, containers: [{ extension: ".spool", format: "zip" as const }] };
const place = { part: null, container: null };

/** The smallest picture: one point (the PNG specification, third edition). */
const point = Buffer.from(
  "89504e470d0a1a0a0000000d49484452000000010000000108060000001f15c4890000000d49444154789c6360606060000000050001a5f645400000000049454e44ae426082",
  "hex",
);
const files = {
  "notes/words.txt": strToU8("Grüße\nand more\n"),
  "Textures/Point.PNG": point,
  "textures/raw.tex": Uint8Array.from([0, 1, 2, 255]),
  "notes/latin.txt": Uint8Array.from([0x47, 0x72, 0xfc, 0xdf, 0x65]),
  "wide/textures/lens.txt": strToU8("wide"),
  "narrow/textures/lens.txt": strToU8("narrow"),
  "pack.spool": zipSync({ "textures/inside.txt": strToU8("packed") }),
  "seating-mod.json": strToU8(
    JSON.stringify({
      format: "seating-mod/1",
      id: "a",
      name: "A",
      version: "1",
      components: [
        { id: "wide", label: "Wide", paths: ["wide/"] },
        { id: "narrow", label: "Narrow", paths: ["narrow/"] },
      ],
    } satisfies ModManifest),
  ),
};

async function mods(): Promise<string[]> {
  const archive = join(folder, "a.zip");
  await writeFile(archive, zipSync(files));
  const unpacked = join(folder, "a");
  for (const [path, bytes] of Object.entries(files)) {
    await mkdir(join(unpacked, path, ".."), { recursive: true });
    await writeFile(join(unpacked, path), bytes);
  }
  return [archive, unpacked];
}

const read = async (mod: string, path: string, more = {}) => {
  const found = await readFileOfMod(game, mod, { ...place, path, ...more });
  if (!found.ok) throw new Error(found.refusal.code);
  return found.value;
};

test("of an archive and of a folder texts and pictures are read whole, of all else the first bytes; nothing that is not there", async () => {
  for (const mod of await mods()) {
    expect(await read(mod, "notes/words.txt")).toEqual({
      kind: "text",
      text: "Grüße\nand more\n",
      size: 17,
      sha256: sha256Of(files["notes/words.txt"]),
    });
    // As the game sees it, whatever the case of its letters.
    expect(await read(mod, "textures/point.png")).toMatchObject({
      kind: "picture",
      type: "image/png",
      base64: point.toString("base64"),
    });
    expect(await read(mod, "textures/raw.tex")).toMatchObject({ kind: "bytes", first: "000102ff" });
    expect(await read(mod, "notes/latin.txt")).toMatchObject({ kind: "bytes", first: "4772fcdf65" });
    expect(await read(mod, "notes/none.txt")).toBeNull();
    expect(await read(mod, "../a.zip")).toBeNull();
  }
});

test("a part’s file and one that lies packed are found where they lie", async () => {
  for (const mod of await mods()) {
    expect(await read(mod, "textures/lens.txt", { part: "wide" })).toMatchObject({ text: "wide" });
    expect(await read(mod, "textures/lens.txt", { part: "narrow" })).toMatchObject({ text: "narrow" });
    expect(await read(mod, "textures/lens.txt")).toBeNull();
    expect(await read(mod, "textures/inside.txt", { container: "pack.spool" })).toMatchObject({
      text: "packed",
    });
    expect(await read(mod, "textures/other.txt", { container: "pack.spool" })).toBeNull();
  }
});

test("a large text is not sent whole, and a file of the game is read where it lies", async () => {
  const path = join(folder, "long.txt");
  await writeFile(path, "x".repeat(256 * 1024 + 1));
  const long = await readPlainFile(path);
  expect(long).toMatchObject({ value: { kind: "bytes", size: 262_145, first: "78".repeat(128) } });
  await writeFile(path, "short");
  expect(await readPlainFile(path)).toMatchObject({ value: { kind: "text", text: "short" } });
  expect(await readPlainFile(join(folder, "none"))).toEqual({ ok: true, value: null });
  expect(await readPlainFile(folder)).toEqual({ ok: true, value: null });
});

test("what cannot be opened is refused with why", async () => {
  const broken = join(folder, "broken.zip");
  await writeFile(broken, zipSync(files).subarray(0, 300));
  expect(await readFileOfMod(game, broken, { ...place, path: "notes/words.txt" })).toMatchObject({
    ok: false,
  });
});
