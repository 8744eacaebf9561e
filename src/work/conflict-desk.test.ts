import type { PackedLibrary } from "@/core/conflict/packed-library";
import type { ContentFile } from "@/core/model/shelf";
import { packFiles } from "@/core/model/packed-files";
import { stateAfter } from "@/core/edit/steps";
import { switchItems } from "@/core/edit/edits";
import { overlapsOf } from "@/core/order/overlap";
import type { Overlaps } from "@/core/roster/overlaps";
import type { Roster } from "@/core/roster/roster";
import type { ProfileState } from "@/core/model/profile";
import { testRoster } from "@/core/testing/roster";
import { ConflictDesk } from "./conflict-desk";
import { ConflictJobs } from "./conflict-jobs";

const roster = testRoster([{ name: "a.plank" }, { name: "b.plank" }, { name: "c.plank" }]);
const file = (path: string, hash: string): ContentFile => ({
  path,
  size: 1,
  hash: hash.padStart(32, "0"),
  part: null,
});
const files: Record<string, ContentFile[]> = {
  a: [file("textures/sky.tex", "1")],
  b: [file("textures/sky.tex", "2")],
  c: [file("textures/own.tex", "3")],
};

/** What the server would answer, and what it was asked. */
function aServer() {
  const asked: (readonly string[])[] = [];
  const read = (wanted: readonly string[]): Promise<PackedLibrary> => {
    asked.push(wanted);
    const contents = roster.mods
      .filter(({ mod }) => wanted.includes(mod!.content!))
      .map(({ id, mod }) => ({ content: mod!.content!, records: [], ...packFiles(files[id]!) }));
    return Promise.resolve({ contents, own: { folders: [], plugins: [] } });
  };
  return { asked, read };
}

/** As over there: what comes from another thread is a copy. */
const jobsElsewhere = (): never => {
  const jobs = new ConflictJobs();
  return new Proxy(jobs, {
    get:
      (_, name) =>
      (...args: unknown[]) => {
        const job = (jobs as unknown as Record<PropertyKey, (...given: unknown[]) => unknown>)[name]!;
        return Promise.resolve(structuredClone(job.apply(jobs, structuredClone(args))));
      },
  }) as never;
};

const deskOf = (read: (wanted: readonly string[]) => Promise<PackedLibrary>) =>
  new ConflictDesk(read, () => ({ jobs: jobsElsewhere(), failed: new Promise<never>(() => undefined) }));

const modsThatMeet = (told: Partial<Overlaps> | null) => told?.mods && [...overlapsOf(told.mods)];

const deciding = (mods: ProfileState["mods"]): Roster => ({
  ...roster,
  profile: { ...roster.profile, state: { ...roster.profile.state, mods } },
});

const switchedOff = (id: string): Roster["profile"]["state"] =>
  stateAfter(roster.profile.state, switchItems(roster, [roster.modOf.get(id)!], false)!)!;

test("contents are asked for once; who meets whom is told once, until it is something else", async () => {
  const { asked, read } = aServer();
  const desk = deskOf(read);
  expect(modsThatMeet(await desk.show(roster))).toMatchObject([{ broader: "a", narrower: "b", shared: 1 }]);
  expect(await desk.show(roster)).toBeNull();
  const { mods } = roster.profile.state;
  // Another order is no other meeting, but another mod does nothing.
  expect(await desk.show(deciding({ ...mods, entries: mods.entries.toReversed() }))).toEqual({
    standing: expect.objectContaining({ covered: { mods: ["b"], plugins: [] } }) as unknown,
  });
  expect(asked.map((wanted) => wanted.length)).toEqual([3]);
  const off = { ...roster, profile: { ...roster.profile, state: switchedOff("b") } };
  expect(modsThatMeet(await desk.show(off))).toEqual([]);
  expect(asked).toHaveLength(1);
  // Another stock may go with other files of the game itself.
  await desk.show({ ...roster, stock: { ...roster.stock } });
  expect(asked.map((wanted) => wanted.length)).toEqual([3, 0]);
});

test("a preview tells what changes hands and changes nothing; of several at once only the last is worked out", async () => {
  const desk = deskOf(aServer().read);
  await desk.show(roster);
  const [early, late] = await Promise.all([
    desk.preview(roster, switchedOff("a")),
    desk.preview(roster, switchedOff("b")),
  ]);
  expect(early).toBeNull();
  expect(late).toMatchObject({ files: 1, takers: [{ id: "a", count: 1 }] });
  expect(await desk.show(roster)).toBeNull();
});

test("where the server does not answer nothing is told, and it is asked again", async () => {
  const { read } = aServer();
  let isThere = false;
  const desk = deskOf((wanted) => (isThere ? read(wanted) : Promise.reject(new Error("unreachable"))));
  await expect(desk.show(roster)).rejects.toThrow("unreachable");
  isThere = true;
  expect(modsThatMeet(await desk.show(roster))).toHaveLength(1);
});

test("contents of which nobody knows anything are asked for once", async () => {
  const asked: (readonly string[])[] = [];
  const desk = deskOf((wanted) => {
    asked.push(wanted);
    return Promise.resolve({ contents: [], own: { folders: [], plugins: [] } });
  });
  expect(modsThatMeet(await desk.show(roster))).toEqual([]);
  await desk.show({ ...roster, profile: { ...roster.profile, state: switchedOff("b") } });
  expect(asked).toHaveLength(1);
});

test("a worker that breaks down leaves nobody waiting, and the next question has another one", async () => {
  let breakDown!: (why: Error) => void;
  let started = 0;
  const desk = new ConflictDesk(aServer().read, () => {
    started++;
    const failed = new Promise<never>((_, reject) => (breakDown = reject));
    const stuck = { know: () => new Promise(() => undefined) };
    return { jobs: started === 1 ? (stuck as never) : jobsElsewhere(), failed };
  });
  const answer = desk.show(roster);
  await Promise.resolve();
  breakDown(new Error("out of memory"));
  await expect(answer).rejects.toThrow("out of memory");
  expect(modsThatMeet(await desk.show(roster))).toHaveLength(1);
  expect(started).toBe(2);
});
