import { PassThrough } from "node:stream";
import { text } from "node:stream/consumers";
import fc from "fast-check";
import { writeJson } from "./write-json";

async function written(value: unknown): Promise<string> {
  const out = new PassThrough();
  const all = text(out);
  await writeJson(value, out);
  out.end();
  return all;
}

test("what is written in pieces is the text that JSON.stringify makes of the whole (ECMA-404)", async () => {
  await fc.assert(
    fc.asyncProperty(fc.jsonValue({ maxDepth: 4 }), async (value) => {
      expect(await written(value)).toBe(`${JSON.stringify(value, null, 2)}\n`);
    }),
    { numRuns: 300 },
  );
  expect(await written({ a: undefined, b: [], c: {}, d: [undefined] })).toBe(
    `${JSON.stringify({ b: [], c: {}, d: [null] }, null, 2)}\n`,
  );
});

test("each part is read when its turn comes, and then let go", async () => {
  let alive = 0;
  const part = () => ({
    get long() {
      alive++;
      return "x".repeat(100_000);
    },
  });
  const out = new PassThrough({ highWaterMark: 1 });
  const done = writeJson({ parts: Array.from({ length: 100 }, part) }, out);
  await new Promise((resolve) => setTimeout(resolve, 50));
  // Nobody takes anything yet: one batch was made and no more.
  expect(alive).toBeLessThan(20);
  out.resume();
  await done;
  expect(alive).toBe(100);
});
