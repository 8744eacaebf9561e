import fc from "fast-check";
import { writeNote } from "@/core/edit/notes";
import { prepareEdit } from "@/core/edit/prepare-edit";
import { applySteps, label } from "@/core/edit/steps";
import type { Edit, EditLabel, Step } from "@/core/model/edit";
import { done, refuse, type Outcome } from "@/core/model/outcome";
import type { Refusal } from "@/core/model/refusal";
import { makeRoster } from "@/core/roster/roster";
import { indexTies } from "@/core/roster/ties";
import { testGame } from "@/core/testing/game";
import { aMod, aPlugin, aProfile } from "@/core/testing/ids";
import { testRoster } from "@/core/testing/roster";
import { ProfileEditor } from "./editor";
import type { EditorServer } from "./editor-server";
import { once } from "./once";
import type { Pending } from "./pending";
import type { ShownView } from "./read-workspace";

const roster = testRoster([
  { name: "Core.keel" },
  { name: "a.plank" },
  { name: "b.plank", masters: ["a.plank"] },
  { name: "p.plank", section: "patches" },
]);

const view = (): ShownView => ({
  token: "t",
  at: "then",
  game: testGame,
  folders: { game: "/g", order: "/g", shelves: ["/s"] },
  ownDefinition: false,
  sinceRun: null,
  preferences: {},
  startFiles: {},
  games: [],
  otherGames: [],
  usage: [],
  followed: null,
  stock: roster.stock,
  stockRevision: "r",
  neverRead: false,
  onDisk: { order: [], holds: [] },
  profile: roster.profile,
  profiles: [],
  history: { undo: null, redo: null, edits: 0 },
  restorePoints: [],
  imports: [],
  bin: [],
});

/** What happens to a call: it is lost on the way there, its answer is lost on the way back, the server fails, or all is well. */
type Weather = "well" | "lost" | "answer-lost" | "fault";

/** Keeps one profile as the real server does, behind a network whose weather is said for each call. */
class StandInServer implements EditorServer {
  profile = roster.profile;
  private readonly journal: {
    id: string;
    label: EditLabel;
    steps: readonly Step[];
    inverse: readonly Step[];
  }[] = [];
  private readonly undone: typeof this.journal = [];
  readonly travels: ["undo" | "redo", boolean][] = [];
  readonly calls: number[] = [];
  weather: () => Weather = () => "well";
  refusal: Refusal | null = null;

  /** The ids of what is stored, as often as it is. */
  get stored(): string[] {
    return this.journal.map(({ id }) => id);
  }

  get labels(): EditLabel[] {
    return this.journal.map((each) => each.label);
  }

  editProfile(_: unknown, base: number, edit: Edit, id: string) {
    return this.reach(() => {
      this.calls.push(base);
      if (this.refusal) return { ok: false as const, refusal: this.refusal };
      if (this.stored.includes(id)) return done(this.now());
      if (base !== this.profile.version) return refuse("stale");
      const present = makeRoster(testGame, this.profile, roster.stock);
      const prepared = prepareEdit(present, (list) => indexTies(present, list), edit);
      if (!prepared.ok) return prepared;
      const { state, inverse } = prepared.value;
      this.profile = { ...this.profile, version: base + 1, state };
      this.journal.push({ id, label: edit.label, steps: edit.steps, inverse });
      this.undone.length = 0;
      return done(this.now());
    });
  }

  undoOrRedo(_: unknown, base: number, way: "undo" | "redo", isKnown: boolean) {
    return this.reach(() => {
      this.travels.push([way, isKnown]);
      if (base !== this.profile.version) return refuse("stale");
      const [from, to] = way === "undo" ? [this.journal, this.undone] : [this.undone, this.journal];
      const last = from.pop();
      if (!last) return refuse(`nothing-to-${way}`);
      to.push(last);
      const steps = way === "undo" ? last.inverse : last.steps;
      const applied = applySteps(this.profile.state, steps);
      if (!applied.ok) return applied;
      this.profile = { ...this.profile, version: base + 1, state: applied.value.state };
      return done({ ...this.now(), ...(isKnown ? {} : { steps }) });
    });
  }

  readProfile() {
    return this.reach(() => done(this.now()));
  }

  private now() {
    const undo = this.journal.at(-1)?.label ?? null;
    const redo = this.undone.at(-1)?.label ?? null;
    const history = { undo, redo, edits: this.journal.length };
    return { profile: this.profile, version: this.profile.version, history };
  }

  private async reach<T>(work: () => Outcome<T>): Promise<Outcome<T>> {
    const weather = this.weather();
    await Promise.resolve();
    if (weather === "lost") return refuse("unreachable", { detail: "lost" });
    if (weather === "fault") return refuse("fault", { detail: "the disk is full" });
    const answer = work();
    return weather === "answer-lost" ? refuse("unreachable", { detail: "answer lost" }) : answer;
  }
}

const editors: ProfileEditor[] = [];
function start(server = new StandInServer(), from: Partial<ShownView> = {}) {
  const told: Refusal[] = [];
  const editor = new ProfileEditor({ ...view(), ...from }, server);
  editor.onRefusal((refusal) => told.push(refusal));
  editors.push(editor);
  return { editor, server, told, codes: () => told.map(({ code }) => code) };
}
// What waits to be sent again would keep the process alive.
afterEach(() => editors.splice(0).forEach((editor) => editor.giveUpPending()));

const turn = (id: string, on = false): Edit => ({
  label: label("switch-off", { item: id, count: 1 }),
  steps: [{ kind: "switch", list: "plugins", ids: [aPlugin(id)], on }],
});
const note = (text: string) =>
  writeNote({ list: "mods", item: aMod("a"), text, author: "", at: "2026-11-02" });
const isOn = (editor: ProfileEditor, id: string) => editor.getState().roster.pluginOf.get(id)!.entry.on;
const pendingIn = (editor: ProfileEditor) => editor.getState().pending;

/** Waits for what follows an edit a moment later. */
async function until(holds: () => boolean): Promise<void> {
  while (!holds()) await new Promise((go) => setTimeout(go, 5));
}

test("one can wait until the editor's state is as wanted, and is told where it does not become so", async () => {
  const { editor } = start();
  const waiting = once(editor, (state) => state.selected.length > 0);
  editor.select(["a.plank"], "a.plank", "plugins");
  expect((await waiting)?.selected).toEqual(["a.plank"]);
  expect(await once(editor, () => true)).toBe(editor.getState());
  expect(await once(editor, () => false, 0.01)).toBeNull();
});

test("lets the server change the profile after all that is pending; what it says of that meanwhile is no news", async () => {
  const { editor, server } = start();
  editor.dispatch(turn("a.plank"));
  const changed = editor.changedBy(async ({ version }) => {
    expect(version).toBe(server.profile.version);
    const answer = await server.editProfile(null, version, turn("p.plank"), "by itself");
    news = editor.hearOf(server.profile.version);
    return answer;
  });
  let news = Promise.resolve(true);
  expect(await changed).toMatchObject({ ok: true });
  expect(await news).toBe(false);
  expect([isOn(editor, "a.plank"), isOn(editor, "p.plank")]).toEqual([false, false]);
  expect(editor.getState().profile).toEqual(server.profile);
  expect(await editor.changedBy(() => Promise.resolve(refuse("stale")))).toEqual(refuse("stale"));
});

test("shows an edit at once and stores them one after another, each on the version before", async () => {
  const { editor, server } = start();
  editor.dispatch(turn("a.plank"));
  editor.dispatch(turn("p.plank"));
  expect([isOn(editor, "a.plank"), isOn(editor, "p.plank"), pendingIn(editor).length]).toEqual([
    false,
    false,
    2,
  ]);
  expect(editor.getState().history).toMatchObject({ undo: turn("p.plank").label, edits: 2 });
  await editor.settled();
  await until(() => editor.getState().derivedFrom === editor.getState().roster);
  expect(editor.getState().findings.some((finding) => finding.id === "master-off")).toBe(true);
  expect([server.calls, pendingIn(editor), editor.getState().profile.version]).toEqual([[1, 2], [], 3]);
  expect(editor.getState().profile).toEqual(server.profile);
});

test("an edit that follows another at once waits for ties alone; what is found comes after both, of the last", async () => {
  const { editor } = start();
  const first = editor.catchUp();
  editor.dispatch(turn("a.plank"));
  const turned = editor.getState();
  expect(turned.derivedFrom).toBe(first.roster);
  const entry = turned.roster.pluginOf.get("b.plank")!.entry;
  editor.dispatch({
    label: label("move", { item: "b.plank", count: 1 }),
    steps: [{ kind: "put", list: "plugins", entries: [entry], before: aPlugin("a.plank") }],
  });
  expect(editor.getState().derivedFrom).toBe(turned.roster);
  expect(editor.getState().checked).toBe(first.checked);
  const isFound = () => editor.getState().checked?.input.roster === editor.getState().roster;
  await until(isFound);
  expect(editor.getState().findings.some(({ id }) => id === "master-off")).toBe(true);
  editor.setOnDisk({ order: ["b.plank"], holds: [] });
  await until(() => editor.getState().findings.some(({ id }) => id === "order-file-differs"));
});

test("an edit without effect is not sent; one against the laws is refused and told", () => {
  const { editor, server, codes } = start();
  editor.dispatch(turn("a.plank", true));
  const entry = roster.pluginOf.get("b.plank")!.entry;
  editor.dispatch({
    label: label("move", { item: "b.plank", count: 1 }),
    steps: [{ kind: "put", list: "plugins", entries: [entry], before: aPlugin("a.plank") }],
  });
  expect(server.calls).toEqual([]);
  expect(codes()).toEqual(["tie-above"]);
});

test("an answer of the server that is older than what was done since takes nothing back", async () => {
  const { editor } = start();
  const older = view();
  editor.dispatch(turn("a.plank"));
  await editor.settled();
  const onDisk = { order: ["b.plank"], holds: [] };
  editor.setOnDisk(onDisk);
  const restorePoints = [{ id: "r", name: "Before", at: "2026-11-02" }];
  editor.receive({ ...older, restorePoints });
  expect(isOn(editor, "a.plank")).toBe(false);
  expect(editor.getState()).toMatchObject({ onDisk, view: { restorePoints }, profile: { version: 2 } });
  const newer = { ...older, profile: { ...older.profile, version: 3 } };
  editor.receive(newer);
  expect([isOn(editor, "a.plank"), editor.getState().profile.version]).toEqual([true, 3]);
});

test("what was read of the disk last stays the very object that it is, though one before it said the same", () => {
  const { editor } = start();
  const first = { order: ["b.plank"], holds: [] };
  editor.setOnDisk(first);
  editor.receive(view());
  const again = { ...first };
  editor.setOnDisk(again);
  editor.receive({ ...view(), restorePoints: [{ id: "r", name: "Before", at: "2026-11-02" }] });
  expect(editor.getState().onDisk).toBe(again);
});

test("of a game that keeps profiles of its own another profile is shown with what that game reads for it", () => {
  const { editor } = start();
  const ofGame = (meant: string) => ({ names: ["ada", "bo"], chosen: meant, meant });
  editor.setOnDisk({ order: ["a.plank"], holds: [], ofGame: ofGame("ada") });
  const other = { order: ["b.plank"], holds: [], ofGame: ofGame("bo") };
  editor.receive({ ...view(), onDisk: other });
  expect(editor.getState().onDisk.ofGame?.meant).toBe("ada");
  editor.receive({ ...view(), onDisk: other, profile: { ...view().profile, id: aProfile("other") } });
  expect(editor.getState().onDisk).toBe(other);
});

test("what the server shows anew is derived anew only where it is otherwise", () => {
  const { editor } = start();
  const before = editor.catchUp();
  const sent = () => ({ ...(JSON.parse(JSON.stringify(view())) as ShownView), stock: before.view.stock });
  editor.receive({ ...sent(), imports: [] });
  const now = editor.getState();
  expect(
    [now.roster, now.ties, now.profile].map(
      (part, at) => part === [before.roster, before.ties, before.profile][at],
    ),
  ).toEqual([true, true, true]);
  expect(now.view.games).toBe(before.view.games);
  const { profile } = view();
  editor.receive({ ...sent(), profile: { ...profile, name: "Another name" } });
  const named = editor.getState();
  expect(named.roster.profile.name).toBe("Another name");
  expect(named.roster.plugins[0]).toBe(before.roster.plugins[0]);
  editor.receive({ ...sent(), stock: { ...before.view.stock, shelf: [] } });
  expect(editor.getState().roster.mods.some(({ mod }) => mod)).toBe(false);
});

test("undo brings back the stored state; there must be something to undo", async () => {
  const { editor, codes } = start();
  await editor.travel("undo");
  expect(codes()).toEqual(["nothing-to-undo"]);
  editor.dispatch(turn("a.plank"));
  await editor.travel("undo");
  expect(isOn(editor, "a.plank")).toBe(true);
});

describe("undo and redo", () => {
  test("show at once what this window did, and are stored in the order in which they were asked for", async () => {
    const { editor, server, told } = start();
    editor.dispatch(turn("a.plank"));
    editor.dispatch(turn("p.plank"));
    await editor.settled();
    const before = editor.getState();
    const both = [editor.travel("undo"), editor.travel("undo")];
    expect([isOn(editor, "a.plank"), isOn(editor, "p.plank")]).toEqual([true, true]);
    expect(editor.getState().history).toEqual({ undo: null, redo: turn("a.plank").label, edits: 0 });
    // What comes after them waits for them.
    editor.dispatch(note("dark"));
    await Promise.all(both);
    await editor.settled();
    expect([server.travels, told]).toEqual([
      [
        ["undo", true],
        ["undo", true],
      ],
      [],
    ]);
    expect(server.profile.state).toEqual(editor.getState().profile.state);
    expect(server.profile.version).toBe(editor.getState().profile.version);
    expect(server.labels).toEqual([note("dark").label]);
    expect(before.profile.version).toBe(3);
    expect(editor.getState().profile.version).toBe(6);
  });

  test("asked for again before the server has said what the first leads to, wait for it", async () => {
    const { editor, server, told } = start();
    let answer!: () => void;
    const held = new Promise<void>((go) => (answer = go));
    const undoOrRedo = server.undoOrRedo.bind(server);
    server.undoOrRedo = async (...asked) => {
      await held;
      return undoOrRedo(...asked);
    };
    for (const id of ["a.plank", "p.plank", "b.plank"]) editor.dispatch(turn(id));
    // The edits are on their way yet.
    const first = editor.travel("undo");
    await until(() => pendingIn(editor).length === 0);
    const others = [editor.travel("undo"), editor.travel("undo")];
    answer();
    await Promise.all([first, ...others]);
    expect(told).toEqual([]);
    expect(server.labels).toEqual([]);
    expect(editor.getState().profile).toEqual(server.profile);
    expect(["a.plank", "p.plank", "b.plank"].map((id) => isOn(editor, id))).toEqual([true, true, true]);
  });

  test("redo shows the very state that undo took back", async () => {
    const { editor, server } = start();
    editor.dispatch(turn("a.plank"));
    await editor.settled();
    const { state } = editor.getState().profile;
    void editor.travel("undo");
    void editor.travel("redo");
    expect(editor.getState().profile.state).toBe(state);
    await editor.settled();
    expect(editor.getState()).toMatchObject({
      history: { undo: turn("a.plank").label, redo: null, edits: 1 },
    });
    expect(server.profile.state).toEqual(state);
  });

  test("of what this window did not do are told by the server", async () => {
    const { server, editor: other } = start();
    other.dispatch(turn("a.plank"));
    other.dispatch(turn("p.plank"));
    await other.settled();
    const { editor } = start(server, { profile: server.profile, history: other.getState().history });
    await editor.travel("undo");
    expect([isOn(editor, "a.plank"), isOn(editor, "p.plank")]).toEqual([false, true]);
    await editor.travel("redo");
    expect(server.travels).toEqual([
      ["undo", false],
      ["redo", false],
    ]);
    expect(editor.getState().profile).toEqual(server.profile);
    // After something from elsewhere, this window knows nothing of what was before.
    editor.dispatch(turn("b.plank"));
    await editor.settled();
    other.dispatch(turn("Core.keel"));
    await other.settled();
    await editor.hearOf(server.profile.version);
    await editor.travel("undo");
    expect(server.travels.at(-1)).toEqual(["undo", false]);
    expect(editor.getState().profile).toEqual(server.profile);
  });

  test.each(["lost", "fault", "answer-lost"] as const)(
    "come to what the server has where it does not answer (%s)",
    async (weather) => {
      const { editor, server, codes } = start();
      editor.dispatch(turn("a.plank"));
      await editor.settled();
      server.weather = () => weather;
      const undone = editor.travel("undo");
      expect(isOn(editor, "a.plank")).toBe(true);
      await undone;
      expect(codes()).toEqual([weather === "fault" ? "fault" : "unreachable"]);
      // As it was last known to be.
      expect(isOn(editor, "a.plank")).toBe(false);
      server.weather = () => "well";
      await editor.hearOf(null);
      expect(editor.getState().profile).toEqual(server.profile);
    },
  );

  test("where the profile has become another one elsewhere, are refused, and that shows", async () => {
    const { editor, server, codes } = start();
    editor.dispatch(turn("a.plank"));
    await editor.settled();
    const elsewhere = start(server, { profile: server.profile, history: editor.getState().history });
    elsewhere.editor.dispatch(turn("p.plank"));
    await elsewhere.editor.settled();
    await editor.travel("undo");
    expect(codes()).toEqual(["stale"]);
    expect([isOn(editor, "a.plank"), isOn(editor, "p.plank")]).toEqual([false, false]);
  });

  test("do nothing to a profile that has come to be shown meanwhile", async () => {
    const { editor, server } = start();
    editor.dispatch(turn("a.plank"));
    await editor.settled();
    const undone = editor.travel("undo");
    const profile = { ...roster.profile, id: "p2" as typeof roster.profile.id };
    editor.receive({ ...view(), profile });
    await undone;
    expect(server.profile.version).toBe(3);
    expect(editor.getState().profile).toEqual(profile);
  });
});

describe("what is pending", () => {
  test("stays, is shown, and is stored when the server is back; it is told once", async () => {
    const { editor, server, codes } = start();
    server.weather = () => "lost";
    editor.dispatch(turn("a.plank"));
    editor.dispatch(turn("p.plank"));
    await editor.settled();
    await editor.settled();
    expect([isOn(editor, "a.plank"), pendingIn(editor).length, codes()]).toEqual([false, 2, ["unreachable"]]);
    expect(editor.getState().trouble).toMatchObject({ code: "unreachable" });
    server.weather = () => "well";
    await until(() => pendingIn(editor).length === 0);
    expect(editor.getState()).toMatchObject({ trouble: null, profile: server.profile });
    expect(server.stored).toHaveLength(2);
  });

  test("is stored once where only the answer was lost, and where the server failed", async () => {
    const { editor, server } = start();
    const weathers: Weather[] = ["answer-lost", "answer-lost", "fault"];
    server.weather = () => weathers.shift() ?? "well";
    editor.dispatch(note("one"));
    while (pendingIn(editor).length > 0) await editor.settled();
    expect([server.stored.length, editor.getState().profile]).toEqual([1, server.profile]);
  });

  test("is made anew on what another window has done, and keeps that", async () => {
    const server = new StandInServer();
    const here = start(server);
    const there = start(server);
    server.weather = () => "lost";
    here.editor.dispatch(turn("a.plank"));
    here.editor.dispatch(turn("p.plank"));
    await here.editor.settled();
    server.weather = () => "well";
    there.editor.dispatch(note("theirs"));
    await there.editor.settled();
    await here.editor.settled();
    expect(here.codes()).toEqual(["unreachable"]);
    expect([isOn(here.editor, "a.plank"), isOn(here.editor, "p.plank")]).toEqual([false, false]);
    expect(server.profile.state.notes).toHaveLength(1);
    expect(here.editor.getState().profile).toEqual(server.profile);
    expect(here.editor.getState().history.edits).toBe(3);
  });

  test("needs no doing where another window has done the same", async () => {
    const server = new StandInServer();
    const [here, there] = [start(server), start(server)];
    there.editor.dispatch(turn("a.plank"));
    here.editor.dispatch(turn("a.plank"));
    await there.editor.settled();
    await here.editor.settled();
    expect([server.stored.length, here.told, pendingIn(here.editor)]).toEqual([1, [], []]);
  });

  test("that no longer applies is told with what it was, and what follows it is stored", async () => {
    const server = new StandInServer();
    const [here, there] = [start(server), start(server)];
    there.editor.dispatch({
      label: label("drop", { item: "p.plank", count: 1 }),
      steps: [
        { kind: "drop", list: "mods", ids: [aMod("p")] },
        { kind: "drop", list: "plugins", ids: [aPlugin("p.plank")] },
      ],
    });
    here.editor.dispatch(turn("p.plank"));
    here.editor.dispatch(turn("a.plank"));
    await there.editor.settled();
    await here.editor.settled();
    expect(here.told).toMatchObject([
      { code: "edit-lost", data: { what: "switch off p.plank", why: { code: "unknown-item" } } },
    ]);
    expect([here.editor.getState().profile, isOn(here.editor, "a.plank")]).toEqual([server.profile, false]);
  });

  test("never arranges anew what another window has arranged meanwhile", async () => {
    const server = new StandInServer();
    const [here, there] = [start(server), start(server)];
    const { entries } = roster.profile.state.plugins;
    const arranged = [...entries.slice(0, -2), entries.at(-1)!, entries.at(-2)!].map((entry) => ({
      ...entry,
      section: entry.id === aPlugin("p.plank") ? entries.at(-2)!.section : entry.section,
    }));
    const accept: Edit = {
      label: label("accept", { moves: 1 }),
      steps: [{ kind: "arrange", list: "plugins", entries: arranged }],
    };
    there.editor.dispatch(turn("p.plank"));
    here.editor.dispatch(accept);
    await there.editor.settled();
    await here.editor.settled();
    expect(here.told).toMatchObject([{ code: "edit-lost", data: { why: { code: "order-changed" } } }]);
    expect(here.editor.getState().profile).toEqual(server.profile);
  });

  test("that the server refuses for good is taken back and told, with what it was", async () => {
    const { editor, server, told } = start();
    server.refusal = refuse("only-section", { name: "Patches" }).refusal;
    editor.dispatch(turn("a.plank"));
    await editor.settled();
    expect(told).toMatchObject([{ code: "edit-lost", data: { why: { code: "only-section" } } }]);
    expect([isOn(editor, "a.plank"), pendingIn(editor)]).toEqual([true, []]);
  });

  test("lets nothing be undone before it is stored", async () => {
    const { editor, server, codes } = start();
    server.weather = () => "lost";
    editor.dispatch(turn("a.plank"));
    await editor.travel("undo");
    expect(codes()).toEqual(["unreachable", "undo-waits"]);
    expect(isOn(editor, "a.plank")).toBe(false);
  });

  test("can be given up: what is stored shows again", async () => {
    const { editor, server } = start();
    editor.dispatch(turn("a.plank"));
    await editor.settled();
    server.weather = () => "lost";
    editor.dispatch(turn("p.plank"));
    await editor.settled();
    editor.giveUpPending();
    expect([isOn(editor, "a.plank"), isOn(editor, "p.plank")]).toEqual([false, true]);
    expect(editor.getState()).toMatchObject({ pending: [], trouble: null, profile: server.profile });
  });

  test("of an earlier window is sent once, and shown when it is stored", async () => {
    const server = new StandInServer();
    const before = start(server);
    let kept: readonly Pending[] = [];
    before.editor.keepPending([], (pending) => (kept = pending));
    server.weather = () => "answer-lost";
    before.editor.dispatch(note("first"));
    before.editor.dispatch(note("second"));
    await before.editor.settled();
    expect(kept).toHaveLength(2);
    server.weather = () => "well";
    const after = start(server);
    const left = JSON.parse(JSON.stringify(kept.map(({ after: _, ...rest }) => rest))) as Pending[];
    after.editor.keepPending(left, (pending) => (kept = pending));
    await after.editor.settled();
    expect([server.stored.length, kept, after.told]).toEqual([2, [], []]);
    expect(after.editor.getState().profile).toEqual(server.profile);
    expect(server.profile.state.notes).toMatchObject([{ text: "second" }]);
  });

  test("belongs to its profile: it is sent while another one is shown", async () => {
    const { editor, server } = start();
    server.weather = () => "lost";
    editor.dispatch(turn("a.plank"));
    await editor.settled();
    const other = { ...roster.profile, id: "other" as typeof roster.profile.id, version: 9 };
    editor.receive({ ...view(), profile: other });
    expect([isOn(editor, "a.plank"), pendingIn(editor).length]).toEqual([true, 1]);
    editor.receive(view());
    expect([isOn(editor, "a.plank"), editor.getState().history.edits]).toEqual([false, 1]);
    editor.receive({ ...view(), profile: other });
    server.weather = () => "well";
    await editor.settled();
    expect([server.stored.length, pendingIn(editor), editor.getState().profile]).toEqual([1, [], other]);
  });
});

test("whatever is lost on the way, two windows end with the same state, and each edit is stored once", async () => {
  const weather = fc.constantFrom<Weather>("well", "well", "lost", "answer-lost", "fault");
  const act = fc.record({
    window: fc.nat(1),
    what: fc.constantFrom("note", "edit", "wait", "hear"),
    weathers: fc.array(weather, { maxLength: 4 }),
  });
  await fc.assert(
    fc.asyncProperty(fc.array(act, { maxLength: 20 }), async (acts) => {
      const server = new StandInServer();
      const windows = [start(server), start(server)] as const;
      let [count, weathers]: [number, Weather[]] = [0, []];
      server.weather = () => weathers.shift() ?? "well";
      for (const { window, what, ...rest } of acts) {
        weathers = [...weathers, ...rest.weathers];
        const { editor } = windows[window as 0 | 1];
        if (what === "note") editor.dispatch(note(`note ${++count}`));
        if (what === "edit") editor.dispatch(turn("p.plank", !isOn(editor, "p.plank")));
        if (what === "wait") await editor.settled();
        if (what === "hear") await editor.hearOf(server.profile.version);
      }
      weathers = [];
      for (const { editor } of windows) await editor.settled();
      for (const { editor } of windows) await editor.hearOf(null);
      for (const { editor, told } of windows) {
        expect(editor.getState()).toMatchObject({ pending: [], profile: server.profile });
        expect(told.filter(({ code }) => code !== "unreachable" && code !== "fault")).toEqual([]);
      }
      expect(new Set(server.stored).size).toBe(server.stored.length);
      const noted = server.labels.filter(({ id }) => id === "write-note");
      expect(noted).toHaveLength(count);
    }),
  );
});
