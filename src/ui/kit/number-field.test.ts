import { takenNumber } from "./number-field";

const free = { least: undefined, most: undefined, isNeeded: false };
const range = { least: 10, most: 100, isNeeded: true };

test("what is a number in range is taken as it is; a comma is a point", () => {
  expect(takenNumber(" 12 ", range)).toEqual({ value: 12, said: "" });
  expect(takenNumber("12,5", free)).toEqual({ value: 12.5, said: "" });
  expect(takenNumber("-3", free)).toEqual({ value: -3, said: "" });
  expect([takenNumber("10", range).said, takenNumber("100", range).said]).toEqual(["", ""]);
});

test("out of range it becomes the nearest that is not, and says so", () => {
  expect(takenNumber("9", range)).toEqual({ value: 10, said: "9 is too small: 10 is the least" });
  expect(takenNumber("1e9", range)).toEqual({ value: 100, said: "1000000000 is too large: 100 is the most" });
});

test("what is no number is not taken; nothing is, where a number may be left out", () => {
  expect(takenNumber("many", range)).toEqual({ value: undefined, said: "“many” is no number" });
  expect(takenNumber("Infinity", free).value).toBeUndefined();
  expect(takenNumber("  ", free)).toEqual({ value: null, said: "" });
  expect(takenNumber("", range)).toEqual({ value: undefined, said: "A number is needed" });
});
