import type { ProfileEditor } from "./editor";
import type { ConflictWatch } from "./use-conflicts";
import { FindingsNoted } from "./use-findings-noted";

jest.useFakeTimers();

const asked: unknown[] = [];
let answers = true;
beforeEach(() => {
  asked.length = 0;
  answers = true;
  globalThis.fetch = ((url: string) => {
    asked.push(url);
    const value = { ok: true, value: { seen: [], trial: asked.length } };
    return answers
      ? Promise.resolve({ json: () => Promise.resolve(value) })
      : Promise.reject(new Error("no"));
  }) as unknown as typeof fetch;
});

/** A profile without findings; `checking`: its checks are behind what it is by now. */
function noting() {
  const roster = {};
  const state = {
    profile: { id: "p" },
    roster,
    checked: { input: { roster }, findings: [], told: [] },
    pending: [],
    travelling: false,
  };
  const checking = (is: boolean) => void (state.checked.input.roster = is ? {} : roster);
  const editor = { getState: () => state } as unknown as ProfileEditor;
  const conflicts = { known: () => Promise.resolve() } as unknown as ConflictWatch;
  return { noted: new FindingsNoted(editor, conflicts, () => undefined), checking };
}

test("the same findings are noted once, and anew where something else may be known of them", async () => {
  const { noted } = noting();
  await noted.note();
  await noted.note();
  expect(asked).toHaveLength(1);
  await noted.note(true);
  expect(asked).toHaveLength(2);
  expect(noted.get()).toMatchObject({ trial: 2 });
  await noted.note();
  expect(asked).toHaveLength(2);
});

test("what is asked anew in the midst of a check is asked once that has ended, as the trial of a busy machine", async () => {
  const { noted, checking } = noting();
  await noted.note();
  checking(true);
  await noted.note(true);
  expect(asked).toHaveLength(1);
  checking(false);
  await jest.advanceTimersByTimeAsync(5000);
  expect(asked).toHaveLength(2);
  expect(noted.get()).toMatchObject({ trial: 2 });
});

test("nor is it forgotten where the server cannot be reached", async () => {
  const { noted } = noting();
  await noted.note();
  answers = false;
  await noted.note(true);
  answers = true;
  await noted.note();
  expect(asked).toHaveLength(3);
});
