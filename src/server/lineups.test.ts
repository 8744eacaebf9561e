import type { ProfileId } from "@/core/model/ids";
import { writeLineup } from "@/formats/lineup/json";
import { blankSheet, type Lineup } from "@/core/model/lineup";
import { dataInPage } from "@/formats/lineup/page";
import { findCurrentGame } from "@/store/games";
import type { Context } from "./context";
import { label } from "@/core/edit/steps";
import { storeEdit } from "./operations/edit-profile";
import { step } from "./operations/history";
import * as lineups from "./operations/lineups";
import * as profiles from "./operations/profiles";
import { makeDemoContext, storedProfile, value, type DemoContext } from "./testing/demo-context";
import { viewProfile } from "./views/profile";

let demo: DemoContext;
let context: Context;
beforeAll(async () => {
  demo = await makeDemoContext(60);
  context = demo.context;
}, 120_000);
afterAll(() => demo.end());

const present = async () => (await storedProfile(context, (await findCurrentGame(context.db))!.profileId!))!;
const keep = async (lineup: Lineup) =>
  value(await lineups.keepImport(context, new TextEncoder().encode(writeLineup(lineup)), "x.lineup.json"))
    .importId;
const fingerprintOf = async (id: ProfileId) => value(await lineups.exportLineup(context, id)).fingerprint;

test("a list goes out with what its curator said, and comes in as a new profile that follows it", async () => {
  const first = await present();
  const sheet = {
    ...blankSheet,
    author: "reed",
    note: "Calm.",
    listVersion: "1.0",
    roles: { "small-fry": "once" as const },
    terms: {},
  };
  value(await lineups.saveSheet(context, first.id, sheet));
  const lineup = value(await lineups.exportLineup(context, first.id));
  expect(lineup).toMatchObject({
    title: "Long Descent",
    author: "reed",
    list: first.id,
    followUps: ["small-fry"],
  });
  expect(lineup.open!.length).toBeGreaterThan(0);
  const made = value(
    await lineups.acceptImport(context, await keep(lineup), {
      target: { way: "new", name: "Reproduced" },
      keepMine: [],
    }),
  );
  const profile = await present();
  expect([profile.id, profile.name]).toEqual([made.profileId, "Reproduced"]);
  expect(await fingerprintOf(profile.id)).toBe(lineup.fingerprint);
  expect((await viewProfile(context, profile.id))!.followed?.lineup.fingerprint).toBe(lineup.fingerprint);
  const noMore = { label: label("unfollow", { name: "x" }), steps: [], follow: null };
  expect(value(await storeEdit(context, profile.id, 1, noMore))).toMatchObject({
    version: 2,
    followed: null,
  });
  expect((await viewProfile(context, profile.id))!.followed).toBeNull();
  expect(value(await step(context, profile.id, 2, "undo")).followed?.lineup.title).toBe("Long Descent");
  value(await profiles.switchProfile(context, first.id));
  expect(
    await lineups.acceptImport(context, "gone", { target: { way: "new", name: "x" }, keepMine: [] }),
  ).toMatchObject({
    ok: false,
    refusal: { code: "import-gone" },
  });
});

test("into the present profile it is one edit with a restore point, and one undo takes it back", async () => {
  const first = await present();
  const lineup = value(await lineups.exportLineup(context, first.id));
  const fewer = {
    ...lineup,
    mods: lineup.mods.slice(0, 10),
    plugins: lineup.plugins.filter(
      ({ mod }) => mod === null || lineup.mods.slice(0, 10).some(({ id }) => id === mod),
    ),
  };
  const at = fewer.mods.findIndex(({ section }, place) => section === fewer.mods[place + 1]?.section);
  const turned = fewer.mods.map(
    (mod, place, mods) => mods[place === at ? at + 1 : place === at + 1 ? at : place]!,
  );
  for (const way of ["into", "order"] as const) {
    const before = await present();
    const target = { way, profile: first.id, version: before.version };
    value(
      await lineups.acceptImport(context, await keep({ ...fewer, mods: turned }), { target, keepMine: [] }),
    );
    const after = await present();
    expect(after.version).toBe(before.version + 1);
    // What only the profile has stays.
    expect(after.state.mods.entries.length).toBe(before.state.mods.entries.length);
    expect((await viewProfile(context, after.id))!.restorePoints[0]!.name).toBe(
      "Before importing Long Descent",
    );
    value(await step(context, first.id, after.version, "undo"));
    expect((await present()).state.plugins.entries.map(({ id }) => id)).toEqual(
      before.state.plugins.entries.map(({ id }) => id),
    );
  }
  const stale = { way: "into" as const, profile: first.id, version: 1 };
  expect(
    await lineups.acceptImport(context, await keep(fewer), { target: stale, keepMine: [] }),
  ).toMatchObject({ ok: false, refusal: { code: "stale" } });
});

test("which version is followed is a part of the edit: undo, redo and going back to a restore point bring it back", async () => {
  const first = await present();
  const { changelog: _, ...lineup } = value(await lineups.exportLineup(context, first.id));
  const followedBy = async (id: ProfileId) =>
    (await viewProfile(context, id))!.followed?.lineup.listVersion ?? null;
  const take = async (listVersion: string, target: lineups.Acceptance["target"]) =>
    value(
      await lineups.acceptImport(context, await keep({ ...lineup, title: "Tidal", listVersion }), {
        target,
        keepMine: [],
      }),
    ).profileId;
  const id = await take("1.0", { way: "new", name: "Follows" });
  await take("2.0", { way: "into", profile: id, version: 1 });
  expect(await followedBy(id)).toBe("2.0");
  const follow = await keep({ ...lineup, title: "Tidal", listVersion: "3.0" });
  const edit = { label: label("follow", { name: "Tidal", version: "3.0" }), steps: [], follow };
  let { version } = (await storedProfile(context, id))!;
  expect(value(await storeEdit(context, id, version, edit)).followed?.lineup.listVersion).toBe("3.0");
  expect(await storeEdit(context, id, version, edit)).toMatchObject({ refusal: { code: "stale" } });
  for (const [way, followed] of [
    ["undo", "2.0"],
    ["undo", "1.0"],
    ["redo", "2.0"],
    ["redo", "3.0"],
    ["undo", "2.0"],
  ] as const) {
    version = (await storedProfile(context, id))!.version;
    const back = value(await step(context, id, version, way));
    expect([way, back.followed?.lineup.listVersion, await followedBy(id)]).toEqual([way, followed, followed]);
  }
  const point = (await viewProfile(context, id))!.restorePoints[0]!;
  version = (await storedProfile(context, id))!.version;
  expect(value(await profiles.goBack(context, point.id, version)).followed?.lineup.listVersion).toBe("1.0");
  // What nothing leads to any more is forgotten: version 3.0, which had been undone.
  const kept = await context.db.query<{ version: string }>(
    "select lineup ->> 'listVersion' as version from followed_list where profile_id = $1 order by version",
    [id],
  );
  expect(kept.map((each) => each.version)).toEqual(["1.0", "2.0"]);
  expect(value(await lineups.readCuratorsWords(context, id))).toContain("What to expect");
  expect(await storeEdit(context, id, version + 1, { ...edit, follow: "gone" })).toMatchObject({
    refusal: { code: "import-gone" },
  });
  value(await profiles.switchProfile(context, first.id));
});

test("versions keep what changed between them, and the list tells it", async () => {
  const first = await present();
  value(await lineups.publishVersion(context, first.id));
  const off = first.state.mods.entries.find(({ id }) => id === "quiet-compass")!;
  value(
    await storeEdit(context, first.id, first.version, {
      label: { id: "switch-off", data: { item: off.id, count: 1 } },
      steps: [{ kind: "switch", list: "mods", ids: [off.id], on: false }],
    }),
  );
  const sheet = value(await lineups.readSheet(context, first.id));
  // The number stands for other contents already: another one is asked for, and the next free one named.
  expect(await lineups.publishVersion(context, first.id)).toMatchObject({
    ok: false,
    refusal: { code: "list-version-taken", data: { version: "1.0", next: "1.1" } },
  });
  value(await lineups.saveSheet(context, first.id, { ...sheet, listVersion: "1.1" }));
  value(await lineups.publishVersion(context, first.id));
  const versions = value(await lineups.listVersions(context, first.id));
  expect(versions.map(({ version, changes }) => [version, changes])).toEqual([
    ["1.1", "Switched off: Quiet Compass"],
    ["1.0", "The first version."],
  ]);
  expect(value(await lineups.exportLineup(context, first.id)).changelog).toHaveLength(2);
  // Words change nothing that a list decides: the same number stays.
  value(await lineups.saveSheet(context, first.id, { ...sheet, listVersion: "1.1", note: "Calmer." }));
  value(await lineups.publishVersion(context, first.id));
  value(await lineups.saveSheet(context, first.id, { ...sheet, listVersion: "1.0" }));
  expect(await lineups.publishVersion(context, first.id)).toMatchObject({
    refusal: { data: { next: "1.2" } },
  });
  value(await lineups.publishVersion(context, first.id, true));
  value(await lineups.saveSheet(context, first.id, { ...sheet, listVersion: " " }));
  expect(await lineups.publishVersion(context, first.id)).toMatchObject({
    ok: false,
    refusal: { code: "list-version" },
  });
});

test("the page holds the list as data and links to it in every format; links go to this machine only", async () => {
  const first = await present();
  const page = value(await lineups.servedPage(context, first.id));
  expect((JSON.parse(dataInPage(page)!) as Lineup).fingerprint).toBe(await fingerprintOf(first.id));
  expect(page).toContain("format=csv");
  for (const link of [
    "http://example.org/lineup/x",
    "https://127.0.0.1/lineup/x",
    "http://127.0.0.1/api/data",
    "file:///etc/passwd",
    "nonsense",
  ])
    expect([link, (await lineups.fetchPage(link)).ok]).toEqual([link, false]);
});
