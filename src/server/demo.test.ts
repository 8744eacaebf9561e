import { runChecks } from "@/core/check/run-checks";
import { findingIds } from "@/core/messages/finding-titles";

import { makeRoster } from "@/core/roster/roster";
import { allTies } from "@/core/roster/ties";
import { listGames } from "@/store/games";
import { listProfiles } from "@/store/profiles";
import { readDrift } from "./operations/layout";
import { readOnDisk } from "./operations/order-file";
import { findOverlaps } from "./operations/read-library";
import { currentGame } from "./operations/situation";
import { getStock } from "./stock";
import { makeDemoContext, storedProfile, value, type DemoContext } from "./testing/demo-context";

let demo: DemoContext;
beforeAll(async () => {
  demo = await makeDemoContext(320);
}, 120_000);
afterAll(() => demo.end());

test("the demo of its usual size has at least one of every finding", async () => {
  const { context } = demo;
  const found = new Set<string>();
  for (const game of await listGames(context.db)) {
    const stock = await getStock(context, game);
    const { definition } = game;
    const drift = await readDrift({ ...context, at: (await listProfiles(context.db, game.id))[0]!.id });
    for (const { id } of await listProfiles(context.db, game.id)) {
      const of = value(await currentGame({ ...context, at: id }));
      const onDisk = { ...(await readOnDisk(context, of)), ...(drift.ok && { drift: drift.value }) };
      const plain = makeRoster(definition, (await storedProfile(context, id))!, stock);
      const roster = { ...plain, overlaps: await findOverlaps(context, game, plain) };
      for (const finding of runChecks({ roster, ties: allTies(roster), onDisk, today: "2026-11-30" }))
        found.add(finding.id);
    }
  }
  expect(findingIds.filter((id) => !found.has(id))).toEqual([]);
}, 60_000);
