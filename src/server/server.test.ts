import { randomUUID } from "node:crypto";
import { readFile, writeFile } from "node:fs/promises";
import { join } from "node:path";
import type { Edit } from "@/core/model/edit";
import { label } from "@/core/edit/steps";
import { brinehollow } from "@/standin/brinehollow/definition";
import { findCurrentGame } from "@/store/games";
import { listJournal, readHistory } from "@/store/journal";
import { listProfiles } from "@/store/profiles";
import { listRestorePoints } from "@/store/restore-points";
import type { Context } from "./context";
import { setUpDemo } from "./operations/demo";
import { storeEdit } from "./operations/edit-profile";
import { goToEdit, readJournal, step } from "./operations/history";
import { addGame } from "./operations/games";
import { writeOrder } from "./operations/order-file";
import * as profiles from "./operations/profiles";
import { markOwnWork } from "./operations/versions";
import { readSituation } from "./operations/situation";
import { readShelfOfGame } from "./operations/read-shelf";
import { receiveFile } from "./receive";
import { makeDemoContext, storedProfile, value } from "./testing/demo-context";
import { aMod, aPlugin, aProfile } from "@/core/testing/ids";

let folder: string;
let context: Context;
let end: () => Promise<void>;
beforeAll(async () => {
  ({ folder, context, end } = await makeDemoContext(60));
}, 90_000);
afterAll(() => end());

const present = async () => (await storedProfile(context, (await findCurrentGame(context.db))!.profileId!))!;
const turn = (id: string, on: boolean): Edit => ({
  label: label(on ? "switch-on" : "switch-off", { item: id, count: 1 }),
  steps: [{ kind: "switch", list: "plugins", ids: [aPlugin(id)], on }],
});

test("the demo is set up once, with its profiles and the first one chosen", async () => {
  value(await setUpDemo(context, folder, () => undefined));
  const listed = await listProfiles(context.db, "brinehollow");
  expect(listed.filter((each) => !each.deletedAt).map((each) => each.name)).toEqual([
    "Long Descent",
    "Harbour Lights",
    "All at Once",
  ]);
  expect((await present()).name).toBe("Long Descent");
});

describe("edits", () => {
  test("are stored with their inverse; undo and redo lead back and forth", async () => {
    const before = await present();
    const stored = value(await storeEdit(context, before.id, before.version, turn("Small Fry.skiff", false)));
    expect(stored).toMatchObject({ version: before.version + 1, history: { undo: { id: "switch-off" } } });
    const undone = value(await step(context, before.id, stored.version, "undo"));
    expect(undone.profile.state).toEqual(before.state);
    const redone = value(await step(context, before.id, undone.profile.version, "redo"));
    expect(redone.profile.state.plugins.entries.find((entry) => entry.id === "Small Fry.skiff")!.on).toBe(
      false,
    );
    value(await step(context, before.id, redone.profile.version, "undo"));
  });

  test("can be gone to from anywhere, forth and back, and their states looked at without going there", async () => {
    const start = await present();
    const oldest = (await listJournal(context.db, start.id)).at(-1);
    const base = (await readHistory(context.db, start.id)).edits;
    const ids = ["Small Fry.skiff", "Moult Season.plank", "Small Fry.skiff", "Glass Tides.plank"];
    const states = new Map([[base, start.state]]);
    for (const [at, id] of ids.entries()) {
      const now = await present();
      const on = now.state.plugins.entries.find((entry) => entry.id === id)!.on;
      value(await storeEdit(context, now.id, now.version, turn(id, !on)));
      states.set(base + at + 1, (await present()).state);
    }
    for (const number of [base + 2, base + 4, base, base + 3, base + 3, base + 1, base + 4, base]) {
      const { id, version } = await present();
      value(await goToEdit(context, id, version, number));
      const now = await present();
      expect(now).toMatchObject({ version: version + 1, state: states.get(number) });
      const undone = (await listJournal(context.db, id)).filter((each) => each.undone);
      expect(undone.map((each) => each.number).sort((a, b) => a - b)).toEqual(
        [...states.keys()].filter((each) => each > number),
      );
      for (const [other, state] of states)
        expect(value(await profiles.readStateOf(context, { edit: other, of: id }))).toEqual(state);
      expect((await present()).version).toBe(now.version);
    }
    const all = value(await readJournal(context, start.id, null));
    expect(all).toMatchObject({ isWhole: true, present: base });
    const read = async (known: (typeof all.lines)[number]) => {
      const { lines, ...news } = value(await readJournal(context, start.id, known));
      return { numbers: lines.map(({ number }) => number), ...news };
    };
    const [newest, before] = all.lines;
    expect(await read(newest!)).toMatchObject({ numbers: [], isWhole: false, present: base });
    expect(await read(before!)).toMatchObject({ numbers: [base + 4], isWhole: false });
    // Another edit of the same number: what is known from there on is no part of the journal.
    expect(await read({ ...newest!, at: before!.at })).toMatchObject({ isWhole: true });
    const { id, version } = await present();
    expect(await goToEdit(context, id, version - 1, base)).toMatchObject({ refusal: { code: "stale" } });
    for (const number of [base + 5, (oldest?.number ?? base + 1) - 2])
      expect(await goToEdit(context, id, version, number)).toMatchObject({ refusal: { code: "edit-gone" } });
    expect((await present()).version).toBe(version);
  });

  test("on an older version are refused as stale, and nothing is stored", async () => {
    const before = await present();
    const stored = value(await storeEdit(context, before.id, before.version, turn("Small Fry.skiff", false)));
    const late = await storeEdit(context, before.id, before.version, turn("Moult Season.plank", false));
    expect(late).toMatchObject({ ok: false, refusal: { code: "stale" } });
    const after = await present();
    expect(after.version).toBe(stored.version);
    expect(after.state.plugins.entries.find((entry) => entry.id === "Moult Season.plank")!.on).toBe(true);
    value(await step(context, before.id, after.version, "undo"));
  });

  test("that are sent again, for their answer was lost, are stored once, whatever has been done since", async () => {
    const before = await present();
    const id = "0b5f0a52-7c3e-4c62-9d3a-3f7f3a1b2c4d";
    const edit = turn("Small Fry.skiff", false);
    const send = async () => value(await storeEdit(context, before.id, before.version, edit, { id }));
    const stored = await send();
    expect(await send()).toEqual(stored);
    value(await storeEdit(context, before.id, stored.version, turn("Moult Season.plank", false)));
    expect(await send()).toMatchObject({ version: stored.version + 1 });
    const other = await storeEdit(context, before.id, before.version, edit, { id: randomUUID() });
    expect(other).toMatchObject({ refusal: { code: "stale" } });
    const undone = value(await step(context, before.id, stored.version + 1, "undo"));
    value(await step(context, before.id, undone.profile.version, "undo"));
  });

  test("that break a master are refused; those that change nothing are not recorded", async () => {
    const before = await present();
    const history = await readHistory(context.db, before.id);
    const entry = before.state.plugins.entries.find((each) => each.id === "Leviathan Habits.plank")!;
    const murk = before.state.plugins.entries.find((each) => each.id === "Murk and Silt.plank")!;
    const early: Edit = {
      label: label("move", { item: entry.id, count: 1 }),
      steps: [
        { kind: "put", list: "plugins", entries: [{ ...entry, section: murk.section }], before: murk.id },
      ],
    };
    expect(await storeEdit(context, before.id, before.version, early)).toMatchObject({
      ok: false,
      refusal: { code: "tie-above" },
    });
    expect(
      value(await storeEdit(context, before.id, before.version, turn("Small Fry.skiff", true))).version,
    ).toBe(before.version);
    expect(await readHistory(context.db, before.id)).toEqual(history);
    expect(await storeEdit(context, aProfile("nobody"), 1, turn("x", true))).toMatchObject({
      ok: false,
      refusal: { code: "no-profile" },
    });
  });

  test("a restore point is made before an edit that asks for one, and going back can be undone", async () => {
    const before = await present();
    value(
      await storeEdit(context, before.id, before.version, {
        ...turn("Small Fry.skiff", false),
        restorePoint: "Before it",
      }),
    );
    const [point] = await listRestorePoints(context.db, before.id);
    expect(point!.name).toBe("Before it");
    const back = value(await profiles.goBack(context, point!.id, before.version + 1));
    expect((await present()).state).toEqual(before.state);
    const undone = value(await step(context, before.id, back.version, "undo"));
    expect(undone.profile.state).not.toEqual(before.state);
    value(await step(context, before.id, undone.profile.version, "redo"));
  });
});

describe("profiles", () => {
  test("are made empty or as a copy, renamed, switched, put into the bin and brought back", async () => {
    const first = await present();
    const copy = value(
      await profiles.createProfile(context, {
        facts: { name: " Copy ", purpose: "test" },
        from: { profile: first.id },
      }),
    );
    expect(copy).toMatchObject({ name: "Copy", state: first.state });
    expect((await present()).id).toBe(copy.id);
    const empty = value(
      await profiles.createProfile(context, { facts: { name: "Empty", purpose: "make" }, from: null }),
    );
    expect(empty.state.mods.entries).toEqual([]);
    // The game's definition has an expansion off in profiles to make things.
    expect(empty.state.plugins.entries.map((entry) => entry.id)).toEqual([
      ...brinehollow.builtIn,
      "Lamplighters.keel",
    ]);
    value(
      await profiles.changeProfileFacts(context, copy.id, {
        name: "Second copy",
        purpose: "for the film",
        hue: 4,
        note: "Lights only",
      }),
    );
    value(await profiles.deleteProfile(context, empty.id));
    expect((await present()).id).not.toBe(empty.id);
    value(await profiles.createProfile(context, { facts: { name: "Empty", purpose: "play" }, from: null }));
    value(await profiles.bringBackProfile(context, empty.id, "brinehollow"));
    expect((await present()).name).toBe("Empty (2)");
    value(await profiles.switchProfile(context, first.id));
  });

  test.each([
    ["", "profile-name"],
    ["two\nlines", "profile-name"],
    ["x".repeat(81), "profile-name"],
    ["long descent", "profile-name-taken"],
  ])("the name %j is refused", async (name, code) => {
    expect(
      await profiles.createProfile(context, { facts: { name, purpose: "play" }, from: null }),
    ).toMatchObject({
      ok: false,
      refusal: { code },
    });
  });

  test("a name with markup is a name like any other", async () => {
    const first = await present();
    const made = value(
      await profiles.createProfile(context, {
        facts: { name: '<b>"../x"</b>', purpose: "play" },
        from: null,
      }),
    );
    expect((await storedProfile(context, made.id))!.name).toBe('<b>"../x"</b>');
    value(await profiles.deleteProfile(context, made.id));
    value(await profiles.switchProfile(context, first.id));
  });
});

test("undo and redo of a version that is not the present one are refused as stale, and change nothing", async () => {
  const first = await present();
  const turn = (on: boolean): Edit => ({
    label: label(on ? "switch-on" : "switch-off", { item: "small-fry", count: 1 }),
    steps: [{ kind: "switch", list: "mods", ids: [aMod("small-fry")], on }],
  });
  value(await storeEdit(context, first.id, first.version, turn(false)));
  const edited = await present();
  for (const way of ["undo", "redo"] as const)
    for (const version of [first.version, edited.version + 1])
      expect(await step(context, first.id, version, way)).toMatchObject({
        ok: false,
        refusal: { code: "stale" },
      });
  expect(await present()).toEqual(edited);
  value(await step(context, first.id, edited.version, "undo"));
  expect(await step(context, first.id, edited.version, "redo")).toMatchObject({ refusal: { code: "stale" } });
  expect((await present()).state).toEqual(first.state);
});

test("the order is written where the game reads it, and read back", async () => {
  const first = await present();
  const onDisk = value(await writeOrder(context, first.id, null));
  const text = await readFile(join(folder, "brinehollow/game/saves/lading.lst"), "utf8");
  expect(text.trim().split("\n")).toEqual(onDisk.order);
  expect(onDisk.order).not.toContain("Brinehollow.keel");
  expect(onDisk.holds!.map((held) => held.path)).toContain("Tidal Core-2.1.0.zip");
});

describe("reading the shelf", () => {
  test("again touches nothing, and takes in a plugin that a folder has come to hold", async () => {
    const before = value(await readShelfOfGame(context, () => undefined));
    expect(before).toMatchObject({ read: 0, unsound: 3 });
    const shelf = join(folder, "brinehollow/shelf");
    const first = await present();
    const { listShelf } = await import("@/store/shelf");
    const mod = (await listShelf(context.db, "brinehollow")).find(
      (each) => each.kind === "folder" && each.plugins.length > 0,
    )!;
    const bytes = await readFile(join(shelf, mod.path, mod.plugins[0]!.name));
    await writeFile(join(shelf, mod.path, "Late Arrival.skiff"), bytes);
    expect(value(await readShelfOfGame(context, () => undefined))).toMatchObject({ read: 1 });
    // It is somebody else's work: the profile holds it as it was, says that this is gone, and changes by nothing.
    expect((await present()).version).toBe(first.version);
    const { roster } = value(await readSituation(context, first.id));
    expect(roster.modOf.get(mod.id)).toMatchObject({ gone: true, mod: { content: mod.content } });
    value(await markOwnWork(context, mod.id, true));
    const after = await present();
    expect(after.state.plugins.entries.find((entry) => entry.id === "Late Arrival.skiff")).toMatchObject({
      on: true,
    });
    expect(after.version).toBe(first.version + 1);
    expect(value(await readSituation(context, first.id)).roster.modOf.get(mod.id)!.gone).toBe(false);
  });
});

test("folders that are not there, or hold no such game, are refused by name", async () => {
  const bad = await addGame(context, {
    game: "brinehollow",
    folders: { game: "/nowhere", order: "", shelves: [folder] },
  });
  expect(bad).toMatchObject({ ok: false, refusal: { code: "folder-missing", data: { path: "/nowhere" } } });
  const empty = await addGame(context, {
    game: "brinehollow",
    folders: { game: folder, order: "", shelves: [folder] },
  });
  expect(empty).toMatchObject({ ok: false, refusal: { code: "folder-no-game" } });
});

describe("files that come in", () => {
  const post = (body: BodyInit, headers: Record<string, string> = {}) =>
    new Request("http://127.0.0.1/", { method: "POST", body, headers, duplex: "half" } as RequestInit);

  test("are read whole below the cap", async () => {
    const bytes = value(await receiveFile(post("hello"), "a.json", 10));
    expect(new TextDecoder().decode(bytes)).toBe("hello");
  });

  test("are refused by the size that they declare, and by what really comes", async () => {
    const tooLarge = { ok: false, refusal: { code: "too-large", data: { name: "big.json" } } };
    expect(await receiveFile(post("x", { "content-length": "52428800" }), "big.json", 2 ** 20)).toMatchObject(
      tooLarge,
    );
    let pulled = 0;
    const endless = new ReadableStream<Uint8Array>({
      pull: (controller) => {
        pulled++;
        controller.enqueue(new Uint8Array(2 ** 16));
      },
    });
    expect(await receiveFile(post(endless), "big.json", 2 ** 20)).toMatchObject(tooLarge);
    expect(pulled).toBeLessThan(40);
  });
});
