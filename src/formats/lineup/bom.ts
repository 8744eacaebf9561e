import { say } from "@/core/language/say";
import { z } from "zod";
import { rowsOf, type LineupRow } from "@/core/lineup/rows";
import { dependsOn, headFields, headOf, listingOfTable } from "@/core/lineup/table";
import { factsOfLineup, fingerprintOf, sha256Hex } from "@/core/lineup/fingerprint";
import type { Lineup } from "@/core/model/lineup";
import type { Listing } from "@/core/model/listing";
import { carriedByRows, type LineupFormat } from "./format";

const property = (name: string, value: string) => ({ name: `seating:${name}`, value });
const refOf = (row: Pick<LineupRow, "list" | "id" | "name">): string =>
  row.list === "mods" ? `mod:${row.id}` : `plugin:${row.name}`;

/** A UUID that is the same for the same setup (RFC 9562, version 8: of one's own making). */
function serialOf(lineup: Lineup): string {
  const hex = sha256Hex(`${lineup.title}\n${lineup.listVersion}\n${fingerprintOf(factsOfLineup(lineup))}`);
  const parts = [
    hex.slice(0, 8),
    hex.slice(8, 12),
    `8${hex.slice(13, 16)}`,
    `a${hex.slice(17, 20)}`,
    hex.slice(20, 32),
  ];
  return `urn:uuid:${parts.join("-")}`;
}

function componentOf(row: LineupRow) {
  const properties = [
    property("list", row.list),
    property("on", row.on),
    ...(["section", "id", "source", "size", "content", "parts", "left-out"] as const)
      .filter((column) => row[column] !== "")
      .map((column) => property(column, row[column])),
  ];
  return {
    type: row.list === "mods" ? "library" : "file",
    "bom-ref": refOf(row),
    name: row.name,
    ...(row.version === "" ? {} : { version: row.version }),
    ...(row.sha256 === "" ? {} : { hashes: [{ alg: "SHA-256", content: row.sha256 }] }),
    properties,
  };
}

/** A mod depends on the mods that it requires, a plugin on its mod and its masters; only on what is listed. */
function dependenciesOf(lineup: Lineup) {
  const ids = new Set<string>(lineup.mods.map((mod) => mod.id));
  const nameOf = new Map(lineup.plugins.map(({ name }) => [name.toLowerCase(), name]));
  const known = <T>(values: readonly (T | undefined)[]) => [
    ...new Set(values.filter((value) => value !== undefined)),
  ];
  return [
    ...lineup.mods.map(({ id, requires = [] }) => ({
      ref: `mod:${id}`,
      dependsOn: known(requires.map((each) => (ids.has(each) ? `mod:${each}` : undefined))),
    })),
    ...lineup.plugins.map(({ name, mod, masters = [] }) => ({
      ref: `plugin:${name}`,
      dependsOn: known([
        mod !== null && ids.has(mod) ? `mod:${mod}` : undefined,
        ...masters
          .map((each) => nameOf.get(each.toLowerCase()))
          .map((each) => (each && each !== name ? `plugin:${each}` : undefined)),
      ]),
    })),
  ];
}

interface Dependency {
  readonly ref: string;
  readonly dependsOn?: readonly string[] | undefined;
}

/** Rows with what each needs, by its reference, so that the digests count it. */
function withNeeds<T extends object>(
  rows: readonly T[],
  refs: readonly string[],
  dependencies: readonly Dependency[],
) {
  const needs = new Map(dependencies.map((each) => [each.ref, JSON.stringify(each.dependsOn ?? [])]));
  return rows.map((row, at) => ({ ...row, [dependsOn]: needs.get(refs[at]!) ?? "" }));
}

/** CycloneDX 1.6 (ECMA-424), JSON. */
export const bom: LineupFormat = {
  id: "bom",
  get label() {
    return say("formats.billOfMaterialsCycloneDX16");
  },
  extension: ".cdx.json",
  mime: "application/vnd.cyclonedx+json",
  carries: carriedByRows,
  write: (lineup) => {
    const rows = rowsOf(lineup);
    const dependencies = dependenciesOf(lineup);
    const head = headOf(lineup, withNeeds(rows, rows.map(refOf), dependencies));
    const whole = {
      bomFormat: "CycloneDX",
      specVersion: "1.6",
      serialNumber: serialOf(lineup),
      version: 1,
      metadata: {
        component: {
          type: "application",
          "bom-ref": "lineup",
          name: lineup.title,
          version: lineup.listVersion,
          ...(lineup.author === "" ? {} : { authors: [{ name: lineup.author }] }),
        },
        properties: headFields
          .filter((field) => head[field] !== "")
          .map((field) => property(field, head[field])),
      },
      components: rows.map(componentOf),
      dependencies,
    };
    return `${JSON.stringify(whole, null, 2)}\n`;
  },
};

const Properties = z.array(z.looseObject({ name: z.string(), value: z.string().optional() })).optional();
const Bom = z.looseObject({
  bomFormat: z.literal("CycloneDX"),
  metadata: z
    .looseObject({
      component: z.looseObject({ name: z.string().optional() }).optional(),
      properties: Properties,
    })
    .optional(),
  components: z
    .array(
      z.looseObject({
        name: z.string(),
        version: z.string().optional(),
        hashes: z.array(z.looseObject({ alg: z.string(), content: z.string() })).optional(),
        properties: Properties,
        "bom-ref": z.string().optional(),
      }),
    )
    .optional(),
  dependencies: z
    .array(z.looseObject({ ref: z.string(), dependsOn: z.array(z.string()).optional() }))
    .optional(),
});

/** The components of any bill of materials of this format; null where it is none. */
export function readBom(value: unknown): Listing | null {
  const parsed = Bom.safeParse(value);
  if (!parsed.success) return null;
  const { metadata, components = [], dependencies = [] } = parsed.data;
  const said = (properties: z.infer<typeof Properties>) => {
    const texts = Object.create(null) as Record<string, string>;
    for (const { name, value: text = "" } of properties ?? []) texts[name.replace(/^seating:/, "")] = text;
    return texts;
  };
  const rows = components.map(({ name, version = "", hashes, properties }) => {
    const sha256 = hashes?.find(({ alg }) => alg === "SHA-256")?.content ?? "";
    return Object.assign(said(properties), { name, version, sha256 });
  });
  const refs = components.map((each) => each["bom-ref"] ?? "");
  return listingOfTable(
    metadata?.component?.name ?? "",
    said(metadata?.properties),
    withNeeds(rows, refs, dependencies),
  );
}
