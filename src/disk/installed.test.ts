import { mkdir, mkdtemp, rm, symlink, writeFile } from "node:fs/promises";
import { tmpdir } from "node:os";
import { dirname, join } from "node:path";
import { kitefall } from "@/standin/kitefall/definition";
import { readInstalled, readVersion } from "./installed";

let folder = "";
beforeEach(async () => void (folder = await mkdtemp(join(tmpdir(), "installed-"))));
afterEach(() => rm(folder, { recursive: true }));

const put = async (path: string, contents: string | Uint8Array = "x") => {
  await mkdir(dirname(join(folder, path)), { recursive: true });
  await writeFile(join(folder, path), contents);
};
const needs = (...files: string[]) => ({
  ...kitefall,
  edition: undefined,
  prerequisites: files.map((file, at) => ({ id: `n${at}`, name: file, file, purpose: "", source: "" })),
});
const astray = async (...files: string[]) => (await readInstalled(needs(...files), folder))!.astray;

test("of a game that asks for nothing nothing is read", async () => {
  expect(
    await readInstalled({ ...kitefall, edition: undefined, prerequisites: undefined }, folder),
  ).toBeUndefined();
});

test("a version is read from a text, and from a program in two bytes a letter", async () => {
  const read = () => readVersion(kitefall, folder);
  expect(await read()).toEqual({ standing: "absent", version: null });
  await put("base/about.ini", "version: none");
  expect(await read()).toEqual({ standing: "unlike", version: null });
  await put("base/about.ini", "version = 1.7.0\n");
  expect(await read()).toEqual({ standing: "read", version: "1.7.0" });
  const program = Buffer.concat([
    Buffer.from([0x4d, 0x5a, 0xff, 0x01]),
    Buffer.from("version =\x001.7.1\0", "utf16le"),
  ]);
  await put("base/about.ini", program);
  expect(await read()).toEqual({ standing: "read", version: "1.7.1" });
});

test("what is needed is there as the game compares paths, and a folder of that name is not it", async () => {
  await put("BASE/Wind.TBL");
  expect(await astray("base/wind.tbl")).toEqual([]);
  const { paths: _, ...rest } = needs("base/wind.tbl");
  const strict = await readInstalled({ ...rest, paths: { ignoreCase: false } }, folder);
  expect(strict!.astray).toEqual([{ id: "n0", at: null }]);
  await put("base2/wind.tbl/inner.dat");
  expect(await astray("base2/wind.tbl")).toEqual([{ id: "n0", at: "BASE/Wind.TBL" }]);
});

test("what lies elsewhere is found where it is nearest to the game's folder, and never outside of it", async () => {
  const outside = await mkdtemp(join(tmpdir(), "outside-"));
  await writeFile(join(outside, "loader.bin"), "x");
  await symlink(outside, join(folder, "aside"));
  expect(await astray("base/loader.bin")).toEqual([{ id: "n0", at: null }]);
  await put("mods/deep/er/loader.bin");
  await put("zoo/LOADER.bin");
  expect(await astray("base/loader.bin", "base/table.bin")).toEqual([
    { id: "n0", at: "zoo/LOADER.bin" },
    { id: "n1", at: null },
  ]);
  await rm(outside, { recursive: true });
});
