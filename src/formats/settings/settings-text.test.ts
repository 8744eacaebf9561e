import { DOMParser } from "@xmldom/xmldom";
import { parse as parseIni } from "ini";
import { makeRandom } from "@/core/random";
import type { SettingsFormat } from "@/core/model/settings";
import { readSettings, writeSettings, writtenAs } from "./settings-text";

const bytesOf = (text: string) => Buffer.from(text, "utf8");
const value = <T>(outcome: { ok: true; value: T } | { ok: false; refusal: unknown }): T => {
  if (!outcome.ok) throw new Error(JSON.stringify(outcome.refusal));
  return outcome.value;
};
const fileOf = (format: SettingsFormat) => ({ path: `settings.${format}`, format });
const read = (format: SettingsFormat, text: string, at: string) =>
  value(readSettings(fileOf(format), bytesOf(text), [at]))[0]!.written;
const write = (format: SettingsFormat, text: string, at: string, written: string | null) =>
  Buffer.from(value(writeSettings(fileOf(format), bytesOf(text), [{ at, written }]))).toString("utf8");

const iniText = `; how it looks\r\n[View]\r\nWidth = 1280\r\nheight=800 ; rows\r\n\r\n[/Deep/Sea.Light]\r\nfog=1\r\n`;
const jsonText = `{\n\t// how it looks\n\t"view": { "width": 1280, "tints": ["red", "blue"], },\n\t"a/b": { "~": true }\n}\n`;
const xmlText = `<?xml version="1.0"?>\n<options>\n  <!-- <view width="1"/> -->\n  <view width="1280" name='a "b"'>wide &amp; bright</view>\n  <off/>\n</options>\n`;
const linesText = `# how it looks\nset width 1280\nset height = 800\nvsync\n`;

test.each([
  ["ini", iniText, "view/WIDTH", "1280"],
  ["ini", iniText, "View/height", "800 ; rows"],
  ["ini", iniText, "/deep/sea.light/fog", "1"],
  ["ini", iniText, "fog", null],
  ["json", jsonText, "/view/width", "1280"],
  ["json", jsonText, "/view/tints/1", '"blue"'],
  ["json", jsonText, "/a~1b/~0", "true"],
  ["json", jsonText, "/view/none", null],
  ["xml", xmlText, "/options/view/@width", "1280"],
  ["xml", xmlText, "/options/view", "wide &amp; bright"],
  ["xml", xmlText, "/options/off", ""],
  ["xml", xmlText, "/options/none/@x", null],
  ["lines", linesText, "set width", "1280"],
  ["lines", linesText, "set height", "800"],
  ["lines", linesText, "vsync", ""],
  ["lines", linesText, "set", "width 1280"],
  ["lines", linesText, "fog", null],
] as const)("%s: what stands at a place is read as it is written: %#", (format, text, at, written) =>
  expect(read(format, text, at)).toBe(written),
);

test.each([
  ["ini", iniText, "View/Width", "1280", "1920"],
  ["json", jsonText, "/view/tints/0", '"red"', '"sea"'],
  ["xml", xmlText, "/options/view/@width", "1280", "1920"],
  ["xml", xmlText, "/options/view", "wide &amp; bright", "a &lt; b"],
  ["lines", linesText, "set height", "800", "1080"],
] as const)("%s: nothing but the value changes: %#", (format, text, at, before, after) => {
  expect(write(format, text, at, after)).toBe(text.replace(`${before}`, after));
  expect(write(format, write(format, text, at, after), at, before)).toBe(text);
});

test.each([
  ["ini", iniText, "View/fog", "[View]\r\nWidth = 1280\r\nheight=800 ; rows\r\nfog = 2\r\n\r\n"],
  ["ini", "a=1", "New/b", "a=1\n\n[New]\nb=2\n"],
  ["ini", "[A]\nx=1\n", "b", "b=2\n[A]\nx=1\n"],
  ["json", jsonText, "/view/deep/fog", '"deep": {'],
  ["json", '{\n    "a": 1\n}\n', "/b", '{\n    "a": 1,\n    "b": 2\n}\n'],
  ["xml", xmlText, "/options/view/@fog", `name='a "b"' fog="2">wide`],
  ["xml", xmlText, "/options/off/deep/@fog", '  <off>\n    <deep fog="2"></deep>\n  </off>'],
  ["xml", xmlText, "/options/fog", "  <off/>\n  <fog>2</fog>\n</options>"],
  ["lines", linesText, "set fog", "vsync\nset fog=2\n".replace("=", " ")],
  ["lines", "fov=90", "fog", "fov=90\nfog=2\n"],
] as const)("%s: what is not there yet comes in where it belongs: %#", (format, text, at, shows) => {
  const after = write(format, text, at, "2");
  expect(after).toContain(shows);
  expect(read(format, after, at)).toBe("2");
  expect(read(format, write(format, after, at, null), at)).toBeNull();
});

test("a setting that came in as a line of its own goes without a trace", () => {
  for (const [format, text, at] of [
    ["ini", iniText, "View/fog"],
    ["json", '{\n  "a": 1\n}\n', "/fog"],
    ["xml", xmlText, "/options/fog"],
    ["xml", xmlText, "/options/view/@fog"],
    ["lines", linesText, "set fog"],
  ] as const)
    expect(write(format, write(format, text, at, "2"), at, null)).toBe(text);
});

test.each([
  ["json", "{ broken", "/a"],
  ["json", "[1]", "/0"],
  ["json", '{"a": 1}', "/a/b"],
  ["json", "{}", "a"],
  ["xml", "<a><b></a>", "/a/b"],
  ["xml", "<a/>", "/b/@c"],
  ["xml", "<a><b/></a>", "/a"],
  ["xml", "<a/>", "a/b"],
] as const)("%s: %s takes nothing at %s, and its file is named", (format, text, at) => {
  const refused = writeSettings(fileOf(format), bytesOf(text), [{ at, written: "1" }]);
  expect(refused).toMatchObject({
    refusal: { code: "settings-unfit", data: { path: `settings.${format}` } },
  });
});

test("a file that is not there is begun", () => {
  const begun = (format: SettingsFormat, at: string) =>
    Buffer.from(value(writeSettings(fileOf(format), null, [{ at, written: "2" }]))).toString();
  expect(begun("ini", "View/fog")).toBe("[View]\nfog=2\n");
  expect(JSON.parse(begun("json", "/view/fog"))).toEqual({ view: { fog: 2 } });
  expect(begun("xml", "/options/@fog")).toBe('<options fog="2">\n</options>\n');
  expect(begun("lines", "fog")).toBe("fog 2\n");
});

test("what is not UTF-8 comes out as it went in, but for the value", () => {
  const latin = Buffer.from("[View]\nname=Stra\xdfe\nwidth=1\n", "latin1");
  const after = Buffer.from(value(writeSettings(fileOf("ini"), latin, [{ at: "View/width", written: "2" }])));
  expect(after.toString("latin1")).toBe("[View]\nname=Stra\xdfe\nwidth=2\n");
  expect(writeSettings(fileOf("ini"), latin, [{ at: "View/width", written: "→" }])).toMatchObject({
    ok: false,
  });
  const wide = Buffer.concat([Buffer.from([0xff, 0xfe]), Buffer.from("a=1\r\n", "utf16le")]);
  const wider = Buffer.from(value(writeSettings(fileOf("ini"), wide, [{ at: "a", written: "→" }])));
  expect(wider.subarray(2).toString("utf16le")).toBe("a=→\r\n");
  const marked = bytesOf("\uFEFF{}");
  expect(value(writeSettings(fileOf("json"), marked, [{ at: "/a", written: "1" }]))[0]).toBe(0xef);
});

// By independent readers: the packages `ini` and `@xmldom/xmldom`, and the engine's own JSON.
type Said = string | number | boolean | null | undefined;
const inWords = (said: Said): string | null => (said === undefined || said === null ? null : String(said));
const sectionsOf = (read: unknown) => read as Record<string, Record<string, Said>>;
const outside: Readonly<
  Record<"ini" | "json" | "xml", (text: string, at: readonly string[]) => string | null>
> = {
  ini: (text, [section, key]) => inWords(sectionsOf(parseIni(text))[section!]?.[key!]),
  json: (text, [section, key]) => inWords(sectionsOf(JSON.parse(text))[section!]?.[key!]),
  xml: (text, [, key]) =>
    new DOMParser().parseFromString(text, "text/xml").getElementsByTagName("part")[0]!.getAttribute(key!),
};
const placeOf = (format: keyof typeof outside, [section, key]: readonly string[]): string =>
  ({ ini: `${section}/${key}`, json: `/${section}/${key}`, xml: `/options/part/@${key}` })[format];

test.each(["ini", "json", "xml"] as const)(
  "%s: 300 drawn texts say to another reader what was written",
  (format) => {
    const random = makeRandom(41);
    const drawn = ["a", "b c", "x<y", 'q"q', "it's", "ü→", "5", "true", "a&b", "{", "[x"];
    let text = {
      ini: "[part]\nold=1\n",
      json: '{"part": {"old": "1"}}',
      xml: "<options><part old='1'/></options>",
    }[format];
    const known = new Map<string, string>([["old", "1"]]);
    for (let at = 0; at < 300; at++) {
      const key = `k${random.below(12)}`;
      const isGone = random.chance(0.3);
      const said = random.pick(format === "ini" ? drawn.filter((each) => /^[\w→ü &<]+$/u.test(each)) : drawn);
      const section = "part";
      text = write(format, text, placeOf(format, [section, key]), isGone ? null : writtenAs(format, said));
      if (isGone) known.delete(key);
      else known.set(key, said);
      for (const each of ["old", ...Array.from({ length: 12 }, (_, number) => `k${number}`)]) {
        const found = outside[format](text, [section, each]);
        expect([text, each, found]).toEqual([text, each, known.get(each) ?? null]);
      }
    }
  },
);
