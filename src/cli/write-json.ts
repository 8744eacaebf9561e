import { once } from "node:events";
import type { Writable } from "node:stream";

/** Characters that are written at once, about. */
const batch = 2 ** 20;

/** Writes a value as JSON, indented, without ever holding all of the text: what it is made of is read piece by piece. */
export async function writeJson(value: unknown, out: Writable): Promise<void> {
  let text = "";
  const flush = async () => {
    if (!out.write(text)) await once(out, "drain");
    text = "";
  };
  for (const piece of pieces(value, 2, "")) {
    text += piece;
    if (text.length >= batch) await flush();
  }
  text += "\n";
  await flush();
}

/** The text of `JSON.stringify(value, null, 2)`, taken apart down to `depth` levels. */
function* pieces(value: unknown, depth: number, indent: string): Generator<string> {
  if (depth === 0 || typeof value !== "object" || value === null) {
    yield JSON.stringify(value, null, 2).replaceAll("\n", `\n${indent}`);
    return;
  }
  const isList = Array.isArray(value);
  const inner = `${indent}  `;
  let head = isList ? "[\n" : "{\n";
  let isEmpty = true;
  for (const key of isList ? value.keys() : Object.keys(value)) {
    const each: unknown = (value as Record<string | number, unknown>)[key];
    if (each === undefined && !isList) continue;
    yield `${head}${inner}${isList ? "" : `${JSON.stringify(key)}: `}`;
    yield* pieces(each ?? null, depth - 1, inner);
    head = ",\n";
    isEmpty = false;
  }
  yield isEmpty ? (isList ? "[]" : "{}") : `\n${indent}${isList ? "]" : "}"}`;
}
