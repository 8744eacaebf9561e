import fc from "fast-check";
import semver from "semver";
import { compareVersions } from "./version";

const sign = (n: number) => Math.sign(n);

test("the precedence example of Semantic Versioning 2.0.0, section 11", () => {
  const rising = [
    "1.0.0-alpha",
    "1.0.0-alpha.1",
    "1.0.0-alpha.beta",
    "1.0.0-beta",
    "1.0.0-beta.2",
    "1.0.0-beta.11",
    "1.0.0-rc.1",
    "1.0.0",
  ];
  rising.forEach((a, i) => rising.forEach((b, j) => expect(sign(compareVersions(a, b))).toBe(sign(i - j))));
  expect(compareVersions("1.0.0", "2.0.0")).toBeLessThan(0);
  expect(compareVersions("2.0.0", "2.1.0")).toBeLessThan(0);
  expect(compareVersions("2.1.0", "2.1.1")).toBeLessThan(0);
});

test("agrees with npm's semver wherever that reads both", () => {
  const number = fc.nat(30).map(String);
  const part = fc.oneof(number, fc.constantFrom("alpha", "beta", "rc", "x-1"));
  const version = fc
    .tuple(number, number, number, fc.array(part, { maxLength: 3 }))
    .map(([a, b, c, pre]) => [a, b, c].join(".") + (pre.length > 0 ? `-${pre.join(".")}` : ""));
  fc.assert(
    fc.property(version, version, (a, b) => {
      expect(sign(compareVersions(a, b))).toBe(semver.compare(a, b));
    }),
    { numRuns: 500 },
  );
});

test("versions as people write them", () => {
  expect(compareVersions("v1.2", "1.2.0")).toBe(0);
  expect(compareVersions("1.0.0b", "1.0.0")).toBeGreaterThan(0);
  expect(compareVersions("1.0.0b", "1.0.1")).toBeLessThan(0);
  expect(compareVersions("1.0.0.1", "1.0.0")).toBeGreaterThan(0);
  expect(compareVersions("1.10", "1.9")).toBeGreaterThan(0);
  expect(compareVersions("final", "0.1")).toBeLessThan(0);
  expect(compareVersions("1.0.0+build7", "1.0.0")).toBe(0);
});

test("the order is total: antisymmetric and transitive over odd texts too", () => {
  const text = fc.oneof(
    fc.constantFrom("1", "v2.0", "1.0b", "1.0-rc.1", "1.0.0-1", "x", "", "01.002"),
    fc.string({ maxLength: 6 }),
  );
  fc.assert(
    fc.property(text, text, text, (a, b, c) => {
      expect(sign(compareVersions(a, b))).toBe(-sign(compareVersions(b, a)) + 0);
      if (compareVersions(a, b) <= 0 && compareVersions(b, c) <= 0)
        expect(compareVersions(a, c)).toBeLessThanOrEqual(0);
    }),
    { numRuns: 1000 },
  );
});
