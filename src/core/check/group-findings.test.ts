import fc from "fast-check";
import { plainText } from "../messages/parts";
import { sayGroup } from "../messages/finding-groups";
import type { Finding } from "../model/finding";
import { switchOff, switchOn } from "./fixes";
import { groupFindings, type FindingGroup } from "./group-findings";

const masterOff = (item: string, master: string): Finding => ({
  check: "master-off",
  id: "master-off",
  data: { item, master, mod: "" },
  level: "blocker",
  subjects: [{ list: "plugins", id: item }],
  fixes: [switchOn(master), switchOff("plugins", item)],
});
const missing = (item: string, name: string): Finding => ({
  check: "missing-master",
  id: "missing-master",
  data: { item, master: name },
  level: "blocker",
  subjects: [{ list: "plugins", id: item }],
  fixes: [switchOff("plugins", item)],
  wants: [{ kind: "plugin", name }],
});
const broken = (earlier: string, later: string): Finding => ({
  check: "rule-broken",
  id: "rule-broken",
  data: { earlier, later },
  level: "problem",
  subjects: [{ list: "plugins", id: later }],
  fixes: [{ id: "propose", data: {}, does: { act: "propose", list: "plugins" } }],
});
const clash = (item: string, other: string): Finding => ({
  check: "mods-clash",
  id: "mods-clash",
  data: { item, other, reason: "" },
  level: "problem",
  subjects: [],
  fixes: [switchOff("mods", item)],
});

const words = (group: FindingGroup) => {
  const said = sayGroup(group);
  return said && plainText(said);
};

describe("findings by cause", () => {
  it("are one where they need the same thing, with the one way out that ends all", () => {
    const [first, second] = groupFindings([
      masterOff("x", "Reef"),
      masterOff("a", "Core"),
      masterOff("b", "Core"),
      masterOff("c", "Core"),
    ]);
    expect(words(first!)).toBe("3 plugins need Core, which is switched off.");
    expect(first!.fixes).toEqual([switchOn("Core")]);
    expect(second!.findings).toEqual([masterOff("x", "Reef")]);
    expect(words(second!)).toBeNull();
    // What is said of one alone keeps its own ways out.
    expect(second!.fixes).toHaveLength(2);
  });

  it("ask once for what is not here", () => {
    const [group] = groupFindings([missing("a", "Core"), missing("b", "Core")]);
    expect(group!.wants).toEqual([{ kind: "plugin", name: "Core" }]);
    expect(group!.fixes).toEqual([]);
  });

  it("of a kind without a common cause are one from four on, with the ways out that they share", () => {
    const some = ["a", "b", "c"].map((item) => broken(item, "z"));
    expect(groupFindings(some).map(({ findings }) => findings)).toEqual(some.map((each) => [each]));
    const [group, ...others] = groupFindings([...some, broken("d", "z")]);
    expect(others).toEqual([]);
    expect(group!.fixes.map(({ id }) => id)).toEqual(["propose"]);
    expect(words(group!)).toBeNull();
    const clashes = ["a", "b", "c", "d"].map((item) => clash(item, "z"));
    expect(groupFindings(clashes)[0]!.fixes).toEqual([]);
  });

  it("of many causes, each of which is behind one alone, are one of their kind", () => {
    const shared = [masterOff("a", "Core"), masterOff("b", "Core")];
    const single = ["p", "q", "r", "s"].map((master) => masterOff(master, `of ${master}`));
    const groups = groupFindings([...single, ...shared]);
    expect(groups.map(({ findings, hasCause }) => [findings, hasCause])).toEqual([
      [single, false],
      [shared, true],
    ]);
    expect(groups.map(words)).toEqual([null, "2 plugins need Core, which is switched off."]);
  });

  it("stand by level, then by how much they explain", () => {
    const many = ["a", "b", "c", "d", "e"].map((item) => broken(item, "z"));
    const groups = groupFindings([
      missing("q", "Far"),
      masterOff("a", "Core"),
      masterOff("b", "Core"),
      ...many,
    ]);
    expect(groups.map(({ level, findings }) => [level, findings.length])).toEqual([
      ["blocker", 2],
      ["blocker", 1],
      ["problem", 5],
    ]);
  });

  it("lose and double none, and are told apart by their keys", () => {
    const aName = fc.constantFrom("a", "b", "c", "d");
    const aFinding = fc
      .tuple(fc.constantFrom(masterOff, missing, broken, clash), aName, aName)
      .map(([make, one, other]) => make(one, other));
    fc.assert(
      fc.property(fc.array(aFinding, { maxLength: 30 }), (findings) => {
        const groups = groupFindings(findings);
        const grouped = groups.flatMap((group) => group.findings);
        expect(grouped).toHaveLength(findings.length);
        expect(new Set(grouped)).toEqual(new Set(findings));
        expect(new Set(groups.map(({ key }) => key)).size).toBe(groups.length);
        for (const group of groups)
          for (const { does } of group.fixes)
            for (const finding of group.findings)
              expect(finding.fixes.map((fix) => fix.does)).toContainEqual(does);
      }),
    );
  });
});
