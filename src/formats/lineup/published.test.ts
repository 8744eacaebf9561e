import { readFileSync } from "node:fs";
import { join } from "node:path";
import { z } from "zod";
import { makeLineup } from "@/core/lineup/make-lineup";
import { shareSetup } from "@/core/lineup/share";
import { Lineup } from "@/core/model/lineup";
import { testGame } from "@/core/testing/game";
import { testRoster } from "@/core/testing/roster";
import { lineupFormats } from "./all";
import { readCode, writeCode } from "./code";

const docs = (path: string) => readFileSync(join(process.cwd(), "docs", path), "utf8");

const lineup = makeLineup(
  testRoster([
    { name: "Pond Life.keel" },
    { name: "Reeds.plank", masters: ["Pond Life.keel"] },
    { name: "Frogs.skiff", on: false },
    { name: "Reeds and Frogs.plank", section: "patches" },
  ]),
  { title: "The quiet pond", author: "reed", note: "Calm water.", listVersion: "1.2", date: "2026-11-01" },
);

test("the schema in docs/ is that of the code", () => {
  expect(JSON.parse(docs("schemas/seating-lineup-2.schema.json"))).toEqual(z.toJSONSchema(Lineup));
});

test.each(lineupFormats.map((format) => [`samples/the-quiet-pond${format.extension}`, format] as const))(
  "%s is what the code writes",
  (path, format) => {
    expect(docs(path)).toBe(format.write(lineup, testGame));
  },
);

test("the sample of a share code says what it was made of", () => {
  const setup = shareSetup(
    lineup,
    testGame,
    () => null,
    () => true,
  );
  expect(readCode(docs("samples/the-quiet-pond.code.txt"))).toEqual({ ok: true, value: setup });
  expect(writeCode(setup).startsWith("S2-")).toBe(true);
});
