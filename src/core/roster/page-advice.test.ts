import { Advice } from "../model/advice";
import { shelfMod, testRoster } from "../testing/roster";
import { adviceInPage, adviceOfOffered } from "./page-advice";
import { makeRoster } from "./roster";

const base = testRoster([{ name: "Reeds.plank" }, { name: "Tidal.plank" }, { name: "Tidal Core.plank" }]);
const named = (id: string, name: string) => ({ ...shelfMod(id), name });
const roster = makeRoster(base.game, base.profile, {
  ...base.stock,
  shelf: [
    ...base.stock.shelf,
    named("wide-lens", "Wide Lens"),
    named("old-fog", "Old Fog"),
    named("lamps", "Lamplight Rework"),
  ],
});
const page = `# Reeds 2.0
By somebody

## Requirements
- Tidal Core.plank (any version)
- Wide Lens

Not compatible with Old Fog, which draws the same.
Lamplight Rework is recommended: the reeds glow.
Reeds works on its own shore. Tidal waves are drawn, too.
After installing, start a new game!
Thanks to all who helped with Wide Lenses.`;

const said = (text: string) =>
  adviceInPage(roster, roster.pluginOf.get("Reeds.plank")!, text).map(({ kind, other, line }) => [
    kind,
    other?.name ?? line,
  ]);

test("names that a page puts beside words of needing and clashing, or below such a heading, are offered; warnings are notes", () => {
  expect(said(page)).toEqual([
    ["needs", "Tidal Core.plank"],
    ["needs", "Wide Lens"],
    ["clashes", "Old Fog"],
    ["recommended", "Lamplight Rework"],
    ["note", "After installing, start a new game!"],
  ]);
});

test("in German as well; the longer name counts, a part of a word does not, and what is about itself is not offered", () => {
  expect(
    said("Benötigt: Tidal Core.plank\nReeds braucht Reeds.plank\nVeraltet, ersetzt durch Wide Lens."),
  ).toEqual([
    ["needs", "Tidal Core.plank"],
    ["outdated", "Wide Lens"],
  ]);
  expect(said("Wide Lenses are required.")).toEqual([]);
  expect(said("Wide Lens came out last year.")).toEqual([]);
});

test("what is offered becomes advice with its source", () => {
  for (const offered of adviceInPage(roster, roster.pluginOf.get("Reeds.plank")!, page)) {
    const advice = adviceOfOffered({ plugin: "Reeds.plank" }, offered, {
      source: "its page",
      date: "2026-11-30",
    });
    expect(Advice.parse(advice)).toEqual(advice);
    expect(advice).toMatchObject({ source: "its page", text: offered.line });
  }
});
