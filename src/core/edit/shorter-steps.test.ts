import fc from "fast-check";
import type { Step } from "../model/edit";
import { anyState } from "../testing/facets";
import { testRoster } from "../testing/roster";
import { shorterSteps } from "./shorter-steps";
import { applySteps } from "./steps";

const many = testRoster(Array.from({ length: 400 }, (_, at) => ({ name: `p${at}.plank` }))).profile.state;

test("an order in which one item has moved is kept as that one move, and leads to the same", () => {
  const { entries } = many.plugins;
  const moved = {
    ...many,
    plugins: { ...many.plugins, entries: [entries[0]!, ...entries.slice(2), entries[1]!] },
  };
  const whole: Step[] = [{ kind: "replace", state: moved }];
  const shorter = shorterSteps(whole, many, moved);
  expect(JSON.stringify(shorter).length).toBeLessThan(JSON.stringify(whole).length / 100);
  expect(applySteps(many, shorter)).toMatchObject({ ok: true, value: { state: { plugins: moved.plugins } } });
});

test("what is short, or not longer than its differences, stays as it is", () => {
  const short: Step[] = [{ kind: "switch", list: "plugins", ids: [many.plugins.entries[0]!.id], on: false }];
  expect(shorterSteps(short, many, many)).toBe(short);
});

test("whatever it makes of steps, the same state comes of them", () => {
  fc.assert(
    fc.property(anyState, anyState, (from, to) => {
      const whole: Step[] = [{ kind: "replace", state: { ...to, notes: [...to.notes] } }];
      const padded: Step[] = Array.from({ length: 40 }, () => whole[0]!);
      const applied = applySteps(from, shorterSteps(padded, from, applyAll(from, padded)));
      expect(applied.ok && applied.value.state).toEqual(applyAll(from, padded));
    }),
  );
});

function applyAll(from: typeof many, steps: readonly Step[]) {
  const applied = applySteps(from, steps);
  if (!applied.ok) throw new Error(applied.refusal.code);
  return applied.value.state;
}
