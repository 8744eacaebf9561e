import { mkdir, readFile, rm, writeFile } from "node:fs/promises";
import { join } from "node:path";
import { bookFolderKey } from "@/core/model/preferences";
import { findRulebooks, storeRulebook } from "./operations/rulebooks";
import { setPreference } from "./operations/shelf";
import { makeDemoContext, value, type DemoContext } from "./testing/demo-context";

let demo: DemoContext;
beforeAll(async () => {
  demo = await makeDemoContext(1);
}, 60_000);
afterAll(() => demo.end());

const found = async () => {
  const { books, passedOver } = value(await findRulebooks(demo.context));
  return {
    books: books.map(({ book, from, file }) => `${book.id} ${book.version} ${from} ${file}`),
    passedOver: passedOver.map(({ file, refusal }) => `${file} ${refusal.code}`),
  };
};

test("rulebooks are found in the depot and in the folder that is named; what is none is passed by, what is broken told", async () => {
  const inDepot = ["soundings 1.0 depot soundings-1.0.json", "soundings 1.1 depot soundings-1.1.json"];
  expect(await found()).toEqual({ books: inDepot, passedOver: [] });
  const folder = join(demo.folder, "my books");
  await mkdir(join(folder, "more.json"), { recursive: true });
  const text = await readFile(join(demo.folder, "brinehollow/depot/rulebooks/soundings-1.1.json"), "utf8");
  const book = JSON.parse(text) as Record<string, unknown>;
  const put = (name: string, content: unknown) => writeFile(join(folder, name), JSON.stringify(content));
  await put("b.json", { ...book, version: "2.0" });
  await put("other-game.json", { ...book, game: "kitefall-cup" });
  await put("torn.json", { ...book, rules: 3 });
  await put("list.json", []);
  await writeFile(join(folder, "half.json"), "{");
  await writeFile(join(folder, "notes.txt"), text);
  value(await setPreference(demo.context, bookFolderKey, `"${folder}"`));
  expect(await found()).toEqual({
    books: ["soundings 2.0 folder b.json", ...inDepot],
    passedOver: ["torn.json rulebook-broken"],
  });
  await rm(folder, { recursive: true });
  const gone = await found();
  expect(gone.books).toEqual(inDepot);
  expect(gone.passedOver).toEqual([`${folder} game-file-unreadable`]);
  value(await setPreference(demo.context, bookFolderKey, ""));
  expect((await found()).passedOver).toEqual([]);
});

test("a rulebook of another game is not kept", async () => {
  const text = await readFile(join(demo.folder, "brinehollow/depot/rulebooks/soundings-1.0.json"), "utf8");
  expect(
    await storeRulebook(demo.context, text.replace('"brinehollow"', '"elsewhere"'), "s.json"),
  ).toMatchObject({
    ok: false,
    refusal: { code: "rulebook-game" },
  });
  expect((await storeRulebook(demo.context, text, "s.json")).ok).toBe(true);
});
