import { factsHere, factsOfRoster, fingerprintOf } from "../lineup/fingerprint";
import { labelText } from "../messages/labels";
import { versionLines } from "../messages/versions";
import type { Edit } from "../model/edit";
import type { Choice, ProfileState } from "../model/profile";
import type { ShelfMod } from "../model/shelf";
import { makeRoster, type Roster, type Stock } from "../roster/roster";
import { hex, pluginFile, shelfMod, testRoster } from "../testing/roster";
import { arrivalsEdit } from "./edits";
import { applySteps } from "./steps";
import {
  compareVersionsOf,
  newerVersions,
  otherVersions,
  ownWorkEdit,
  pinEdit,
  versionEdit,
  type FileHashes,
} from "./versions";
import { aMod } from "../testing/ids";

const base = testRoster([{ name: "a.plank" }, { name: "b.plank", masters: ["a.plank"] }]);
const newer: ShelfMod = {
  ...shelfMod("a", [pluginFile("a.plank", ["Pond.keel"]), pluginFile("more.plank")], "2.0.0"),
};
const on = (roster: Roster, stock: Partial<Stock>, state: Partial<ProfileState> = {}): Roster =>
  makeRoster(
    roster.game,
    { ...roster.profile, state: { ...roster.profile.state, ...state } },
    { ...roster.stock, ...stock },
  );
const both = on(base, { shelf: [...base.stock.shelf, newer] });
const print = (roster: Roster) => fingerprintOf(factsOfRoster(roster));

function apply(from: Roster, edit: Edit | null): Roster {
  const applied = applySteps(from.profile.state, edit!.steps);
  if (!applied.ok) throw new Error(applied.refusal.code);
  const undone = applySteps(applied.value.state, applied.value.inverse);
  expect(undone.ok && undone.value.state).toEqual(from.profile.state);
  return on(from, {}, applied.value.state);
}

describe("what a profile holds stays what it is", () => {
  test("a newer version on the shelf changes nothing of it, and is told", () => {
    expect(both.modOf.get("a")!.mod!.version).toBe("1.0.0");
    expect(print(both)).toBe(print(base));
    expect(arrivalsEdit(both)).toBeNull();
    expect(newerVersions(both).map(({ item, to }) => [item.id, to.version])).toEqual([["a", "2.0.0"]]);
    expect(newerVersions(base)).toEqual([]);
  });

  test("where its contents are gone it is still known what they were: the same fingerprint, but nothing of them loads", () => {
    const [a, b] = base.stock.shelf;
    const gone = on(base, { shelf: [b!, newer], kept: [a!] });
    expect(gone.modOf.get("a")).toMatchObject({ gone: true, loads: true, mod: { version: "1.0.0" } });
    expect(gone.pluginOf.get("a.plank")).toMatchObject({ loads: false, withheld: "gone" });
    expect(print(gone)).toBe(print(base));
    // What is here is less than what is decided.
    expect(factsHere(gone).mods.map(({ id }) => id)).toEqual(["b"]);
    expect(factsHere(gone).plugins.map(({ name }) => name)).toEqual(["Pond.keel", "b.plank"]);
    expect(factsHere(base)).toEqual(factsOfRoster(base));
    const unknown = on(base, { shelf: [b!, newer] });
    expect(unknown.modOf.get("a")).toMatchObject({ gone: true, mod: null });
    // What is switched off does not count, gone or not.
    const off = (roster: Roster) => {
      const entries = roster.profile.state.plugins.entries.map((entry) =>
        entry.id === "a.plank" ? { ...entry, on: false } : entry,
      );
      return on(roster, {}, { plugins: { ...roster.profile.state.plugins, entries } });
    };
    expect(print(off(gone))).toBe(print(off(base)));
  });
});

describe("another version is taken", () => {
  test("as one edit with a restore point: its plugins come, switched on where the mod is, and can be taken back", () => {
    const edit = versionEdit(both, newerVersions(both))!;
    expect([edit.restorePoint, labelText(edit.label)]).toEqual(["Before a 2.0.0", "take a 2.0.0"]);
    const after = apply(both, edit);
    expect(after.modOf.get("a")!.mod).toBe(newer);
    expect(after.pluginOf.get("more.plank")).toMatchObject({ loads: true });
    expect(after.pluginOf.get("a.plank")!.place).toBe(both.pluginOf.get("a.plank")!.place);
    expect(newerVersions(after)).toEqual([]);
  });

  test("also an older one: what only the newer brought goes", () => {
    const after = apply(both, versionEdit(both, newerVersions(both)));
    const item = after.modOf.get("a")!;
    expect(otherVersions(after, item).map(({ version }) => version)).toEqual(["1.0.0"]);
    const back = apply(after, versionEdit(after, [{ item, to: otherVersions(after, item)[0]! }]));
    expect(back.pluginOf.has("more.plank")).toBe(false);
    expect(print(back)).toBe(print(base));
  });

  test("plugins that another mod brings too stay", () => {
    const twin = shelfMod("twin", [pluginFile("more.plank")]);
    const { mods } = both.profile.state;
    const entries = [
      ...mods.entries,
      { id: twin.id, on: true, section: mods.sections[0]!.id, content: twin.content! },
    ];
    const shared = on(both, { shelf: [...both.stock.shelf, twin] }, { mods: { ...mods, entries } });
    const after = apply(shared, versionEdit(shared, newerVersions(shared)));
    const item = after.modOf.get("a")!;
    const back = apply(after, versionEdit(after, [{ item, to: base.stock.shelf[0]! }]));
    expect(back.pluginOf.get("more.plank")!.mod!.id).toBe("twin");
  });

  test("parts that it no longer has are no longer chosen", () => {
    const part = (id: string) => ({ id, label: id, paths: [`${id}/`] });
    const manifest = (...ids: string[]) => ({
      format: "seating-mod/1" as const,
      id: "a",
      name: "a",
      version: "1",
      components: ids.map(part),
      options: [{ id: "look", label: "Look", choose: "any" as const, parts: ids.map(part) }],
    });
    const choice: Choice = { mod: aMod("a"), options: { look: ["x", "y"] }, components: ["x", "y"] };
    const shelf = [
      { ...base.stock.shelf[0]!, manifest: manifest("x", "y") },
      base.stock.shelf[1]!,
      { ...newer, manifest: manifest("y") },
    ];
    const chosen = on(base, { shelf }, { choices: [choice] });
    const after = apply(chosen, versionEdit(chosen, newerVersions(chosen)));
    expect(after.profile.state.choices).toEqual([
      { mod: aMod("a"), options: { look: ["y"] }, components: ["y"] },
    ]);
  });

  test("the version that is held already is no change", () => {
    const item = both.modOf.get("a")!;
    expect(versionEdit(both, [{ item, to: item.mod! }])).toBeNull();
    expect(versionEdit(both, [])).toBeNull();
  });
});

describe("what is followed by itself", () => {
  test("a mod of which nothing was known is pinned once it lies on the shelf", () => {
    const { mods } = base.profile.state;
    const entries = mods.entries.map(({ content: _, ...entry }) => entry);
    const unpinned = on(both, {}, { mods: { ...mods, entries } });
    const after = apply(unpinned, pinEdit(unpinned));
    expect(after.modOf.get("a")!.entry.content).toBe(newer.content);
    expect(pinEdit(after)).toBeNull();
    expect(pinEdit(both)).toBeNull();
  });

  test("one's own work, and what a generator made, moves its pin; nothing else does", () => {
    const [a, b] = base.stock.shelf;
    const changed = { ...a!, content: hex("changed"), path: "a" };
    const shelf = [changed, b!];
    expect(ownWorkEdit(on(base, { shelf, kept: [a!] }))).toBeNull();
    const own = on(base, { shelf, kept: [a!], ownWork: [aMod("a")] });
    const edit = ownWorkEdit(own)!;
    expect([edit.restorePoint, labelText(edit.label)]).toEqual([undefined, "follow a, your own work"]);
    expect(apply(own, edit).modOf.get("a")).toMatchObject({ gone: false, mod: { content: changed.content } });
    const generated = {
      ...a!,
      manifest: { format: "seating-mod/1" as const, id: "a", name: "a", version: "1", generated: "shadows" },
    };
    expect(ownWorkEdit(on(base, { shelf, kept: [generated] }))).not.toBeNull();
  });
});

test("what changes is said: files, plugins, masters, records, parts, requirements", () => {
  const [old] = base.stock.shelf;
  const manifest = (requires: { mod: string; versions?: string }[], parts: string[]) => ({
    format: "seating-mod/1" as const,
    id: "a",
    name: "a",
    version: "1",
    requires,
    components: parts.map((id) => ({ id, label: id, paths: [] })),
  });
  const from = { ...old!, manifest: manifest([{ mod: "core" }], ["ropes"]) };
  const header = { ...pluginFile("a.plank", ["Pond.keel"]).header!, records: 7 };
  const to = {
    ...newer,
    plugins: [{ ...newer.plugins[0]!, header }, newer.plugins[1]!],
    manifest: manifest([{ mod: "core", versions: ">=2" }], ["bells"]),
  };
  const files = (...entries: [string, string][]): FileHashes => new Map(entries);
  const difference = compareVersionsOf(base.game, from, to, [
    files(["a.plank", "1"], ["old.dat", "1"], ["same.dat", "1"]),
    files(["a.plank", "2"], ["more.plank", "1"], ["same.dat", "1"]),
  ]);
  expect(versionLines(difference)).toEqual([
    "1 plugin new: more.plank",
    "1 master of a.plank new: Pond.keel",
    "a.plank: 1 → 7 records",
    "1 requirement new: core >=2",
    "1 requirement gone: core",
    "1 part new: bells",
    "1 part gone: ropes",
    "1 file new: more.plank",
    "1 file gone: old.dat",
    "1 file changed: a.plank",
  ]);
  expect(versionLines(compareVersionsOf(base.game, from, from, [files(), files()]))).toEqual([
    "The same files, plugins and requirements.",
  ]);
});
