import { mkdtemp, readFile, rm, writeFile } from "node:fs/promises";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { Readable } from "node:stream";
import fc from "fast-check";
import { strFromU8, strToU8, unzipSync } from "fflate";
import { openZip } from "./zip-archive";
import type { ModFile } from "./mod-file";
import { readRows, RowArchiveWriter } from "./row-archive";

let folder: string;
beforeAll(async () => {
  folder = await mkdtemp(join(tmpdir(), "seating-rows-"));
});
afterAll(() => rm(folder, { recursive: true }));

const fileOf = (bytes: Uint8Array, piece: number): ModFile => ({
  path: "rows.json",
  size: bytes.length,
  crc32: null,
  bytes: null,
  open: () =>
    Promise.resolve(
      Readable.from(
        Array.from({ length: Math.ceil(bytes.length / piece) }, (_, at) =>
          bytes.subarray(at * piece, (at + 1) * piece),
        ),
      ),
    ),
});

async function rowsOf(file: ModFile): Promise<unknown[]> {
  const rows: unknown[] = [];
  for await (const some of readRows(file)) rows.push(...some.map((row) => JSON.parse(row) as unknown));
  return rows;
}

test("rows of any JSON, however they are written and cut into pieces, are read as JSON.parse reads them", async () => {
  await fc.assert(
    fc.asyncProperty(
      fc.array(fc.jsonValue()),
      fc.integer({ min: 1, max: 40 }),
      fc.nat(2),
      async (all, piece, space) => {
        const rows = all.map((each) => ({ each }));
        const bytes = strToU8(JSON.stringify(rows, null, space));
        expect(await rowsOf(fileOf(bytes, piece))).toEqual(JSON.parse(JSON.stringify(rows)));
      },
    ),
  );
});

test.each(["[1,2", '["a', "[[1]", "[1]]", "{"])("%s is told to be none", async (text) => {
  await expect(rowsOf(fileOf(strToU8(text), 2))).rejects.toThrow();
});

test("what is written is a zip archive that any other program reads, and nothing is written where there are no rows", async () => {
  const path = join(folder, "out.zip");
  const writer = new RowArchiveWriter(path);
  await writer.add("head.json", "{}");
  const long = "x".repeat(100_000);
  const batches = [['{"a":1}', '{"b":"ä"}'], [], [JSON.stringify({ long })]];
  await writer.addRows("some.json", Readable.from(batches));
  await writer.addRows("none.json", Readable.from([[]]));
  await writer.end();
  const files = unzipSync(await readFile(path));
  expect(Object.keys(files)).toEqual(["head.json", "some.json"]);
  const expected = [{ a: 1 }, { b: "ä" }, { long }];
  expect(JSON.parse(strFromU8(files["some.json"]!))).toEqual(expected);
  const opened = await openZip(path);
  if (!opened.ok) throw new Error(opened.refusal.code);
  expect(await rowsOf(opened.value.files[1]!)).toEqual(expected);
  await opened.value.close();
});

test("what cannot be written is thrown, and a file that is there is not written over", async () => {
  const path = join(folder, "there.zip");
  await writeFile(path, "mine");
  const writer = new RowArchiveWriter(path);
  await expect(
    (async () => {
      await writer.add("head.json", "{}");
      await writer.end();
    })(),
  ).rejects.toThrow("EEXIST");
  expect(await readFile(path, "utf8")).toBe("mine");
});
