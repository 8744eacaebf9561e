import { blankDefinition, readDefinition } from "@/core/game/definition-flaws";
import { GameDefinition } from "@/core/model/game";
import { Placement } from "@/core/model/placement";
import { PluginLayout } from "@/core/model/plugin-layout";
import { brinehollow } from "@/standin/brinehollow/definition";
import { kitefall } from "@/standin/kitefall/definition";
import { millwright } from "@/standin/millwright/definition";
import { withValue, type Draft, type FieldSpec } from "./field-specs";
import { lawGroups, settle } from "./law-fields";
import { layoutStarts } from "./layout-fields";

const fields = lawGroups.flatMap((group) => group.fields);

test("every law of a definition has a field", () => {
  const keys = new Set(fields.map((field) => field.key));
  expect(Object.keys(GameDefinition.shape).filter((key) => key !== "format" && !keys.has(key))).toEqual([]);
});

/** Keys of a value that no field of the form would show. */
function unseen(specs: readonly FieldSpec[], value: Draft, path = ""): string[] {
  const there = specs.filter(({ when }) => when === undefined || when(value));
  return Object.entries(value).flatMap(([key, inner]) => {
    const spec = there.find((each) => each.key === key);
    if (!spec) return [`${path}${key}`];
    if (spec.kind === "group") return unseen(spec.fields, inner as Draft, `${path}${key}.`);
    if (spec.kind === "rows")
      return (inner as Draft[]).flatMap((row, at) => unseen(spec.fields, row, `${path}${key}.${at}.`));
    return [];
  });
}

// What a section's hue is, is chosen in the plan; the container of a layout, and what a kind of setting fixes, stand apart.
const elsewhere = /^format$|\.hue$|^pluginLayout\.container$|^launchSettings\.\d+\.standard$/;

test.each([brinehollow, kitefall, millwright])("the form shows every part of $name", (definition) => {
  const plugins = definition.lists.includes("plugins");
  const own = /^(pluginExtensions|builtIn|baseFolder|loadRanks|counting)$/;
  const left = unseen(fields, definition).filter(
    (path) => !elsewhere.test(path) && (plugins || !own.test(path)),
  );
  expect(left).toEqual([]);
});

test("a layout to begin with lacks only what its user has to say", () => {
  const missing = (container: string) =>
    PluginLayout.safeParse(layoutStarts[container]).error!.issues.map((issue) => issue.path.join("."));
  expect(missing("riff")).toEqual(["formType"]);
  expect(missing("tagged")).toEqual(["tags.file", "tags.master"]);
});

test("a row to begin with is sound once its words are filled in", () => {
  for (const field of fields) {
    if (field.kind !== "rows" || field.key === "loadRanks" || field.key === "counting") continue;
    const row: Draft = { ...field.start, id: "x", name: "X", label: "X" };
    const known = field.fields.map((each) => each.key);
    const filled = Object.fromEntries(Object.entries(row).filter(([key]) => known.includes(key)));
    const words = {
      ...("folder" in filled && { folder: "x" }),
      ...("file" in filled && { file: "x" }),
      ...("path" in filled && { path: "x" }),
      ...("extension" in filled && { extension: ".x" }),
      ...("text" in filled && { text: "x" }),
      ...("program" in filled && { program: "x" }),
    };
    const draft = {
      ...blankDefinition,
      id: "pond",
      name: "Pond",
      sign: "a",
      [field.key]: [{ ...filled, ...words }],
    };
    expect([field.key, readDefinition(draft).flaws]).toEqual([field.key, []]);
  }
});

test("another kind of launch setting has the fields of its kind, and keeps what it is called", () => {
  const path = "launchSettings.0.";
  const number = settle(path, { kind: "number", id: "a", label: "A", guidance: "g", standard: false });
  expect(number).toEqual({
    kind: "number",
    id: "a",
    label: "A",
    guidance: "g",
    standard: 0,
    least: 0,
    most: 100,
  });
  expect(settle(path, number)).toBe(number);
  expect(settle(path, { ...number, kind: "choice" })).toMatchObject({ standard: "", choices: [] });
  const other = { kind: "number" };
  expect(settle("sections.0.", other)).toBe(other);
});

test("another way to find mods has what belongs to it", () => {
  const path = "placement.";
  const folders = settle(path, { kind: "folders" });
  expect(folders).toEqual({ kind: "folders", folder: "", name: "{id}" });
  expect(settle(path, { ...folders, kind: "merged", folder: "data", written: ["a/"] })).toEqual({
    kind: "merged",
    folder: "data",
    written: ["a/"],
  });
  expect(settle(path, { ...folders, kind: "list" })).toEqual({ kind: "list" });
  for (const kind of ["list", "folders", "merged"])
    expect(Placement.safeParse(settle(path, { kind })).success).toBe(true);
});

test("a value keeps its place among the others; an empty one is left out", () => {
  const draft = { a: 1, b: 2, c: 3 };
  expect(Object.keys(withValue(draft, "b", 5))).toEqual(["a", "b", "c"]);
  expect(withValue(draft, "b", undefined)).toEqual({ a: 1, c: 3 });
  expect(Object.keys(withValue(draft, "d", 4))).toEqual(["a", "b", "c", "d"]);
});
