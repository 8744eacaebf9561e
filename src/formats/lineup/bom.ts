import { z } from "zod";
import { lineOfRow, rowsOf, type LineupRow } from "@/core/lineup/rows";
import { factsOfLineup, fingerprintOf, sha256Hex } from "@/core/lineup/fingerprint";
import type { Lineup } from "@/core/model/lineup";
import type { Listing } from "@/core/model/listing";
import { carriedByRows, wholeFingerprint, type LineupFormat } from "./format";

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
    ...(["section", "id", "source", "size", "content"] as const)
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

/** CycloneDX 1.6 (ECMA-424), JSON. */
export const bom: LineupFormat = {
  id: "bom",
  label: "Bill of materials (CycloneDX 1.6)",
  extension: ".cdx.json",
  mime: "application/vnd.cyclonedx+json",
  carries: carriedByRows,
  write: (lineup) => {
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
        properties: [
          property("game", lineup.game.id),
          property("game-version", lineup.game.version),
          ...(lineup.fingerprint === undefined ? [] : [property("fingerprint", lineup.fingerprint)]),
        ],
      },
      components: rowsOf(lineup).map(componentOf),
      dependencies: dependenciesOf(lineup),
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
      }),
    )
    .optional(),
});

/** The components of any bill of materials of this format; null where it is none. */
export function readBom(value: unknown): Listing | null {
  const parsed = Bom.safeParse(value);
  if (!parsed.success) return null;
  const { metadata, components = [] } = parsed.data;
  const said = (properties: z.infer<typeof Properties>) =>
    new Map(properties?.map(({ name, value: text }) => [name.replace(/^seating:/, ""), text ?? ""]));
  const game = said(metadata?.properties);
  const lines = components.map(({ name, version = "", hashes, properties }) => {
    const row = Object.create(null) as Record<string, string>;
    for (const [key, text] of said(properties)) row[key] = text;
    const sha256 = hashes?.find(({ alg }) => alg === "SHA-256")?.content ?? "";
    return lineOfRow(Object.assign(row, { name, version, sha256 }));
  });
  return {
    title: metadata?.component?.name ?? "",
    game: game.has("game") ? { id: game.get("game")!, version: game.get("game-version") ?? "" } : null,
    ...(wholeFingerprint.test(game.get("fingerprint") ?? "")
      ? { fingerprint: game.get("fingerprint")! }
      : {}),
    lines: lines.filter((line) => line !== null),
  };
}
