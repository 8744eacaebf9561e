import fc from "fast-check";
import { RIFFFile } from "riff-file";
import { factsOfPlugin, readPlugin, writePlugin, type Plugin } from "./plugin";
import { headerOf } from "./plugin-facts";
import { readRiff, writeChunk, writeContainer } from "./riff";

const form = "SEAP";
const bytesOf = (text: string) => Uint8Array.from(text, (letter) => letter.charCodeAt(0));

const example: Plugin = {
  flags: 3,
  info: { INAM: "Glass Tides", IART: "lanternfish", ICMT: "Čisté mělčiny", ICRD: "2026-01-15" },
  masters: ["Pond.keel", "Tidal Core.keel"],
  records: ["reef-1@Pond.keel", "tide-2@Glass.plank"],
  lists: [
    {
      record: "finds@Pond.keel",
      entries: [
        { depth: 10, share: 65535, name: "crab" },
        { depth: 0, share: 1, name: "claw!" },
      ],
    },
  ],
};

/** Written out by hand after the published layout: name, little-endian size, contents, a pad byte where odd. */
const byHand = bytesOf(
  "RIFF\x32\0\0\0SEAP" +
    "head\x08\0\0\0\x01\0\0\0\x02\0\0\0" +
    "LIST\x16\0\0\0need" +
    "mstr\x09\0\0\0Pond.kee\0\0",
);

describe("the published layout of RIFF", () => {
  test("a file written out by hand, with an odd chunk and its pad byte", () => {
    const read = readPlugin(byHand, { formType: form });
    expect(read).toMatchObject({ ok: true, value: { flags: 2, masters: ["Pond.kee"] } });
  });

  test("an independent reader finds the same chunks at the same places in what we write", () => {
    const bytes = writePlugin(example, form);
    const other = new RIFFFile();
    other.setSignature(bytes);
    const signature = other.signature as {
      chunkId: string;
      chunkSize: number;
      format: string;
      subChunks: {
        chunkId: string;
        chunkSize: number;
        format?: string;
      }[];
    };
    expect([signature.chunkId, signature.chunkSize, signature.format]).toEqual([
      "RIFF",
      bytes.length - 8,
      form,
    ]);
    expect(signature.subChunks.map((chunk) => [chunk.chunkId, chunk.format])).toEqual([
      ["head", undefined],
      ["LIST", "INFO"],
      ["LIST", "need"],
      ["LIST", "recs"],
      ["LIST", "adds"],
    ]);
    const ours = readRiff(bytes, form);
    expect(ours.ok && ours.value.map((chunk) => [chunk.name, chunk.data.length])).toEqual(
      signature.subChunks.map((chunk) => [chunk.chunkId, chunk.chunkSize]),
    );
  });
});

test("a plugin is read back as it was written", () => {
  const read = readPlugin(writePlugin(example, form), { formType: form });
  expect(read).toEqual({ ok: true, value: example });
  const facts = factsOfPlugin(writePlugin(example, form), { container: "riff", formType: form });
  expect(facts.ok && headerOf(facts.value)).toMatchObject({
    title: "Glass Tides",
    records: 2,
    lists: 1,
    masters: example.masters,
  });
});

test("any plugin at all is read back as it was written", () => {
  const text = fc.string({ unit: "grapheme", maxLength: 12 }).filter((value) => !value.includes("\0"));
  const name = text.filter(
    (value) => value.length > 0 && !/[/\\\p{Cc}]/u.test(value) && value !== "." && value !== "..",
  );
  const plugin: fc.Arbitrary<Plugin> = fc.record({
    flags: fc.nat(2 ** 31 - 1),
    info: fc.record({ INAM: text, ICMT: text }),
    masters: fc.array(name, { maxLength: 3 }),
    records: fc.array(text, { maxLength: 3 }),
    lists: fc.array(
      fc.record({
        record: text,
        entries: fc.array(fc.record({ depth: fc.nat(65535), share: fc.nat(65535), name: text }), {
          maxLength: 3,
        }),
      }),
      { maxLength: 2 },
    ),
  });
  fc.assert(
    fc.property(plugin, (given) =>
      expect(readPlugin(writePlugin(given, form), { formType: form })).toEqual({ ok: true, value: given }),
    ),
  );
});

describe("hostile bytes", () => {
  const good = writePlugin(example, form);
  const code = (bytes: Uint8Array) => {
    const read = readPlugin(bytes, { formType: form });
    return read.ok ? "ok" : read.refusal.code;
  };
  const changed = (at: number, ...values: number[]) => {
    const copy = good.slice();
    copy.set(values, at);
    return copy;
  };

  test("each lie is named", () => {
    expect(code(new Uint8Array())).toBe("riff-not");
    expect(code(bytesOf("JUNKJUNKJUNKJUNK"))).toBe("riff-not");
    expect(code(good.subarray(0, good.length - 3))).toBe("riff-truncated");
    expect(code(changed(4, 0xff, 0xff, 0xff, 0x7f))).toBe("riff-truncated");
    expect(code(changed(16, 0xff, 0xff, 0, 0))).toBe("riff-truncated");
    expect(code(changed(8, 87, 65, 86, 69))).toBe("riff-form");
    expect(code(changed(12, 120))).toBe("riff-no-head");
    expect(code(changed(20, 9))).toBe("riff-head");
    expect(code(Uint8Array.from([...good, 1, 2, 3]))).toBe("riff-trailing");
  });

  test("a master that is a path, text that is no text, a list that promises too much", () => {
    const withList = (type: string, chunk: Uint8Array) =>
      writeContainer("RIFF", form, [
        writeChunk("head", bytesOf("\x01\0\0\0\0\0\0\0")),
        writeContainer("LIST", type, [chunk]),
      ]);
    expect(code(withList("need", writeChunk("mstr", bytesOf("../x.keel\0"))))).toBe("riff-master");
    expect(code(withList("need", writeChunk("mstr", bytesOf("a\nb\0"))))).toBe("riff-master");
    expect(code(withList("need", writeChunk("mstr", bytesOf("no end"))))).toBe("riff-text");
    // By the table of the Encoding standard 0xE4 is “ä” in Windows-1252 and “д” in Windows-1251, and 0xF6 “ö” and “ц”.
    const other = withList("recs", writeChunk("recd", Uint8Array.of(0xe4, 0xf6, 0)));
    expect(readPlugin(other, { formType: form })).toMatchObject({
      value: { records: ["äö"], guessedTexts: true },
    });
    expect(readPlugin(other, { formType: form, encoding: "windows-1251" })).toMatchObject({
      value: { records: ["дц"] },
    });
    expect(code(withList("adds", writeChunk("alst", bytesOf("r\0\xff\xff\xff\xff"))))).toBe("riff-list");
  });

  test("cut anywhere, and with any byte changed, it answers and never throws", () => {
    for (let length = 0; length < good.length; length++)
      expect(code(good.subarray(0, length))).not.toBe("ok");
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.nat(good.length - 1), fc.nat(255)), { minLength: 1, maxLength: 6 }),
        (changes) => {
          const copy = good.slice();
          for (const [at, value] of changes) copy[at] = value;
          expect(typeof code(copy)).toBe("string");
        },
      ),
      { numRuns: 3000 },
    );
  });
});

test("chunks may have other names, and their head another place for the flags, as a definition says", () => {
  const chunks = {
    head: "TOP ",
    flagsAt: 2,
    masters: { list: "deps", item: "file" },
    records: { list: "body", item: "item" },
  };
  const file = writeContainer("RIFF", "OWN ", [
    writeChunk("TOP ", bytesOf("\0\0\x05\0\0\0")),
    writeContainer("LIST", "deps", [writeChunk("file", bytesOf("Pond.keel\0"))]),
    writeContainer("LIST", "body", [writeChunk("item", bytesOf("reed\0"))]),
  ]);
  const layout = { container: "riff" as const, formType: "OWN ", chunks };
  expect(factsOfPlugin(file, layout)).toMatchObject({
    ok: true,
    value: { flags: 5, masters: ["Pond.keel"], records: ["reed"], recordCount: 1 },
  });
  const short = writeContainer("RIFF", "OWN ", [writeChunk("TOP ", bytesOf("\0\0\x05\0\0"))]);
  expect(factsOfPlugin(short, layout)).toMatchObject({ ok: false, refusal: { code: "riff-no-head" } });
});
