import fc from "fast-check";
import type { ModManifest, ShelfMod } from "../model/shelf";
import { overlapsOf } from "../order/overlap";
import { makeRoster } from "../roster/roster";
import { aFile, drawnConflicts, testConflicts } from "../testing/contested";
import { aMod } from "../testing/ids";
import { testRoster } from "../testing/roster";
import { Chains } from "./chains";
import { overlapsIn } from "./overlaps";
import { everyConflict, surveyOf } from "./survey";

test("what is covered and copied, and how many pairs are undecided, is what the survey says of single items and pairs", () => {
  const seen = { covered: 0, copies: 0, undecided: 0 };
  fc.assert(
    fc.property(drawnConflicts, ({ conflicts, roster }) => {
      const overlaps = overlapsIn(conflicts, roster);
      const { standing } = overlaps;
      const { items } = surveyOf(conflicts, roster, "files", everyConflict);
      const copyOf = new Map(items.map(({ id, copyOf: of }) => [id, of]));
      for (const { id, of } of standing.copies) expect(copyOf.get(id)).toBe(of);
      const copies = new Set(standing.copies.map(({ id }) => id));
      // Of two that are copies of one another one is told, and no more.
      for (const { id, covered, copyOf: of } of items)
        if (of !== null && (covered || copyOf.get(of) === null)) expect(copies).toContain(id);
      const isCovered = items.filter(({ id, covered }) => covered && id !== "" && !copies.has(id));
      expect([...standing.covered.mods].sort()).toEqual(isCovered.map(({ id }) => id).sort());
      for (const list of ["mods", "plugins"] as const) {
        const chains = new Chains(roster, list);
        const open = [...overlapsOf(overlaps[list])].filter(
          ({ broader, narrower }) => !chains.leads(broader, narrower) && !chains.leads(narrower, broader),
        );
        const told = standing.undecided[list];
        expect(told?.count ?? 0).toBe(open.length);
        if (!told) continue;
        expect(told.shared).toBe(Math.max(...open.map(({ shared }) => shared)));
        const place = (id: string) => roster.lists[list].itemOf.get(id)!.place;
        expect(place(told.loser)).toBeLessThan(place(told.winner));
        seen.undecided++;
      }
      seen.covered += isCovered.length;
      seen.copies += copies.size;
    }),
    { numRuns: 400 },
  );
  for (const count of Object.values(seen)) expect(count).toBeGreaterThan(20);
});

test("packed files are hidden by loose ones of a mod that stands before, not by one that stands after or their own", () => {
  const roster = testRoster([{ name: "a.plank" }, { name: "b.plank" }, { name: "c.plank" }]);
  const packed = (path: string) => aFile(path, "2", { container: "one.spool" });
  const { conflicts } = testConflicts(roster, {
    a: [aFile("sky.tex"), aFile("reef.tex")],
    b: [
      aFile("one.spool", "9"),
      packed("sky.tex"),
      packed("reef.tex"),
      packed("own.tex"),
      packed("late.tex"),
    ],
    c: [aFile("late.tex", "3")],
  });
  expect(overlapsIn(conflicts, roster).standing.hidden).toEqual([
    { hidden: "b", by: "a", count: 2, path: "sky.tex" },
  ]);
});

test("a part that two packages bring is told where both take it, by its contents and not by its name", () => {
  const part = (id: string) => ({ id, label: id, paths: [`${id}/`], on: true });
  const withParts = (mod: ShelfMod, ids: readonly string[]): ShelfMod => {
    const manifest: ModManifest = { format: "seating-mod/1", id: mod.id, name: mod.name, version: "1" };
    return { ...mod, manifest: { ...manifest, components: ids.map(part) } };
  };
  const base = testRoster([{ name: "a.plank" }, { name: "b.plank" }]);
  const shelf = [
    withParts(base.stock.shelf[0]!, ["fog", "lamp"]),
    withParts(base.stock.shelf[1]!, ["mist", "lamp"]),
  ];
  const roster = makeRoster(base.game, base.profile, { ...base.stock, shelf });
  const files = {
    a: [aFile("fog.tex", "1", { part: "fog" }), aFile("lamp.tex", "2", { part: "lamp" })],
    b: [aFile("fog.tex", "1", { part: "mist" }), aFile("lamp.tex", "3", { part: "lamp" })],
  };
  const { conflicts } = testConflicts(roster, files);
  expect(overlapsIn(conflicts, roster).standing.twice).toEqual([
    { mods: ["a", "b"], parts: ["fog", "mist"] },
  ]);
  const choices = [{ mod: aMod("b"), options: {}, components: ["lamp"] }];
  const without = makeRoster(
    roster.game,
    { ...roster.profile, state: { ...roster.profile.state, choices } },
    roster.stock,
  );
  conflicts.show(without);
  expect(overlapsIn(conflicts, without).standing.twice).toEqual([]);
});
