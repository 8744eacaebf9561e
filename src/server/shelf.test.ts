import { createHash } from "node:crypto";
import { existsSync } from "node:fs";
import {
  copyFile,
  link,
  mkdir,
  readdir,
  readFile,
  realpath,
  rename,
  rm,
  symlink,
  utimes,
  writeFile,
} from "node:fs/promises";
import { basename, dirname, join } from "node:path";
import { strFromU8, strToU8, unzipSync, zipSync } from "fflate";
import { label } from "@/core/edit/steps";
import { newestById } from "@/core/roster/roster";
import type { ModId } from "@/core/model/ids";
import type { ShelfMod } from "@/core/model/shelf";
import { brinehollow } from "@/standin/brinehollow/definition";
import { findCurrentGame, listGames, saveGame } from "@/store/games";
import { readPreferences } from "@/store/preferences";
import { placeInBin } from "@/disk/bin";
import { listContaining, listPaths } from "@/store/contents";

import { listBin, setMoving, takeFromBin, willPutInBin } from "@/store/bin";
import { listProfiles } from "@/store/profiles";
import { listShelf } from "@/store/shelf";
import type { Context } from "./context";
import * as games from "./operations/games";
import { closeChooser, listFolders, openChooser } from "./operations/choose-folder";
import { reportFolder } from "./operations/folders";
import { writeOrder } from "./operations/order-file";
import { exportInto, importData as importFrom, lookAtData, removeGame } from "./operations/own-data";
import { changeProfileFacts, createProfile, readStateOf } from "./operations/profiles";
import { storeEdit } from "./operations/edit-profile";
import { step } from "./operations/history";
import { currentGame } from "./operations/situation";
import { filesOfMod, sharedBetween, whoBrings } from "./operations/content-files";
import { readLibrary } from "./operations/read-library";
import { readShelfOfGame } from "./operations/read-shelf";
import * as shelf from "./operations/shelf";
import { Events, type ServerEvent } from "./events";
import { FolderWatches } from "./folder-watches";
import { findShelfChanges } from "./operations/shelf-changes";
import * as incoming from "./operations/take-in";
import { settleFiles } from "./settle";
import { getStock, holdStock } from "./stock";
import { storePart, tellOfParts } from "./stock-changes";
import { makeContext, makeDemoContext, storedProfile, value } from "./testing/demo-context";

let folder: string;
let context: Context;
let end: () => Promise<void>;
beforeAll(async () => {
  ({ folder, context, end } = await makeDemoContext(30));
}, 90_000);
afterAll(() => {
  context.watches.end();
  return end();
});

const shelfFolder = () => join(folder, "brinehollow/shelf");
const onShelf = async () => (await listShelf(context.db, "brinehollow")).map((mod) => mod.path);
const read = () => readShelfOfGame(context, () => undefined);
const fry = "Small Fry-1.0.0.zip";

describe("the bin of the shelf", () => {
  test("takes mods and gives them back where they lay; what was read of them goes and comes", async () => {
    const [id] = value(await shelf.dropFromShelf(context, [fry]));
    expect(existsSync(join(shelfFolder(), fry))).toBe(false);
    expect(await onShelf()).not.toContain(fry);
    expect(await listBin(context.db, "brinehollow")).toMatchObject([{ id, path: fry, name: "Small Fry" }]);
    expect(value(await read())).toMatchObject({ read: 0 });
    value(await shelf.bringBackMods(context, [id!]));
    expect(value(await read())).toMatchObject({ read: 1 });
    expect(await onShelf()).toContain(fry);
    expect(await listBin(context.db, "brinehollow")).toEqual([]);
  });

  test("refuses what is not on the shelf, and drops nothing then", async () => {
    const outcome = await shelf.dropFromShelf(context, [fry, "../../etc/passwd"]);
    expect(outcome).toMatchObject({ ok: false, refusal: { code: "not-on-shelf" } });
    expect(existsSync(join(shelfFolder(), fry))).toBe(true);
  });

  test("keeps what cannot go back since something else lies there; deletes for good only when asked to", async () => {
    const [id] = value(await shelf.dropFromShelf(context, [fry]));
    await writeFile(join(shelfFolder(), fry), "something else");
    expect(await shelf.bringBackMods(context, [id!])).toMatchObject({
      ok: false,
      refusal: { code: "place-taken" },
    });
    const [binned] = await listBin(context.db, "brinehollow");
    await rm(join(shelfFolder(), fry));
    await copyFile(binned!.liesAt, join(shelfFolder(), fry));
    value(await shelf.deleteMods(context, [id!]));
    expect(existsSync(binned!.liesAt)).toBe(false);
    value(await read());
    expect(await onShelf()).toContain(fry);
  });

  test("finds at the next start what was under way when the server was killed, and finishes or undoes it", async () => {
    const shelfPath = join(shelfFolder(), fry);
    const bytes = await readFile(shelfPath);
    const binned = await placeInBin(shelfPath);
    const row = { id: "k", path: fry, liesAt: binned, name: "Small Fry", version: "1.0.0", size: 1 };
    const lists = async () => [
      (await onShelf()).includes(fry),
      (await listBin(context.db, "brinehollow")).map(({ id }) => id).includes("k"),
    ];
    // Killed before it was moved, while it bore both names, after it was moved.
    for (const killed of ["before", "between", "after"]) {
      await willPutInBin(context.db, "brinehollow", [row]);
      if (killed !== "before")
        await copyFile(shelfPath, binned)
          .then(() => rm(binned))
          .then(() => link(shelfPath, binned));
      if (killed === "after") await rm(shelfPath);
      await settleFiles(context.db);
      expect([existsSync(shelfPath), existsSync(binned)]).toEqual(
        killed === "before" ? [true, false] : [false, true],
      );
      expect(await lists()).toEqual(killed === "before" ? [true, false] : [false, true]);
      if (killed !== "before") {
        await setMoving(context.db, ["k"], "out");
        if (killed === "after") await rename(binned, shelfPath);
        await settleFiles(context.db);
        expect((await lists())[1]).toBe(killed === "between");
        if (killed === "between") value(await shelf.bringBackMods(context, ["k"]));
        value(await read());
        expect(await lists()).toEqual([true, false]);
      }
    }
    expect(await readFile(shelfPath)).toEqual(bytes);
  });

  test("deletes nothing that is said to lie in it and does not", async () => {
    const elsewhere = join(folder, "precious");
    await mkdir(elsewhere);
    const row = { id: "p", path: fry, liesAt: elsewhere, name: "x", version: "1", size: 1 };
    await willPutInBin(context.db, "brinehollow", [row]);
    await setMoving(context.db, ["p"], null);
    expect(await shelf.deleteMods(context, ["p"])).toMatchObject({ refusal: { code: "not-in-bin" } });
    expect(await shelf.bringBackMods(context, ["p"])).toMatchObject({ refusal: { code: "not-in-bin" } });
    await setMoving(context.db, ["p"], "gone");
    await settleFiles(context.db);
    expect(existsSync(elsewhere)).toBe(true);
    await takeFromBin(context.db, ["p"]);
  });
});

test("tags of one's own stand beside the author's, survive a reading, and can be taken away again", async () => {
  expect(value(await shelf.tagMods(context, ["small-fry", "tidal-core"], " mine ", true))).toHaveLength(2);
  expect(value(await shelf.tagMods(context, ["small-fry"], "mine", true))).toEqual([]);
  await utimes(join(shelfFolder(), fry), new Date(), new Date());
  expect(value(await read())).toMatchObject({ read: 1 });
  const mods = newestById(await listShelf(context.db, "brinehollow"));
  expect(mods.get("small-fry")).toMatchObject({ ownTags: ["mine"] });
  expect(mods.get("tidal-core")!.tags).toContain("mine");
  expect(value(await shelf.tagMods(context, ["small-fry", "tidal-core"], "mine", false))).toHaveLength(2);
  expect(await shelf.tagMods(context, ["small-fry"], " ", true)).toMatchObject({
    refusal: { code: "tag-name" },
  });
});

test("settings are kept by key", async () => {
  value(await shelf.setPreference(context, "shelf-columns", [{ id: "size", width: 90 }]));
  value(await shelf.setPreference(context, "shelf-columns", [{ id: "size", width: 91 }]));
  expect(await readPreferences(context.db, "brinehollow")).toEqual({
    "shelf-columns": [{ id: "size", width: 91 }],
  });
});

describe("a mod that is dropped", () => {
  const waiting = () => join(folder, "incoming");
  const send = async (name: string, bytes: Uint8Array) => {
    const room = value(await incoming.makeRoom(waiting(), name));
    await writeFile(room.path, bytes);
    return room.id;
  };
  const mod = zipSync({
    "textures/water/shallow.tex": strToU8("new water"),
    "textures/only/mine.tex": strToU8("mine"),
  });

  test("is looked into where it waits, and taken in under a name that is free", async () => {
    const id = await send("Clear Water-2.0.zip", mod);
    const plan = value(await incoming.planTakeIn(context, waiting(), id));
    expect(plan.mod).toMatchObject({ name: "Clear Water", version: "2.0", files: 2, problem: null });
    expect(plan.versions).toEqual([]);
    expect(plan.overlaps).toContainEqual({ mod: "glass-tides", files: ["textures/water/shallow.tex"] });
    expect(value(await incoming.takeIn(context, waiting(), id))).toBe("Clear Water-2.0.zip");
    expect(await incoming.takeIn(context, waiting(), id)).toMatchObject({ refusal: { code: "no-incoming" } });
    value(await read());
    const again = await send("Clear Water-2.0.zip", mod);
    const second = value(await incoming.planTakeIn(context, waiting(), again));
    expect(second.versions).toEqual([{ version: "2.0", same: true }]);
    expect(value(await incoming.takeIn(context, waiting(), again))).toBe("Clear Water-2.0 (2).zip");
    await rm(join(shelfFolder(), "Clear Water-2.0 (2).zip"));
    expect(await readdir(waiting())).toEqual([]);
  });

  test("is refused, and not kept, where it is unsound; nothing is written outside of where it waits", async () => {
    const id = await send("Broken.zip", mod.subarray(0, 60));
    expect(await incoming.planTakeIn(context, waiting(), id)).toMatchObject({
      ok: false,
      refusal: { code: "mod-unsound", data: { name: "Broken.zip" } },
    });
    for (const name of ["../../x.zip", "a/b.zip", ".hidden", "nul\0.zip"])
      expect(await incoming.makeRoom(waiting(), name)).toMatchObject({ refusal: { code: "file-name" } });
    expect(await incoming.planTakeIn(context, waiting(), "../../etc")).toMatchObject({
      refusal: { code: "no-incoming" },
    });
    expect(await readdir(waiting())).toEqual([]);
  });
});

describe("what changes on the disk", () => {
  const shelfChanges = async () =>
    findShelfChanges(context.db, context.reader, value(await currentGame(context)));

  test("is told by name and not taken over", async () => {
    value(await read());
    const before = await onShelf();
    await copyFile(join(shelfFolder(), fry), join(shelfFolder(), "Small Fry-1.0.1.zip"));
    await utimes(join(shelfFolder(), fry), 1, 1);
    await rename(join(shelfFolder(), "Clear Water-2.0.zip"), join(folder, "away.zip"));
    expect(await shelfChanges()).toEqual({
      game: "brinehollow",
      added: ["Small Fry-1.0.1.zip"],
      changed: [fry],
      gone: ["Clear Water-2.0.zip"],
    });
    expect(await onShelf()).toEqual(before);
    value(await read());
    expect(await shelfChanges()).toMatchObject({ added: [], changed: [], gone: [] });
  });

  test("is noticed while one listens, until one leaves; and so is what is done with profiles", async () => {
    const heard: ServerEvent[] = [];
    const left = new AbortController();
    context.watches.listen(context, (event) => heard.push(event), left.signal);
    const next = async (kind: ServerEvent["kind"], isMeant: (event: ServerEvent) => boolean = () => true) => {
      const found = () => heard.find((event) => event.kind === kind && isMeant(event));
      while (!found()) await new Promise((done) => setTimeout(done, 20));
      heard.splice(0, heard.indexOf(found()!) + 1);
    };
    const adds = (path: string) => (event: ServerEvent) =>
      event.kind === "shelf-changes" && event.game === "brinehollow" && event.added.join() === path;
    await next("order-file");
    await next("shelf-changes", adds(""));
    // Whoever comes later hears at once how things are, and nothing is looked at anew for that.
    const later: ServerEvent[] = [];
    const laterLeft = new AbortController();
    context.watches.listen(context, (event) => later.push(event), laterLeft.signal);
    expect(new Set(later.map(({ kind }) => kind))).toEqual(new Set(["order-file", "shelf-changes"]));
    laterLeft.abort();
    await mkdir(join(shelfFolder(), "Fresh-1.0/textures"), { recursive: true });
    await writeFile(join(shelfFolder(), "Fresh-1.0/textures/a.tex"), "a");
    await next("shelf-changes", adds("Fresh-1.0"));
    const { folders, profileId } = value(await currentGame(context));
    const order = join(folders.order, "saves/lading.lst");
    await writeFile(order, await readFile(order));
    await next("order-file");
    const { version, state } = (await storedProfile(context, profileId!))!;
    const { id } = state.plugins.entries.find(({ on }) => on)!;
    const steps = [{ kind: "switch" as const, list: "plugins" as const, ids: [id], on: false }];
    const stored = value(
      await storeEdit(context, profileId!, version, {
        label: label("switch-off", { item: id, count: 1 }),
        steps,
      }),
    );
    await next(
      "edited",
      (event) => event.kind === "edited" && event.version === version + 1 && !event.shared,
    );
    value(await step(context, profileId!, stored.version, "undo"));
    await next("edited", (event) => event.kind === "edited" && event.version === version + 2);
    value(await read());
    await next("stock");
    await next("shelf-changes", adds(""));
    await rm(join(shelfFolder(), "Fresh-1.0"), { recursive: true });
    value(await read());
    await next("stock");
    await next("shelf-changes", adds(""));
    // Where nothing has changed there is nothing to tell.
    heard.length = 0;
    value(await read());
    expect(heard.filter(({ kind }) => kind === "stock")).toEqual([]);
    left.abort();
    heard.length = 0;
    value(await read());
    expect(heard).toEqual([]);
  });
});

test("folders stay watched for a while once nobody listens: whoever comes back hears at once, later nothing is looked at", async () => {
  const watches = new FolderWatches(300);
  const looks: string[] = [];
  // Of its own, for what other tests listened to is watched for a while longer.
  const ground = { ...context, events: new Events() };
  ground.events.subscribe(({ kind }) => void (kind === "shelf-changes" && looks.push(kind)));
  const wait = (ms: number) => new Promise((done) => setTimeout(done, ms));
  const listen = () => {
    const heard: string[] = [];
    const left = new AbortController();
    watches.listen(ground, ({ kind }) => heard.push(kind), left.signal);
    return { heard, leave: () => left.abort() };
  };
  const first = listen();
  while (!looks.length) await wait(20);
  first.leave();
  const second = listen();
  expect(second.heard).toContain("shelf-changes");
  // The end that the first had begun is no end any more.
  await wait(500);
  looks.length = 0;
  await mkdir(join(shelfFolder(), "Fresh-2.0"));
  while (!looks.length) await wait(20);
  second.leave();
  await wait(700);
  looks.length = 0;
  await rm(join(shelfFolder(), "Fresh-2.0"), { recursive: true });
  await wait(900);
  expect(looks).toEqual([]);
  const third = listen();
  expect(third.heard).toEqual([]);
  third.leave();
  watches.end();
});

test("what is known of the disk has a name of what it holds; rows that did not change stay the same objects", async () => {
  const game = (await findCurrentGame(context.db))!;
  const held = () => holdStock(context, game);
  const first = await held();
  value(await read());
  const again = await held();
  expect([again.revision, again.stock === first.stock]).toEqual([first.revision, true]);
  const [one, other] = again.stock.shelf.filter((mod) => mod.kind === "archive" && !mod.problem);
  value(await shelf.tagMods(context, [one!.id], "calm", true));
  const tagged = await held();
  const at = (id: string) => tagged.stock.shelf.find((mod) => mod.id === id);
  expect(tagged.revision).not.toBe(first.revision);
  expect(at(one!.id)!.tags).toContain("calm");
  expect(at(other!.id) === other).toBe(true);
  value(await shelf.tagMods(context, [one!.id], "calm", false));
  expect((await held()).revision).toBe(first.revision);

  // Two new mods that share a file do so at once.
  for (const name of ["Sharer-1.0", "Other Sharer-1.0"]) {
    await mkdir(join(shelfFolder(), name, "textures"), { recursive: true });
    for (const file of ["one.tex", `${name}.tex`])
      await writeFile(join(shelfFolder(), name, "textures", file), name);
  }
  value(await read());
  const sharers = (await held()).stock.shelf.filter(({ id }) => id.includes("sharer"));
  const [sharer, otherSharer] = sharers.map(({ content }) => content!) as [string, string];
  expect(value(await sharedBetween(context, sharer, otherSharer))).toEqual([
    { path: "textures/one.tex", equal: false },
  ]);
  for (const name of ["Sharer-1.0", "Other Sharer-1.0"])
    await rm(join(shelfFolder(), name), { recursive: true });
  value(await read());
  expect((await held()).revision).toBe(first.revision);

  // The game's own plugins are looked at too, where the shelf is as it was.
  const { definition, folders } = game;
  const own = join(folders.game, definition.baseFolder, definition.builtIn[0]!);
  const bytes = await readFile(own);
  await writeFile(own, Buffer.concat([bytes, Buffer.alloc(1)]));
  value(await read());
  expect((await held()).stock.base[0]!.size).toBe(bytes.length + 1);
  await writeFile(own, bytes);
  value(await read());
  expect((await held()).revision).toBe(first.revision);
});

test("as soon as something of a game's stock is stored otherwise, what was known of it counts no more, and windows are told", async () => {
  const game = (await findCurrentGame(context.db))!;
  const told: ServerEvent[] = [];
  const stop = context.events.subscribe((event) => told.push(event));
  const tables = ["shelf_mod", "contents", "kept_mod", "mod_tag", "mod_identity", "own_work", "rulebook"];
  const isForgotten = async (statement: string) => {
    await holdStock(context, game);
    told.length = 0;
    await context.db.query(statement);
    expect([statement, context.stocks.has(game.id), told]).toEqual([
      statement,
      false,
      [{ kind: "stock", game: game.id }],
    ]);
  };
  await context.db.exec(
    `insert into kept_mod values ('brinehollow', 'x', 'x', '{}');
     insert into own_work values ('brinehollow', 'x'); insert into mod_tag values ('brinehollow', 'x', 'x');
     insert into mod_identity values ('brinehollow', 'x', 'x', 'X')`,
  );
  await context.db.exec("delete from kept_mod where content = 'x'");
  for (const table of tables.filter((each) => each !== "kept_mod")) {
    const [{ count }] = (await context.db.query<{ count: number }>(
      `select count(*)::integer as count from ${table} where game_id = 'brinehollow'`,
    )) as [{ count: number }];
    expect([table, count > 0]).toEqual([table, true]);
    await isForgotten(`update ${table} set game_id = game_id where game_id = 'brinehollow'`);
  }
  for (const table of ["own_work", "mod_tag"]) await isForgotten(`delete from ${table} where mod = 'x'`);
  await isForgotten("delete from mod_identity where path = 'x'");
  await isForgotten("insert into own_work values ('brinehollow', 'y')");
  await isForgotten("delete from own_work where mod = 'y'");
  await isForgotten("update game set definition = definition where id = 'brinehollow'");
  // What is of no account for it, or of another game.
  await holdStock(context, game);
  told.length = 0;
  await context.db.query("update game set profile_id = profile_id");
  await context.db.query("update shelf_mod set stamp = stamp where game_id = 'none'");
  await context.db.query("update profile set note = note");
  expect([context.stocks.has(game.id), told]).toEqual([true, []]);
  stop();
});

test("of parts that belong together it is told once, at their end; what others store meanwhile is told at once", async () => {
  const game = (await findCurrentGame(context.db))!;
  const touch = "update shelf_mod set size = size where game_id = 'brinehollow'";
  let told = 0;
  const stop = context.events.subscribe(({ kind }) => (told += Number(kind === "stock")));
  await holdStock(context, game);
  await storePart(context, game.id, (tx) => tx.query(touch));
  const failed = storePart(context, game.id, async (tx) => {
    await tx.query(touch);
    throw new Error("changed my mind");
  });
  await expect(failed).rejects.toThrow();
  expect([told, context.stocks.has(game.id)]).toEqual([0, true]);
  tellOfParts(context, game.id);
  tellOfParts(context, game.id);
  expect([told, context.stocks.has(game.id)]).toEqual([1, false]);
  const part = storePart(context, game.id, (tx) => tx.query(touch));
  const other = context.db.query(touch);
  await Promise.all([part, other]);
  expect(told).toBe(2);
  tellOfParts(context, game.id);
  expect(told).toBe(2);
  await context.db.query("update shelf_mod set stamp = '' where game_id = 'brinehollow'");
  told = 0;
  value(await read());
  expect(told).toBe(1);
  stop();
});

test("of every file is known who brings it, and of two mods which files they share, equal or not", async () => {
  const game = (await findCurrentGame(context.db))!;
  const { shelf } = await getStock(context, game);
  const mods = newestById(shelf);
  const pathsOf = await listPaths(context.db, game.id);
  const archives = [...mods.values()].filter(({ kind }) => kind === "archive");
  const own = ({ content }: ShelfMod) =>
    (pathsOf.get(content!) ?? []).filter((path) => path !== "seating-mod.json");
  const [broader, narrower] = archives.flatMap((mod) => {
    const met = archives.find((each) => each !== mod && own(each).some((path) => own(mod).includes(path)));
    return met ? [mod.id, met.id] : [];
  }) as [ModId, ModId];
  const [one, other] = [broader, narrower].map((id) => mods.get(id)!.content!) as [string, string];
  const shared = value(await sharedBetween(context, one, other));
  expect(shared.length).toBeGreaterThan(0);
  expect(shared.map((each) => each.path)).not.toContain("seating-mod.json");
  const { path, equal } = shared[0]!;
  const bringing = value(await whoBrings(context, path.toUpperCase()));
  expect(bringing.map(({ mod }) => mod)).toEqual(expect.arrayContaining([broader, narrower]));
  for (const { mod, files } of bringing) {
    const { path: place, kind, content } = mods.get(mod!)!;
    if (kind !== "archive") continue;
    const unpacked = unzipSync(await readFile(join(game.folders.shelves[0]!, place)));
    const [name, bytes] = Object.entries(unpacked).find(([name]) =>
      name.toLowerCase().endsWith(path.toLowerCase()),
    )!;
    expect([mod, files.map(({ size, hash }) => [size, hash])]).toEqual([
      mod,
      [[bytes.length, createHash("sha256").update(bytes).digest("hex").slice(0, 32)]],
    ]);
    const known = value(await filesOfMod(context, content!));
    expect(known.map((file) => file.path)).toContain(
      name.slice(name.toLowerCase().lastIndexOf(path.toLowerCase())),
    );
  }
  const [first, second] = [one, other].map((content) => bringing.find((each) => each.content === content)!);
  expect(equal).toBe(first!.files[0]!.hash === second!.files[0]!.hash);
  expect(value(await sharedBetween(context, one, one)).every(({ equal }) => equal)).toBe(true);
  expect(value(await whoBrings(context, path.slice(1)))).toEqual([]);
});

test("of a file that the game itself has is known that it does, until it is gone", async () => {
  const current = (await findCurrentGame(context.db))!;
  const { folders, definition } = current;
  const { shelf } = await getStock(context, current);
  const contents = await listContaining(context.db, current.id, `${definition.contentFolders[0]}/`);
  const bringing = shelf.find(({ content }) => contents.has(content ?? ""))!;
  const { path } = contents
    .get(bringing.content!)!
    .find((file) => file.path.toLowerCase().startsWith(`${definition.contentFolders[0]}/`))!;
  const full = join(folders.game, definition.baseFolder, path);
  await mkdir(join(full, ".."), { recursive: true });
  await writeFile(full, "the game's own");
  value(await read());
  const [game, ...mods] = value(await whoBrings(context, path));
  expect([game!.mod, game!.files.map(({ size }) => size)]).toEqual([null, [14]]);
  expect(mods.map(({ mod }) => mod)).toContain(bringing.id);
  await rm(full);
  value(await read());
  expect(value(await whoBrings(context, path)).map(({ mod }) => mod)).not.toContain(null);
});

test("where mods are read anew by other laws, records are those of what was read, though no contents changed", async () => {
  const game = (await findCurrentGame(context.db))!;
  const { shelf } = await getStock(context, game);
  const wanted = shelf.flatMap(({ content }) => content ?? []);
  const records = async () =>
    (await readLibrary(context, game, wanted)).contents.flatMap((each) =>
      each.records.flatMap(({ records: names }) => names),
    );
  const before = await records();
  expect(before.length).toBeGreaterThan(0);
  await context.db.query("update contents set records = '[]' where game_id = 'brinehollow'");
  await context.db.query("update shelf_mod set stamp = '' where game_id = 'brinehollow'");
  expect(await records()).toEqual([]);
  value(await read());
  expect(await records()).toEqual(before);
});

test("a reading that is cancelled keeps what it has read, and the next one goes on from there", async () => {
  await context.db.query("update shelf_mod set stamp = '' where game_id = 'brinehollow'");
  const cancel = new AbortController();
  const first = await readShelfOfGame(
    context,
    ({ done }) => {
      if (done === 30) cancel.abort();
    },
    cancel.signal,
  );
  expect(first).toMatchObject({ ok: false, refusal: { code: "cancelled-reading" } });
  expect((await onShelf()).length).toBeGreaterThan(30);
  expect(value(await read()).total).toBe((await onShelf()).length);
});

test("a reading waits for one that is under way, and reads all where that was left, as by a page that is loaded anew", async () => {
  await context.db.query("update shelf_mod set stamp = '' where game_id = 'brinehollow'");
  const left = new AbortController();
  const told: string[] = [];
  const first = readShelfOfGame(
    context,
    ({ done }) => {
      if (done === 1) next.push(readShelfOfGame(context, () => void told.push("next")));
      told.push("first");
      if (done === 20) left.abort();
    },
    left.signal,
  );
  const next: (typeof first)[] = [];
  expect(await first).toMatchObject({ ok: false, refusal: { code: "cancelled-reading" } });
  expect(value(await next[0]!).total).toBe((await onShelf()).length);
  expect(told.lastIndexOf("first")).toBeLessThan(told.indexOf("next"));
});

test("mods lie in several folders; those outside the first are known by their whole paths", async () => {
  const game = (await findCurrentGame(context.db))!;
  const other = join(folder, "other");
  await mkdir(join(other, "Far Mod-1.0/textures"), { recursive: true });
  await writeFile(join(other, "Far Mod-1.0/textures/f.tex"), "f");
  value(await games.changeFolders(context, { ...game.folders, shelves: [...game.folders.shelves, other] }));
  value(await read());
  expect(await onShelf()).toContain(join(other, "Far Mod-1.0"));
  const [id] = value(await shelf.dropFromShelf(context, [join(other, "Far Mod-1.0")]));
  expect((await listBin(context.db, "brinehollow"))[0]!.liesAt).toBe(join(other, ".seating-bin/Far Mod-1.0"));
  value(await shelf.bringBackMods(context, [id!]));
  expect(existsSync(join(other, "Far Mod-1.0/textures/f.tex"))).toBe(true);
  await saveGame(context.db, game);
  value(await read());
});

test("a folder of games tells which of them lie in it, and a typed path where it leads", async () => {
  const games = join(folder, "games-of-mine");
  await mkdir(join(games, "one/saves"), { recursive: true });
  await mkdir(join(games, "two"));
  await mkdir(join(games, "nothing"));
  for (const at of ["one", "two"]) {
    await mkdir(dirname(join(games, at, brinehollow.sign)), { recursive: true });
    await writeFile(join(games, at, brinehollow.sign), "");
  }
  const found = await reportFolder(`"${games}/"`, "other.exe", [brinehollow]);
  expect(found).toMatchObject({ holdsGame: false, path: await realpath(games) });
  expect(found.games.map(({ id, path }) => [id, basename(path)])).toEqual([
    ["brinehollow", "one"],
    ["brinehollow", "two"],
  ]);
  expect((await reportFolder(join(games, "one"), "other.exe", [brinehollow])).games.length).toBe(1);
  expect((await reportFolder(games, null, [brinehollow])).games).toEqual([]);
});

test("names of folders are told only to a chooser that is open, and of folders only", async () => {
  const place = join(folder, "to-choose");
  await mkdir(join(place, "b folder"), { recursive: true });
  await mkdir(join(place, "A folder/inside"), { recursive: true });
  await mkdir(join(place, ".hidden"));
  await writeFile(join(place, "a file.txt"), "");
  await symlink(join(place, "A folder"), join(place, "linked"));
  await symlink(join(place, "a file.txt"), join(place, "linked file"));
  const closed = "00000000-0000-4000-8000-000000000000";
  expect(await listFolders(context, closed, place)).toMatchObject({ refusal: { code: "chooser-closed" } });
  const id = value(openChooser(context));
  const listing = value(await listFolders(context, id, place));
  expect(listing.names).toEqual(["A folder", "b folder", "linked"]);
  expect(listing.above).toBe(await realpath(folder));
  // Where nothing lies at a path, the nearest folder above it is shown.
  expect(value(await listFolders(context, id, join(place, "no/such/one"))).path).toBe(listing.path);
  expect(value(await listFolders(context, id, join(place, "a file.txt"))).path).toBe(listing.path);
  value(closeChooser(context, id));
  expect(await listFolders(context, id, place)).toMatchObject({ refusal: { code: "chooser-closed" } });
});

test("a folder is reported as it is found", async () => {
  expect(await reportFolder(shelfFolder(), null)).toMatchObject({
    there: true,
    readable: true,
    writable: true,
  });
  expect((await reportFolder(shelfFolder(), null)).archives).toBeGreaterThan(10);
  expect(await reportFolder(join(folder, "brinehollow/game"), brinehollow.sign)).toMatchObject({
    holdsGame: true,
  });
  expect(await reportFolder(shelfFolder(), brinehollow.sign)).toMatchObject({ holdsGame: false });
  expect(await reportFolder("/nowhere", null)).toMatchObject({ there: false, archives: 0 });
  expect(await reportFolder(join(shelfFolder(), fry), null)).toMatchObject({ there: false });
});

describe("laws", () => {
  test("that are flawed are refused with the place; the id of a game stays", async () => {
    expect(await games.changeDefinition(context, { ...brinehollow, sections: [] })).toMatchObject({
      refusal: { code: "definition-flaw", data: { path: "sections" } },
    });
    expect(await games.changeDefinition(context, { ...brinehollow, id: "other" })).toMatchObject({
      refusal: { code: "game-id-stays" },
    });
    const folders = (await findCurrentGame(context.db))!.folders;
    expect(await games.addGame(context, { game: { own: { ...brinehollow } }, folders })).toMatchObject({
      refusal: { code: "game-id-taken" },
    });
  });

  test("of one's own hold from then on, and every mod is read anew by them", async () => {
    const [full, light] = brinehollow.counting;
    const changed = { ...brinehollow, counting: [{ ...full!, cap: 7 }, light!] };
    value(await games.changeDefinition(context, changed));
    expect(await findCurrentGame(context.db)).toMatchObject({
      own: true,
      definition: { counting: [{ cap: 7 }, {}] },
    });
    expect(value(await read()).unchanged).toBe(0);
    value(await games.changeDefinition(context, brinehollow));
    value(await read());
  });
});

test("a state is read of a profile, and refused where there is none", async () => {
  const [first, second] = await listProfiles(context.db, "brinehollow");
  expect(value(await readStateOf(context, { profile: second!.id }))).toEqual(
    (await storedProfile(context, second!.id))!.state,
  );
  expect(await readStateOf(context, { point: first!.id })).toMatchObject({
    refusal: { code: "no-restore-point" },
  });
  expect(await readStateOf(context, { lineup: "x" })).toMatchObject({ refusal: { code: "import-gone" } });
});

describe("everything as one archive", () => {
  const at = new Date("2026-11-05T10:00:00Z");
  const rows = async (from: Context) => {
    const tables = ["game", "profile", "profile_entry", "shelf_mod", "journal", "contents"];
    const all = [];
    for (const table of tables)
      all.push(
        await from.db.query<object>(
          `select md5(string_agg(t::text, ',' order by t::text)) as sum from ${table} t`,
        ),
      );
    return all;
  };

  let files = 0;
  const exportData = async (from: Context, when: Date) => {
    const path = join(folder, `out-${++files}.zip`);
    await exportInto(from, path, when);
    return readFile(path);
  };
  const importData = async (into: Context, bytes: Uint8Array, kept: string, when: Date) => {
    const path = join(folder, `in-${++files}.zip`);
    await writeFile(path, bytes);
    return importFrom(into, path, kept, when);
  };

  test("is the same again in a database that never saw it, history and all", async () => {
    const bytes = await exportData(context, at);
    const elsewhere = await makeContext();
    const kept = join(folder, "kept");
    const taken = value(await importData(elsewhere, bytes, kept, at));
    // All but the folders, which nobody has named there yet.
    expect((await rows(elsewhere)).slice(1)).toEqual((await rows(context)).slice(1));
    const { folders, ...game } = (await findCurrentGame(elsewhere.db))!;
    expect({ ...game, folders: null }).toEqual({ ...(await findCurrentGame(context.db))!, folders: null });
    expect(new Set([folders.game, folders.order, ...folders.shelves])).toEqual(
      new Set([join(elsewhere.folder, "unnamed/brinehollow")]),
    );
    expect(await writeOrder(elsewhere, game.profileId!, null)).toMatchObject({
      refusal: { code: "folder-no-game" },
    });
    value(await importData(context, bytes, kept, at));
    expect((await findCurrentGame(context.db))!.folders.shelves).toEqual([shelfFolder()]);
    const stock = await getStock(elsewhere, (await findCurrentGame(elsewhere.db))!);
    expect(stock.shelf).toEqual(await listShelf(context.db, "brinehollow"));
    const before = unzipSync(await readFile(join(kept, taken.kept)));
    expect(Object.keys(before)).toContain("seating-data.json");
    await elsewhere.db.close();
  }, 60_000);

  test("a game is removed with all that is kept of it and nothing of the disk, and comes back from what was kept", async () => {
    const elsewhere = await makeContext();
    const kept = join(folder, "kept-of-removed");
    value(await importData(elsewhere, await exportData(context, at), kept, at));
    await saveGame(elsewhere.db, (await findCurrentGame(context.db))!);
    await elsewhere.db.query(
      `insert into file_copy (id, game_id, path, sha256, contents) values ('copy', 'brinehollow', 'lading.lst', 'x', 'abc')`,
    );
    const before = await rows(elsewhere);
    const files = await readdir(shelfFolder(), { recursive: true });
    expect(await removeGame(elsewhere, "nobody", kept, at)).toMatchObject({ refusal: { code: "no-game" } });
    const removed = value(await removeGame(elsewhere, "brinehollow", kept, new Date("2026-11-06T10:00:00Z")));
    const left = (await listGames(elsewhere.db)).map(({ id }) => id);
    expect(left).not.toContain("brinehollow");
    expect(left).toContain((await findCurrentGame(elsewhere.db))!.id);
    for (const table of await elsewhere.db.query<{ name: string }>(
      `select table_name as name from information_schema.columns where table_schema = 'public' and column_name = 'game_id'`,
    ))
      expect(await elsewhere.db.query(`select 1 from ${table.name} where game_id = 'brinehollow'`)).toEqual(
        [],
      );
    expect(await readdir(shelfFolder(), { recursive: true })).toEqual(files);
    value(await importFrom(elsewhere, join(kept, removed.kept), kept, at));
    // The folders are named anew: nobody knew the game any more.
    expect((await rows(elsewhere)).slice(3)).toEqual(before.slice(3));
    expect(await elsewhere.db.query(`select id from file_copy`)).toEqual([{ id: "copy" }]);
    await elsewhere.db.close();
  }, 60_000);

  test.each([
    ["no archive", strToU8("hello"), "data-not"],
    ["an archive of something else", zipSync({ "readme.txt": strToU8("x") }), "data-not"],
    [
      "one of another version",
      zipSync({
        "seating-data.json": strToU8('{"format":"seating-data/1","schema":"0001-x.sql","made":""}'),
      }),
      "data-schema",
    ],
  ])("%s is refused", async (_, bytes, code) => {
    expect(await importData(context, bytes, join(folder, "kept"), at)).toMatchObject({ refusal: { code } });
  });

  const altered = async (table: string, change: (rows: Record<string, unknown>[]) => unknown) => {
    const files = unzipSync(await exportData(context, at));
    const name = `tables/${table}.json`;
    const rows = JSON.parse(strFromU8(files[name]!)) as Record<string, unknown>[];
    files[name] = strToU8(JSON.stringify(change(rows)));
    return importData(context, zipSync(files), join(folder, "kept"), at);
  };

  test.each<[string, string, (rows: Record<string, unknown>[]) => unknown, string]>([
    ["that holds nothing", "game", () => [], "is not there|no game"],
    [
      "whose definition would empty the game",
      "game",
      (all) =>
        all.map((row) => ({
          ...row,
          definition: { ...(row.definition as object), holdsFile: (row.definition as { sign: string }).sign },
        })),
      "another file than sign",
    ],
    [
      "whose history is none",
      "journal",
      (all) => all.map((row) => ({ ...row, steps: [{ kind: "explode" }] })),
      "kind|Invalid",
    ],
    [
      "whose profile decides nonsense",
      "profile_decision",
      (all) => all.map((row) => ({ ...row, item: { nonsense: true } })),
      "expected|Invalid|Unrecognized",
    ],
  ])(
    "one %s is refused, and changes nothing",
    async (_, table, change, words) => {
      const { version, state } = (await storedProfile(
        context,
        (await findCurrentGame(context.db))!.profileId!,
      ))!;
      const { id } = state.plugins.entries.find(({ on }) => on)!;
      const steps = [{ kind: "switch" as const, list: "plugins" as const, ids: [id], on: false }];
      const profileId = (await findCurrentGame(context.db))!.profileId!;
      value(
        await storeEdit(context, profileId, version, {
          label: label("switch-off", { item: id, count: 1 }),
          steps,
        }),
      );
      const before = await rows(context);
      const outcome = await altered(table, change);
      expect(outcome).toMatchObject({ refusal: { code: "data-unsound" } });
      expect(JSON.stringify(outcome)).toMatch(new RegExp(words));
      expect(await rows(context)).toEqual(before);
    },
    60_000,
  );

  test("an edit that was made on what was there before is stale afterwards", async () => {
    const profileId = (await findCurrentGame(context.db))!.profileId!;
    const { version } = (await storedProfile(context, profileId))!;
    value(await importData(context, await exportData(context, at), join(folder, "kept"), at));
    expect((await storedProfile(context, profileId))!.version).toBeGreaterThan(version);
    const edit = { label: label("restore", { name: "x" }), steps: [] };
    expect(await storeEdit(context, profileId, version, edit)).toMatchObject({ refusal: { code: "stale" } });
  }, 60_000);

  test("that an earlier version made is brought up to date on the way, told before, and put back as it was", async () => {
    const earlier = join(process.cwd(), "src/server/testing/folder-of-0011.seating.zip");
    const before = await rows(context);
    const looked = value(await lookAtData(context, earlier));
    expect(looked.games.flatMap(({ profiles }) => profiles).length).toBeGreaterThan(5);
    expect(await rows(context)).toEqual(before);
    const kept = join(folder, "kept-earlier");
    const taken = value(await importFrom(context, earlier, kept, at));
    for (const { id } of await listGames(context.db)) {
      const profiles = (await listProfiles(context.db, id)).filter(({ deletedAt }) => !deletedAt);
      for (const profile of profiles) expect(await storedProfile(context, profile.id)).not.toBeNull();
    }
    expect((await listGames(context.db)).length).toBe(looked.games.length);
    value(await importFrom(context, join(kept, taken.kept), kept, new Date(at.getTime() + 1)));
    const names = async () => (await listProfiles(context.db, "brinehollow")).map(({ name }) => name);
    expect(await names()).toContain("Long Descent");
    expect((await rows(context)).length).toBe(before.length);
  }, 120_000);

  test("one whose rows refer to what is not there changes nothing", async () => {
    const files = unzipSync(await exportData(context, at));
    delete files["tables/game.json"];
    const before = await rows(context);
    expect(await importData(context, zipSync(files), join(folder, "kept"), at)).toMatchObject({
      refusal: { code: "data-unsound" },
    });
    expect(await rows(context)).toEqual(before);
  }, 60_000);
});

test("a profile's note has the day on which it was last written, and keeps it while other facts change", async () => {
  const notedAt = async (id: string) =>
    (await listProfiles(context.db, "brinehollow")).find((each) => each.id === id)!.notedAt?.getTime() ??
    null;
  const made = value(await createProfile(context, { facts: { name: "Noted", purpose: "test" }, from: null }));
  expect(await notedAt(made.id)).toBeNull();
  const facts = { name: "Noted", purpose: "test", note: "for the reef" };
  value(await changeProfileFacts(context, made.id, facts));
  const first = await notedAt(made.id);
  expect(first).not.toBeNull();
  value(await changeProfileFacts(context, made.id, { ...facts, name: "Noted still", hue: 3 }));
  expect(await notedAt(made.id)).toBe(first);
  await new Promise((done) => setTimeout(done, 20));
  value(await changeProfileFacts(context, made.id, { ...facts, note: "for the wreck" }));
  expect(await notedAt(made.id)).toBeGreaterThan(first!);
});
