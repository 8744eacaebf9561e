#!/usr/bin/env node
import { readFileSync } from "node:fs";
import { parseArgs } from "node:util";
import { plainText } from "@/core/messages/parts";
import { sayRefusal } from "@/core/messages/refusals";
import type { Outcome } from "@/core/model/outcome";
import { decodeText, parseJson } from "@/formats/text";
import { failLevels, order, seats, verify, why, type Answer, type FailLevel } from "./commands";
import { usage, type CommandName } from "./usage";

class WrongUse extends Error {}

const options = {
  help: { type: "boolean" },
  text: { type: "boolean" },
  "fail-on": { type: "string" },
} as const;

function readJson(path: string): unknown {
  let bytes: Uint8Array;
  try {
    bytes = readFileSync(path === "-" ? 0 : path);
  } catch (error) {
    throw new WrongUse(`${path} cannot be read (${(error as NodeJS.ErrnoException).code ?? "unknown"}).`);
  }
  const name = path === "-" ? "Standard input" : path;
  const text = orThrow(decodeText(bytes, name));
  return orThrow(parseJson(text.text, name));
}

function orThrow<T>(outcome: Outcome<T>): T {
  if (outcome.ok) return outcome.value;
  throw new WrongUse(plainText(sayRefusal(outcome.refusal)));
}

function run(command: CommandName, args: readonly string[], failOn: FailLevel): Answer {
  const [file = command === "order" ? "-" : undefined, second, third] = args;
  const wanted = { order: [0, 1], why: [2, 3], seats: [2, 2], verify: [2, 2] }[command];
  if (file === undefined || args.length < wanted[0]! || args.length > wanted[1]!)
    throw new WrongUse(usage[command]);
  const problem = readJson(file);
  if (command === "order") return orThrow(order(problem, failOn));
  if (command === "why") return orThrow(why(problem, second!, third));
  if (command === "seats") return orThrow(seats(problem, second!));
  return orThrow(verify(problem, readJson(second!)));
}

function main(): number {
  const { values, positionals } = parseArgs({ options, allowPositionals: true });
  const [command, ...args] = positionals;
  const isCommand = command !== undefined && command in usage && command !== "all";
  if (values.help || command === undefined) {
    process.stdout.write(isCommand ? usage[command as CommandName] : usage.all);
    return values.help ? 0 : 2;
  }
  if (!isCommand) throw new WrongUse(`There is no command “${command}”.\n\n${usage.all}`);
  const failOn = failLevels.find((level) => level === (values["fail-on"] ?? "blocker"));
  if (!failOn) throw new WrongUse(`--fail-on takes ${failLevels.join(", ")}.`);
  const answer = run(command as CommandName, args, failOn);
  process.stdout.write(`${values.text ? answer.text : JSON.stringify(answer.json, null, 2)}\n`);
  return answer.findings ? 1 : 0;
}

try {
  process.exitCode = main();
} catch (error) {
  const isUse = error instanceof WrongUse || (error as { code?: string }).code?.startsWith("ERR_PARSE_ARGS");
  process.stderr.write(`${isUse ? (error as Error).message : (error as Error).stack}\n`);
  process.exitCode = 2;
}
