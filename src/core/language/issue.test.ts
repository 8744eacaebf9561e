import { z } from "zod";
import { failureText } from "./failure";
import { issueText } from "./issue";

const said = (schema: z.ZodType, value: unknown): string => {
  const parsed = schema.safeParse(value);
  return parsed.success ? "" : issueText(parsed.error.issues[0]!);
};

test.each([
  [z.string(), 1, "a text is needed here"],
  [z.number(), "1", "a number is needed here"],
  [z.number().int(), 1.5, "a whole number is needed here"],
  [z.boolean(), "yes", "true or false is needed here"],
  [z.array(z.string()), {}, "a list is needed here"],
  [z.strictObject({}), [], "an object is needed here"],
  [z.record(z.string(), z.string()), 3, "an object is needed here"],
  [z.enum(["must", "prefer"]), "may", 'one of these is needed here: "must", "prefer"'],
  [z.literal("a/1"), "a/2", 'one of these is needed here: "a/1"'],
  [z.string().min(2), "x", "too short or too small: at least 2"],
  [z.number().max(5), 6, "too long or too large: at most 5"],
  [z.strictObject({ a: z.string() }), { a: "", b: 1, c: 2 }, "nothing is known of b, c"],
  [z.string().regex(/^a$/), "b", "not a valid value"],
  [z.string().regex(/^a$/, { error: () => "an a" }), "b", "an a"],
  [z.string().refine((text) => text === "a", { error: () => "only a" }), "b", "only a"],
  [z.union([z.string(), z.number()]), [], "not a valid value"],
  [z.discriminatedUnion("kind", [z.object({ kind: z.literal("a") })]), { kind: "b" }, "not a valid value"],
])("a value that does not fit is told in our words (%#)", (schema, value, words) => {
  expect(said(schema as z.ZodType, value)).toBe(words);
});

test.each([
  ["ENOENT: no such file or directory, open '/x/y'", "it is not there"],
  ["EACCES", "you have no right to it"],
  ["ENOSPC: no space left on device, write", "the disk is full"],
  ["it is there already", "it is there already"],
  ["ESOMETHING: odd", "ESOMETHING: odd"],
  ["", ""],
])("what the system says of %j is told as %j", (detail, words) => {
  expect(failureText(detail)).toBe(words);
});
