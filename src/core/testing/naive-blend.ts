import type { Blended, BlendDecisions } from "../blend/blend";

interface Row {
  readonly name: string;
  readonly depth: number;
  readonly share: number;
}

const isSame = (a: Row, b: Row) => a.name === b.name && a.depth === b.depth && a.share === b.share;
const count = (rows: readonly Row[], row: Row) => rows.filter((each) => isSame(each, row)).length;
const ofName = (rows: readonly Row[], name: string) => rows.filter((row) => row.name === name);
const isEqual = (a: readonly Row[], b: readonly Row[]) =>
  a.length === b.length && a.every((row) => count(a, row) === count(b, row));
const names = (rows: readonly Row[]) => [...new Set(rows.map(({ name }) => name))];

/** The rules of a blend read one by one, without regard to time: an oracle. */
export function naiveBlend(plugins: readonly Blended[], decisions: BlendDecisions) {
  const version = (at: number, record: string): readonly Row[] | undefined =>
    plugins[at]!.lists.filter((list) => list.record === record).at(-1)?.entries;
  const isAbove = (master: number, at: number, seen: readonly number[] = []): boolean =>
    plugins[at]!.masters.some(
      (each) => each === master || (!seen.includes(each) && isAbove(master, each, [...seen, each])),
    );
  const records: string[] = [];
  const doubled: { plugin: string; record: string }[] = [];
  for (const { name, lists } of plugins) {
    const own = lists.filter(
      ({ record }, at) => lists.findLastIndex((each) => each.record === record) === at,
    );
    for (const { record } of own) if (!records.includes(record)) records.push(record);
    for (const record of [...new Set(lists.map((list) => list.record))])
      if (lists.filter((list) => list.record === record).length > 1) doubled.push({ plugin: name, record });
  }
  const told = { lists: [] as object[], left: [] as object[], clashes: [] as object[], doubled };
  for (const record of records) {
    const having = plugins.map((_, at) => at).filter((at) => version(at, record));
    if (having.length < 2) continue;
    const [origin, ...others] = having as [number, ...number[]];
    const last = having.at(-1)!;
    const base = (at: number) =>
      having.filter((each) => each < at && plugins[at]!.masters.includes(each)).at(-1) ?? null;
    const counts = (at: number, does: "adds" | "removes" | "changes") => {
      const { marks } = plugins[at]!;
      return marks === undefined ? does === "adds" : marks !== "never" && marks.includes(does);
    };
    /** What a plugin does to a name, where its marks let it count. */
    const act = (at: number, name: string) => {
      const before = ofName(base(at) === null ? [] : version(base(at)!, record)!, name);
      const now = ofName(version(at, record)!, name);
      const does =
        before.length === 0
          ? now.length === 0
            ? null
            : "adds"
          : now.length === 0
            ? "removes"
            : isEqual(before, now)
              ? null
              : "changes";
      return does && counts(at, does) ? does : null;
    };
    const everyName = names(having.flatMap((at) => version(at, record)!)).sort();
    const winner = new Map<string, number>();
    const parties = new Map<string, number[]>();
    for (const name of everyName) {
      const acting = others.filter((at) => ["removes", "changes"].includes(act(at, name) ?? ""));
      const by = acting.filter((one) =>
        acting.some(
          (other) =>
            one !== other &&
            !isAbove(one, other) &&
            !isAbove(other, one) &&
            (act(one, name) !== act(other, name) ||
              (act(one, name) === "changes" &&
                !isEqual(ofName(version(one, record)!, name), ofName(version(other, record)!, name)))),
        ),
      );
      if (by.length === 0) continue;
      const wanted = decisions.winners.get(`${record}\u0000${name}`);
      const won = by.find((at) => plugins[at]!.name === wanted) ?? by.at(-1)!;
      winner.set(name, won);
      parties.set(name, by);
      told.clashes.push({ record, name, by: by.map((at) => plugins[at]!.name), won: plugins[won]!.name });
    }
    if (plugins[last]!.marks === "never" && !decisions.over.has(record)) {
      told.left.push({ record, why: "never-last" });
      continue;
    }
    let list: Row[] = [...version(origin, record)!];
    const from: Record<string, string> = {};
    for (const name of names(list)) from[name] = plugins[origin]!.name;
    for (const at of others) {
      const own = version(at, record)!;
      const isHeld = (name: string) => parties.get(name)?.includes(at) && at > winner.get(name)!;
      const doing = (does: string) =>
        everyName.filter((name) => act(at, name) === does && (does === "adds" || !isHeld(name)));
      for (const name of doing("removes")) {
        list = list.filter((row) => row.name !== name);
        delete from[name];
      }
      const coming: { row: Row; place: number }[] = [];
      for (const name of doing("changes")) {
        const places = ofName(own, name);
        const stays: Row[] = [];
        list = list.filter((row) => {
          if (row.name !== name) return true;
          if (count(stays, row) >= count(places, row)) return false;
          stays.push(row);
          return true;
        });
        const there = [...stays];
        for (const [place, row] of own.entries()) {
          if (row.name !== name) continue;
          const known = there.findIndex((each) => isSame(each, row));
          if (known >= 0) there.splice(known, 1);
          else coming.push({ row, place });
        }
        from[name] = plugins[at]!.name;
      }
      for (const name of doing("adds")) {
        const there = ofName(list, name);
        let brings = false;
        for (const [place, row] of own.entries()) {
          if (row.name !== name) continue;
          const known = there.findIndex((each) => isSame(each, row));
          if (known >= 0) there.splice(known, 1);
          else {
            coming.push({ row, place });
            brings = true;
          }
        }
        if (brings) from[name] = plugins[at]!.name;
      }
      list = [...list, ...coming.sort((a, b) => a.place - b.place).map(({ row }) => row)];
    }
    if (isEqual(list, version(last, record)!)) told.left.push({ record, why: "equal" });
    else told.lists.push({ record, entries: list, from });
  }
  return told;
}
