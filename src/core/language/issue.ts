import type { z } from "zod";
import { say } from "./say";

const types = new Set(["string", "number", "int", "boolean", "array", "object", "record"] as const);
type Type = typeof types extends Set<infer T> ? T : never;
const isType = (type: string): type is Type => (types as ReadonlySet<string>).has(type);

/** What is wrong with a value that came from outside, in our words: those of the checking library are not for people. */
export function issueText(issue: z.core.$ZodIssue): string {
  switch (issue.code) {
    case "invalid_type":
      return isType(issue.expected) ? say(`issue.type.${issue.expected}`) : say("issue.other");
    case "invalid_value":
      return say("issue.oneOf", { values: issue.values.map((value) => JSON.stringify(value)).join(", ") });
    case "too_small":
      return say("issue.tooSmall", { least: String(issue.minimum) });
    case "too_big":
      return say("issue.tooBig", { most: String(issue.maximum) });
    case "unrecognized_keys":
      return say("issue.unknownKeys", { keys: issue.keys.join(", ") });
    case "custom":
      return issue.message;
    default:
      // What a schema says itself of a form is said in a text of ours.
      return /^Invalid/.test(issue.message) ? say("issue.other") : issue.message;
  }
}
