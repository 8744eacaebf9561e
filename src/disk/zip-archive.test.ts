import { mkdtemp, rm, writeFile } from "node:fs/promises";
import { tmpdir } from "node:os";
import { join } from "node:path";
import fc from "fast-check";
import { strToU8, zipSync } from "fflate";
import { digestFile, sha256Of, sha256OfFile } from "./digest";
import { openZip } from "./zip-archive";

let folder: string;
beforeAll(async () => {
  folder = await mkdtemp(join(tmpdir(), "seating-zip-"));
});
afterAll(() => rm(folder, { recursive: true }));

const sound = zipSync(
  {
    "mod.json": strToU8(JSON.stringify({ id: "calm", text: "calm waters ".repeat(40) })),
    "textures/stored.tex": [strToU8("stored as it is, byte for byte"), { level: 0 }],
    "textures/empty.tex": new Uint8Array(),
    "calm.plank": strToU8("plank".repeat(100)),
  },
  { mtime: new Date(2026, 0, 1) },
);

/** What is said of each file, read at once, and as a stream; the archive is held in memory, so that hundreds can be tried. */
async function bothWays(bytes: Uint8Array, path = "") {
  const opened = await openZip(path, path === "" ? Buffer.from(bytes) : undefined);
  if (!opened.ok) return [];
  const digests = await Promise.all(
    opened.value.files.map(async (file) => ({
      isSmall: file.bytes !== null,
      atOnce: await digestFile(file, true),
      streamed: await digestFile({ ...file, bytes: null }, true),
    })),
  );
  expect(await opened.value.sha256()).toBe(sha256Of(bytes));
  await opened.value.close();
  return digests;
}

test("a file is the same, read at once or as a stream", async () => {
  const path = join(folder, "a.zip");
  await writeFile(path, sound);
  expect(await sha256OfFile(path)).toBe(sha256Of(sound));
  const digests = await bothWays(sound, path);
  expect(digests).toHaveLength(4);
  for (const { isSmall, atOnce, streamed } of digests) {
    expect([isSmall, atOnce.ok]).toEqual([true, true]);
    expect(atOnce).toEqual(streamed);
  }
});

test("whatever is wrong with an archive, both ways say the same of each file in it", async () => {
  const damage = fc.array(fc.record({ at: fc.nat(sound.length - 1), byte: fc.nat(255) }), {
    minLength: 1,
    maxLength: 3,
  });
  let refused = 0;
  await fc.assert(
    fc.asyncProperty(damage, async (places) => {
      const bytes = Uint8Array.from(sound);
      for (const { at, byte } of places) bytes[at] = byte;
      for (const { isSmall, atOnce, streamed } of await bothWays(bytes)) {
        expect(atOnce).toEqual(streamed);
        // Of a file that says it is large there is one way only.
        refused += Number(isSmall && !atOnce.ok);
      }
    }),
    { numRuns: 600 },
  );
  expect(refused).toBeGreaterThan(20);
});
