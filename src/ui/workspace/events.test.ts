import type { StreamEvent } from "@/server/events";
import { isAtLeast, missingNothing, type WindowEvent } from "./events";

test("a moment shows what happened up to itself, and nothing of another run of the server", () => {
  expect(isAtLeast("run-a.9", "run-a.9")).toBe(true);
  expect(isAtLeast("run-a.10", "run-a.9")).toBe(true);
  expect(isAtLeast("run-a.9", "run-a.10")).toBe(false);
  expect(isAtLeast("run-a.10", "run-b.9")).toBe(false);
});

const here: StreamEvent = { kind: "here" };
const profiles: StreamEvent = { kind: "profiles" };
const orderFile: StreamEvent = { kind: "order-file", game: "deep" };

/** The kinds of what a window is told that knows the moment `run.4` and hears these, each at its moment. */
function told(...heard: (readonly [at: string, event: StreamEvent])[]): WindowEvent["kind"][] {
  const kinds: WindowEvent["kind"][] = [];
  const hear = missingNothing("run.4", (event) => kinds.push(event.kind));
  for (const [at, event] of heard) hear({ kind: "heard", at, event });
  return kinds;
}

test("what follows on what is known is handed on, and nothing was missed", () => {
  expect(told(["run.4", here], ["run.4", orderFile], ["run.5", profiles], ["run.5", orderFile])).toEqual([
    "order-file",
    "profiles",
    "order-file",
  ]);
  // Another window is behind, and hears what is shown here already.
  expect(told(["run.2", here], ["run.3", profiles], ["run.4", profiles], ["run.5", profiles])).toEqual([
    "profiles",
    "profiles",
    "profiles",
  ]);
});

test("the moment up to which is to be read never goes back", () => {
  const moments: string[] = [];
  const hear = missingNothing("run.4", (_, at) => moments.push(at));
  for (const at of ["run.6", "run.5", "run.7"]) hear({ kind: "heard", at, event: profiles });
  expect(new Set(moments)).toEqual(new Set(["run.6", "run.7"]));
  expect(moments.at(-1)).toBe("run.7");
});

test.each([
  ["a stream that begins later", here, "run.5", []],
  ["a stream of another run of the server", here, "again.4", []],
  ["a file at a later moment, before the stream has said where it is", orderFile, "run.5", ["order-file"]],
  ["an event after the next one", profiles, "run.6", ["profiles"]],
] as const)("something was missed: %s", (_, event, at, first) => {
  expect(told([at, event])).toEqual([...first, "again"]);
  // Told once.
  expect(told([at, event], [at, here])).toEqual([...first, "again"]);
});
