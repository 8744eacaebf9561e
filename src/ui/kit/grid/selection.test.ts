import fc from "fast-check";
import {
  afterClick,
  afterKey,
  afterMenuClick,
  findTyped,
  keepShown,
  nothingSelected,
  selectOne,
  type Selection,
} from "./selection";

const keys = ["a", "b", "c", "d", "e", "f"];
const none = { shiftKey: false, ctrlKey: false };
const shift = { ...none, shiftKey: true };
const ctrl = { ...none, ctrlKey: true };
const both = { shiftKey: true, ctrlKey: true };

const press = (now: Selection, ...pressed: (readonly [string, typeof none] | string)[]): Selection =>
  pressed.reduce((last: Selection, each) => {
    const [key, held] = typeof each === "string" ? ([each, none] as const) : each;
    return afterKey(keys, last, { key, ...held }, 3) ?? last;
  }, now);

describe("clicks", () => {
  test("one alone; one more and one less; a range either way; a range besides", () => {
    const one = afterClick(keys, nothingSelected, "c", none);
    expect(one).toEqual({ selected: ["c"], active: "c", anchor: "c" });
    const two = afterClick(keys, one, "e", ctrl);
    expect(two.selected).toEqual(["c", "e"]);
    expect(afterClick(keys, two, "c", ctrl).selected).toEqual(["e"]);
    expect(afterClick(keys, two, "c", shift).selected).toEqual(["c", "d", "e"]);
    const up = afterClick(keys, one, "a", shift);
    expect(up.selected).toEqual(["a", "b", "c"]);
    // The anchor stays: the next range goes the other way from the same row.
    expect(afterClick(keys, up, "d", shift).selected).toEqual(["c", "d"]);
    expect(afterClick(keys, { ...two, anchor: "e" }, "f", both).selected).toEqual(["c", "e", "f"]);
  });

  test("with the other button: on what is selected it stays, elsewhere that row is selected", () => {
    const two = { selected: ["b", "c"], active: "b", anchor: "b" };
    expect(afterMenuClick(two, "c")).toEqual({ ...two, active: "c" });
    expect(afterMenuClick(two, "e")).toEqual(selectOne("e"));
  });

  test("Shift with nothing before selects that row", () => {
    expect(afterClick(keys, nothingSelected, "d", shift)).toEqual(selectOne("d"));
  });
});

describe("keys", () => {
  test("walk from the first, in steps and pages, to both ends, and no further", () => {
    expect(press(nothingSelected, "ArrowDown")).toEqual(selectOne("a"));
    expect(press(nothingSelected, "ArrowUp")).toEqual(selectOne("f"));
    expect(press(selectOne("b"), "PageDown", "PageDown")).toEqual(selectOne("f"));
    expect(press(selectOne("b"), "PageUp")).toEqual(selectOne("a"));
    expect(press(selectOne("b"), "End", "Home", "ArrowUp")).toEqual(selectOne("a"));
  });

  test("with Shift a range grows, shrinks, and goes over to the other side of where it began", () => {
    const down = ["ArrowDown", shift] as const;
    const up = ["ArrowUp", shift] as const;
    expect(press(selectOne("c"), down, down).selected).toEqual(["c", "d", "e"]);
    expect(press(selectOne("c"), down, down, up).selected).toEqual(["c", "d"]);
    expect(press(selectOne("c"), down, up, up).selected).toEqual(["b", "c"]);
    expect(press(selectOne("c"), ["End", shift]).selected).toEqual(["c", "d", "e", "f"]);
    expect(press(selectOne("c"), ["Home", shift]).selected).toEqual(["a", "b", "c"]);
  });

  test("Ctrl+A takes all and stays where it is; Escape none", () => {
    const all = press(selectOne("c"), ["a", ctrl]);
    expect(all).toEqual({ selected: keys, active: "c", anchor: "c" });
    expect(press(all, "Escape")).toEqual({ selected: [], active: "c", anchor: "c" });
    expect(afterKey(keys, nothingSelected, { key: "Escape", ...none }, 3)).toBeNull();
  });

  test("Ctrl walks without selecting, and Ctrl+Space adds where it has come to", () => {
    const walked = press(selectOne("a"), ["ArrowDown", ctrl], ["ArrowDown", ctrl]);
    expect(walked).toEqual({ selected: ["a"], active: "c", anchor: "a" });
    expect(press(walked, [" ", ctrl]).selected).toEqual(["a", "c"]);
    expect(press(walked, [" ", ctrl], [" ", ctrl]).selected).toEqual(["a"]);
  });

  test("others are not its own", () => {
    for (const key of ["Enter", " ", "x", "Tab", "F2"])
      expect(afterKey(keys, selectOne("a"), { key, ...none }, 3)).toBeNull();
    expect(afterKey([], nothingSelected, { key: "ArrowDown", ...none }, 3)).toBeNull();
  });

  test("whatever is pressed, what is selected is shown, each once, and the active row too", () => {
    const names = ["ArrowDown", "ArrowUp", "PageDown", "PageUp", "Home", "End", "a", " ", "Escape"];
    const press = fc.record({
      key: fc.constantFrom(...names),
      shiftKey: fc.boolean(),
      ctrlKey: fc.boolean(),
    });
    fc.assert(
      fc.property(fc.array(press, { maxLength: 20 }), (pressed) => {
        let now = nothingSelected;
        for (const each of pressed) now = afterKey(keys, now, each, 2) ?? now;
        expect(new Set(now.selected).size).toBe(now.selected.length);
        for (const key of [...now.selected, ...(now.active === null ? [] : [now.active])])
          expect(keys).toContain(key);
      }),
    );
  });
});

test("what is no longer shown is no longer selected; what nothing was taken from is the same object", () => {
  const now = { selected: ["a", "c"], active: "c", anchor: "a" };
  expect(keepShown(new Set(["a", "b"]), now)).toEqual({ selected: ["a"], active: null, anchor: "a" });
  expect(keepShown(new Set(keys), now)).toBe(now);
});

describe("typing ahead", () => {
  const texts = ["Anchor", "Barge", "Basin", "Chain", "bay"];
  test.each([
    ["b", -1, 1],
    ["b", 1, 2],
    ["bb", 2, 4],
    ["b", 4, 1],
    ["bas", 1, 2],
    ["bas", 2, 2],
    ["BA", 2, 2],
    ["x", 0, null],
  ])("%j from %d leads to %j", (typed, from, to) => {
    expect(findTyped(texts, from, typed)).toBe(to);
  });
});
