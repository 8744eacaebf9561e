import { spawnSync } from "node:child_process";
import { closeSync, mkdtempSync, openSync, readFileSync, rmSync, statSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import type { OrderProblem, OrderResult } from "@/core/model/problem";

/** `seating order` in a process of its own, from the file to the written result; its memory is the highest it held, in MiB. */
export function runCommand(problem: OrderProblem) {
  const folder = mkdtempSync(join(tmpdir(), "seating-bench-"));
  const file = join(folder, "problem.json");
  const note = join(folder, "memory");
  const answer = join(folder, "result.json");
  writeFileSync(file, JSON.stringify(problem));
  const told = `import{writeFileSync}from"node:fs";process.on("exit",()=>writeFileSync(${JSON.stringify(note)},String(process.resourceUsage().maxRSS)))`;
  const flags = ["--import", `data:text/javascript,${encodeURIComponent(told)}`];
  const out = openSync(answer, "w");
  const start = performance.now();
  spawnSync(process.execPath, [...flags, "dist/seating.mjs", "order", file, "--fail-on", "never"], {
    stdio: ["ignore", out, "inherit"],
  });
  const command = performance.now() - start;
  closeSync(out);
  const memory = Math.round(Number(readFileSync(note, "utf8")) / 1024);
  const { size } = statSync(answer);
  const result = () => JSON.parse(readFileSync(answer, "utf8")) as OrderResult;
  return { command, memory, size, result, end: () => rmSync(folder, { recursive: true }) };
}
