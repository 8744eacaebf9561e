#!/usr/bin/env node
import { say } from "@/core/language/say";
import { readFileSync } from "node:fs";
import { basename } from "node:path";
import { parseArgs } from "node:util";
import { plainText } from "@/core/messages/parts";
import { sayRefusal } from "@/core/messages/refusals";
import type { Outcome } from "@/core/model/outcome";
import { decodeText, parseJson } from "@/formats/text";
import type { Answer } from "./answer";
import type { ListOptions } from "./list-input";
import { failLevels, usage, type CommandName, type FailLevel } from "./usage";
import { writeJson } from "./write-json";

class WrongUse extends Error {}

const options = {
  help: { type: "boolean" },
  text: { type: "boolean" },
  "fail-on": { type: "string" },
  game: { type: "string" },
  shelf: { type: "string" },
  "game-folder": { type: "string" },
  to: { type: "string" },
} as const;

function readFile(path: string): { bytes: Uint8Array; name: string } {
  try {
    return {
      bytes: readFileSync(path === "-" ? 0 : path),
      name: path === "-" ? say("cli.standardInput") : basename(path),
    };
  } catch (error) {
    throw new WrongUse(
      say("cli.cannotBeRead", { path, code: (error as NodeJS.ErrnoException).code ?? "unknown" }),
    );
  }
}

function readJson(path: string): unknown {
  const { bytes, name } = readFile(path);
  const text = orThrow(decodeText(bytes, name));
  return orThrow(parseJson(text.text, name));
}

function orThrow<T>(outcome: Outcome<T>): T {
  if (outcome.ok) return outcome.value;
  throw new WrongUse(plainText(sayRefusal(outcome.refusal)));
}

/** How many files and names each command takes, at least and at most. */
const argumentsOf: Readonly<Record<CommandName, readonly [least: number, most: number]>> = {
  order: [0, 1],
  why: [2, 3],
  seats: [2, 2],
  verify: [2, 2],
  fingerprint: [1, 1],
  compare: [2, 2],
  convert: [1, 1],
  check: [1, 1],
};

// Each is loaded when it is asked for: the readers of all formats take longer than most orders.
const loadOrders = () =>
  import("./commands").then(({ order, why, seats, verify }) => ({ order, why, seats, verify }));
const loadLists = () =>
  import("./lists").then(({ check, compare, convert, fingerprint }) => ({
    check,
    compare,
    convert,
    fingerprint,
  }));

async function run(
  command: CommandName,
  args: readonly string[],
  failOn: FailLevel,
  asked: ListOptions,
): Promise<Answer> {
  const [least, most] = argumentsOf[command];
  if (args.length < least || args.length > most) throw new WrongUse(usage[command]);
  const [first = "-", second, third] = args;
  if (command === "order" || command === "why" || command === "seats" || command === "verify") {
    const orders = await loadOrders();
    const problem = readJson(first);
    if (command === "order") return orThrow(orders.order(problem, failOn));
    if (command === "why") return orThrow(orders.why(problem, second!, third));
    if (command === "seats") return orThrow(orders.seats(problem, second!));
    return orThrow(orders.verify(problem, readJson(second!)));
  }
  const lists = await loadLists();
  const list = readFile(first);
  if (command === "compare") return orThrow(await lists.compare(list, readFile(second!), asked));
  const { bytes, name } = list;
  return orThrow(await lists[command](bytes, name, asked));
}

async function main(): Promise<number> {
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
  const answer = await run(command as CommandName, args, failOn, values);
  for (const line of answer.aside ?? []) process.stderr.write(`${line}\n`);
  if (answer.raw !== undefined) process.stdout.write(answer.raw);
  else if (values.text) process.stdout.write(`${answer.text}\n`);
  else await writeJson(answer.json, process.stdout);
  return answer.findings ? 1 : 0;
}

try {
  process.exitCode = await main();
} catch (error) {
  const isUse = error instanceof WrongUse || (error as { code?: string }).code?.startsWith("ERR_PARSE_ARGS");
  process.stderr.write(`${isUse ? (error as Error).message : (error as Error).stack}\n`);
  process.exitCode = 2;
}
