import { createHash } from "node:crypto";
import fc from "fast-check";
import { subjectKinds, type Subject } from "../model/subject";
import { findingKey, sortedSubjects } from "./identity";

const subject = fc.record({ kind: fc.constantFrom(...subjectKinds), id: fc.string({ unit: "binary" }) });

/** RFC 8785 for what there is here, by its section 3: no spaces, keys in order, texts as JSON writes them. */
const canonical = (check: string, subjects: readonly Subject[]): string =>
  `[${JSON.stringify(check)},[${subjects
    .map(({ kind, id }) => `{"id":${JSON.stringify(id)},"kind":${JSON.stringify(kind)}}`)
    .join(",")}]]`;

test("a finding is known again by its check and what it is about, in whatever order that is named (RFC 8785, FIPS 180-4)", () => {
  fc.assert(
    fc.property(
      fc.constantFrom("missing-master", "mods-clash"),
      fc.array(subject),
      fc.nat(),
      (check, all, by) => {
        const sorted = sortedSubjects(all);
        const key = findingKey(check, all);
        expect(key).toBe(createHash("sha256").update(canonical(check, sorted)).digest("hex").slice(0, 16));
        const turned = all.map((_, at) => all[(at + by) % all.length]!);
        expect(findingKey(check, [...turned, ...turned])).toBe(key);
        const keyOf = ({ kind, id }: Subject) => `${kind}\u0000${id}`;
        expect(sorted.every((each, at) => at === 0 || keyOf(sorted[at - 1]!) < keyOf(each))).toBe(true);
      },
    ),
  );
});

test("another check, another item or another kind is another finding", () => {
  const keys = [
    findingKey("a", [{ kind: "mod", id: "x" }]),
    findingKey("b", [{ kind: "mod", id: "x" }]),
    findingKey("a", [{ kind: "plugin", id: "x" }]),
    findingKey("a", [{ kind: "mod", id: "y" }]),
    findingKey("a", []),
  ];
  expect(new Set(keys).size).toBe(5);
});
