import fc from "fast-check";
import { noFilter } from "@/core/roster/plan-filter";
import { planFromQuery, planToQuery, type PlanAddress } from "./plan-address";

const word = fc.string({ minLength: 1, maxLength: 12 });
const answer = fc.constantFrom(null, true, false);
const addresses: fc.Arbitrary<PlanAddress> = fc.record({
  list: fc.constantFrom(null, "plugins", "mods"),
  item: fc.option(word),
  folded: fc.array(word, { maxLength: 4 }),
  sort: fc.constantFrom("", "name", "-size"),
  filter: fc.record({
    text: fc.oneof(fc.constant(""), word),
    loads: answer,
    section: fc.option(word),
    kind: fc.option(word),
    tag: fc.option(word),
    finding: fc.constantFrom(null, "any", "blocker", "hint"),
    ruled: answer,
    noted: answer,
    fresh: fc.boolean(),
    among: fc.constant(null),
  }),
});

test("what an address says of the plan is what was put into it, whatever signs it has", () => {
  fc.assert(
    fc.property(addresses, (address) => {
      const text = planToQuery(address).toString();
      expect(planFromQuery(new URLSearchParams(text))).toEqual(address);
    }),
  );
});

test("nothing is said of what is as it is at first, and what is not understood says nothing", () => {
  const plain: PlanAddress = { list: null, item: null, folded: [], sort: "", filter: noFilter };
  expect(planToQuery(plain).toString()).toBe("");
  expect(planFromQuery(new URLSearchParams("list=rubbish&loads=perhaps&finding=grave&placed=yes"))).toEqual(
    plain,
  );
});
