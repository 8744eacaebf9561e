import fc from "fast-check";
import { levels } from "@/core/model/finding";
import { healthFromQuery, healthOf, healthToQuery, needsOfKey, sheets } from "./health-address";

const text = fc.string({ unit: "grapheme" });

test("what the view shows is found again in its address, and what is not understood says nothing", () => {
  fc.assert(
    fc.property(
      fc.record({
        sheet: fc.constantFrom(...sheets),
        hidden: fc.subarray([...levels]),
        text,
        fresh: fc.boolean(),
        item: fc.option(text.filter(Boolean)),
        at: fc.option(text.filter(Boolean)),
        of: fc.option(text.filter(Boolean)),
      }),
      (address) => {
        const query = new URLSearchParams(healthToQuery(address).toString());
        expect(healthFromQuery(query)).toEqual(address);
      },
    ),
  );
  expect(healthFromQuery(new URLSearchParams("by=colour&without=all"))).toEqual({
    sheet: "cause",
    hidden: [],
    text: "",
    fresh: false,
    item: null,
    at: null,
    of: null,
  });
  expect(healthOf("a b.plank")).toBe("/health?by=single&item=a+b.plank");
  expect(needsOfKey("plugin:a b.plank")).toBe("/health?by=needs&of=plugin%3Aa+b.plank");
});
