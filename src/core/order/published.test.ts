import { readFileSync } from "node:fs";
import { join } from "node:path";
import { z } from "zod";
import { BlendOutput, BlendReport } from "../model/blend-report";
import { ConflictsReport, WinnersReport } from "../model/conflicts-report";
import { FindingsReport } from "../model/findings-report";
import { GameDefinition } from "../model/game";
import { OrderProblem, OrderResult } from "../model/problem";
import { ModManifest } from "../model/shelf";
import { propose } from "./propose";
import { readProblem } from "./read-problem";
import { verifyResult } from "./verify";
import { writeResult } from "./write-result";

const docs = (path: string): string => readFileSync(join("docs", path), "utf8");

test.each([
  ["seating-order-problem-1", OrderProblem],
  ["seating-order-result-1", OrderResult],
  ["seating-game-1", GameDefinition],
  ["seating-mod-1", ModManifest],
  ["seating-findings-1", FindingsReport],
  ["seating-conflicts-1", ConflictsReport],
  ["seating-winners-1", WinnersReport],
  ["seating-blend-1", BlendOutput],
  ["seating-blend-report-1", BlendReport],
] as const)("the schema %s in docs/ is that of the code", (name, schema) => {
  expect(JSON.parse(docs(`schemas/${name}.schema.json`))).toEqual(z.toJSONSchema(schema, { io: "input" }));
});

const exampleProblem = JSON.parse(docs("samples/problem.json")) as unknown;
const exampleResult = JSON.parse(docs("samples/result.json")) as OrderResult;

test("the result of the example is what the engine finds, and holds without it", () => {
  const problem = readProblem(exampleProblem);
  if (!problem.ok) throw new Error(JSON.stringify(problem.refusal));
  const found = writeResult(propose(problem.value).result);
  expect(JSON.parse(JSON.stringify(found))).toEqual(exampleResult);
  expect(verifyResult(problem.value, exampleResult)).toEqual([]);
});

/** Names of all fields of a schema, however deep. */
function fieldsOf(schema: unknown): Set<string> {
  const fields = new Set<string>();
  const visit = (value: unknown): void => {
    if (typeof value !== "object" || value === null) return;
    if ("properties" in value) for (const name of Object.keys(value.properties as object)) fields.add(name);
    for (const each of Object.values(value)) visit(each);
  };
  visit(schema);
  return fields;
}

test("docs/ORDERING.md names every field of a problem and of a result", () => {
  const text = docs("ORDERING.md");
  const fields = [...fieldsOf(z.toJSONSchema(OrderProblem)), ...fieldsOf(z.toJSONSchema(OrderResult))];
  expect(fields.length).toBeGreaterThan(20);
  expect(fields.filter((name) => !text.includes(`\`${name}\``))).toEqual([]);
});
