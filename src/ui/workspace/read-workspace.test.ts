import type { Stock } from "@/core/roster/roster";
import { stockChange } from "@/core/roster/stock-change";
import { testGame } from "@/core/testing/game";
import { testRoster } from "@/core/testing/roster";
import type { StockView } from "@/server/views/stock";
import { readWorkspace, type ShownView } from "./read-workspace";

const { stock, profile } = testRoster([{ name: "a.plank" }, { name: "b.plank" }]);
const tagged: Stock = {
  ...stock,
  shelf: stock.shelf.map((mod, at) => (at === 0 ? { ...mod, tags: ["calm"] } : mod)),
};
const copy = <T>(value: T): T => JSON.parse(JSON.stringify(value)) as T;

/** What was asked, by path and profile, and since when. */
let asked: string[];
/** Answers as the server would: the workspace of a game at a revision, and its stocks, one after another. */
function serve(revision: string, stocks: (StockView | null)[], game = testGame.id): void {
  asked = [];
  const answers = [...stocks];
  global.fetch = ((address: string) => {
    const { pathname, searchParams } = new URL(address, "http://127.0.0.1");
    asked.push([pathname, searchParams.get("profile"), searchParams.get("since")].filter(Boolean).join(" "));
    const view = { profile, game: { ...testGame, id: game }, stockRevision: revision };
    const body = pathname === "/api/workspace" ? view : answers.shift();
    return Promise.resolve(Response.json(body === undefined ? null : copy(body)));
  }) as typeof fetch;
}

const whole = (revision: string, held: Stock, game = testGame.id): StockView => ({
  game,
  revision,
  stock: held,
});
const before = { game: testGame, stock, stockRevision: "one" };
const read = async (held: Pick<ShownView, "game" | "stock" | "stockRevision"> | null) =>
  (await readWorkspace(profile.id, "t", held)) as ShownView;
const { fetch } = global;
afterEach(() => {
  global.fetch = fetch;
});

test("at first both are asked for at once", async () => {
  serve("one", [whole("one", stock)]);
  expect(await read(null)).toMatchObject({ stock, stockRevision: "one" });
  expect(asked).toEqual([`/api/workspace ${profile.id}`, `/api/stock ${profile.id}`]);
});

test("what the window has is not asked for again, and stays the very same", async () => {
  serve("one", []);
  expect((await read(before)).stock).toBe(stock);
  expect(asked).toEqual([`/api/workspace ${profile.id}`]);
});

test("of another revision only what has changed comes; where the server knows no change from it, what is the same is kept", async () => {
  serve("two", [{ game: testGame.id, revision: "two", since: "one", change: stockChange(stock, tagged) }]);
  const changed = await read(before);
  expect(asked[1]).toBe(`/api/stock ${profile.id} one`);
  serve("two", [whole("two", tagged)]);
  for (const view of [changed, await read(before)]) {
    expect(view).toMatchObject({ stock: tagged, stockRevision: "two" });
    expect(view.stock.shelf[1]).toBe(stock.shelf[1]);
  }
});

test("it is named by what came, which may be newer than what the workspace said", async () => {
  serve("two", [whole("three", tagged)]);
  expect((await read(before)).stockRevision).toBe("three");
});

test("where the game has become another one meanwhile, its own shelf is asked for", async () => {
  serve("x", [whole("one", stock), whole("x", tagged, "other")], "other");
  expect(await read(null)).toMatchObject({ stock: tagged, stockRevision: "x" });
  serve("x", [whole("x", tagged, "other")], "other");
  expect(await read(before)).toMatchObject({ stock: tagged });
  expect(asked[1]).toBe(`/api/stock ${profile.id}`);
});

test("without a game there is nothing to read of a shelf", async () => {
  serve("one", [null]);
  const games: never[] = [];
  global.fetch = () => Promise.resolve(Response.json({ games }));
  expect(await readWorkspace(null, "t", null)).toEqual({ games });
});

test("where nothing answers, or what answers is no workspace, it throws with what is the matter", async () => {
  global.fetch = () => Promise.reject(new Error("refused"));
  await expect(readWorkspace(null, "t", null)).rejects.toThrow("does not answer");
  global.fetch = () => Promise.resolve(new Response("no", { status: 503 }));
  await expect(readWorkspace(null, "t", null)).rejects.toThrow("503");
});
