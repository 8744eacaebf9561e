import { mkdir, mkdtemp, rename, rm } from "node:fs/promises";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { brinehollow } from "@/standin/brinehollow/definition";
import { listGames, saveGame } from "@/store/games";
import type { Context } from "./context";
import { followMovedDemo } from "./moved";
import { makeContext } from "./testing/demo-context";

let base: string;
let context: Context;
beforeAll(async () => {
  base = await mkdtemp(join(tmpdir(), "seating-moved-"));
  context = await makeContext();
}, 60_000);
afterAll(async () => {
  await context.db.close();
  await rm(base, { recursive: true });
});

test("a demo whose data folder was moved is found where it is now; what its user named stays as it is", async () => {
  const [old, now, mine] = [join(base, "old"), join(base, "now"), join(base, "demo", "mine")];
  for (const folder of [join(old, "demo/b/game"), join(old, "demo/b/shelf"), mine])
    await mkdir(folder, { recursive: true });
  const folders = {
    game: join(old, "demo/b/game"),
    order: join(old, "demo/b/game"),
    shelves: [join(old, "demo/b/shelf"), mine, join(base, "gone/demo/x")],
  };
  await saveGame(context.db, { id: brinehollow.id, definition: brinehollow, folders });
  await followMovedDemo(context.db, now);
  expect((await listGames(context.db))[0]!.folders).toEqual(folders);
  await rename(old, now);
  await followMovedDemo(context.db, now);
  expect((await listGames(context.db))[0]!.folders).toEqual({
    game: join(now, "demo/b/game"),
    order: join(now, "demo/b/game"),
    shelves: [join(now, "demo/b/shelf"), mine, join(base, "gone/demo/x")],
  });
});
