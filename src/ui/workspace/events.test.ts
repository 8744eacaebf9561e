import { isAtLeast } from "./events";

test("a moment shows what happened up to itself, and nothing of another run of the server", () => {
  expect(isAtLeast("run-a.9", "run-a.9")).toBe(true);
  expect(isAtLeast("run-a.10", "run-a.9")).toBe(true);
  expect(isAtLeast("run-a.9", "run-a.10")).toBe(false);
  expect(isAtLeast("run-a.10", "run-b.9")).toBe(false);
});
