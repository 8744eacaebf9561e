import { createHash } from "node:crypto";
import fc from "fast-check";
import { contentHash } from "./content-hash";

const sha256 = (text: string) => createHash("sha256").update(text).digest("hex");
const file = (path: string) => ({ path, sha256: sha256(`the bytes at ${path}`) });

/** By the runtime's own hash and its own order of bytes. */
const expected = (files: readonly { path: string; sha256: string }[]) =>
  sha256(
    [...files]
      .sort((a, b) => Buffer.compare(Buffer.from(a.path), Buffer.from(b.path)))
      .map((each) => `${each.sha256} ${each.path}\n`)
      .join(""),
  );

test("of no files it is the hash of nothing (FIPS 180-4, of the empty message)", () => {
  expect(contentHash([])).toBe("e3b0c44298fc1c149afbf4c8996fb92427ae41e4649b934ca495991b7852b855");
});

test("files count by the bytes of their paths, where the order of UTF-16 is another one too", () => {
  // U+FF5E comes before U+1F980, whose first unit of UTF-16 is the smaller one.
  const files = ["\uff5e.dat", "\u{1f980}.dat", "\u{1f980}", "a/b", "a", "a b", "é.dat"].map(file);
  expect(contentHash(files)).toBe(expected(files));
  expect(contentHash([...files].reverse())).toBe(expected(files));
});

test("files count in the order of their paths, however they come", () => {
  const files = ["b.dat", "a.dat", "C.dat", "a/b.dat", "aa.dat"].map(file);
  expect(contentHash(files)).toBe(expected(files));
  expect(contentHash(files.slice(0, 2))).toBe(expected(files.slice(0, 2)));
});

test("whatever the paths, and in whatever order they come, it is the same as by the runtime", () => {
  const paths = fc.uniqueArray(fc.string({ unit: "grapheme", minLength: 1, maxLength: 6 }), {
    maxLength: 12,
  });
  fc.assert(
    fc.property(paths, (some) => {
      const files = some.map(file);
      expect(contentHash(files)).toBe(expected(files));
      expect(contentHash([...files].reverse())).toBe(expected(files));
    }),
  );
});

test("another path, another file or one more makes it another one", () => {
  const files = ["a.dat", "b.dat"].map(file);
  const others = [
    [files[0]!],
    [...files, file("c.dat")],
    [files[0]!, { ...files[1]!, path: "B.dat" }],
    [files[0]!, { ...files[1]!, sha256: sha256("other") }],
  ];
  expect(new Set([files, ...others].map((files) => contentHash(files))).size).toBe(5);
});
