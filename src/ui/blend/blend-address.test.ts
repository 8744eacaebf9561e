import fc from "fast-check";
import { blendFromQuery, blendToQuery, sheets } from "./blend-address";
import { listName } from "./list-rows";

test("what the view shows is found again in its address, and what is not understood says nothing", () => {
  const at = fc.option(fc.string({ unit: "grapheme", minLength: 1 }));
  fc.assert(
    fc.property(fc.record({ sheet: fc.constantFrom(...sheets), at }), (address) => {
      const query = new URLSearchParams(blendToQuery(address).toString());
      expect(blendFromQuery(query)).toEqual(address);
    }),
  );
  expect(blendFromQuery(new URLSearchParams("show=colours"))).toEqual({ sheet: "lists", at: null });
});

test("a list is called by its record without the file that has it", () => {
  expect(["bed@Pond.keel", "a@b@Pond.keel", "bed", "@Pond.keel"].map(listName)).toEqual([
    "bed",
    "a@b",
    "bed",
    "@Pond.keel",
  ]);
});
