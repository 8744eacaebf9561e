import fc from "fast-check";
import { Lineup } from "../model/lineup";
import type { ShelfMod } from "../model/shelf";
import { makeRoster } from "../roster/roster";
import { gameOfSettings, testGame } from "../testing/game";
import { testRoster } from "../testing/roster";
import { instructionsOf, needsFirst } from "./instructions";
import { makeLineup } from "./make-lineup";

const made = makeLineup(
  testRoster([
    { name: "Core.keel" },
    { name: "b.plank", masters: ["core.keel"] },
    { name: "a.plank", on: false },
    { name: "off.skiff", modOn: false },
  ]),
  { title: "Pond", author: "reed", note: "", listVersion: "1", date: "2026-11-01" },
);
const changed = (changes: Readonly<Record<string, Partial<Lineup["mods"][number]>>>): Lineup => ({
  ...made,
  mods: made.mods.map((mod) => ({ ...mod, ...changes[mod.id] })),
});
const stepsOf = (lineup: Lineup, title: RegExp): string[] =>
  instructionsOf(lineup, testGame)
    .filter((part) => title.test(part.title))
    .flatMap(({ steps }) => steps.map(({ text, detail }) => [text, detail].filter(Boolean).join(" ")));

describe("step by step, by hand", () => {
  test("the parts come in the order in which one works, and none is empty", () => {
    const parts = instructionsOf(changed({ b: { components: ["tall"] } }), testGame);
    expect(parts.map(({ title }) => title)).toEqual([
      "The game",
      "Get the mods",
      "Choose their parts",
      "Put the mods in this order, the first loads earliest",
      "Put the plugins in this order, the first loads earliest",
      "At the end",
    ]);
    expect(instructionsOf(made, testGame).every(({ steps }) => steps.length > 0)).toBe(true);
  });

  test("what is off is not got and takes no place", () => {
    expect(stepsOf(made, /^Get/)).toEqual([
      "Get core 1.0.0 from its author.",
      "Get b 1.0.0 from its author.",
      "Get a 1.0.0 from its author.",
    ]);
    expect(stepsOf(made, /the plugins/)).toEqual(["Core.keel", "b.plank after Core.keel"]);
  });

  test("what others need is got first; where from, at what price and what for is said", () => {
    const lineup = changed({
      core: { requires: ["a"], source: "depot:core" },
      b: { role: "optional", terms: { kind: "paid", where: "two reeds, at the mill" } },
      a: { role: "helper", terms: { kind: "not-passed-on", where: "the pond" } },
    });
    expect(stepsOf(lineup, /^Get/)).toEqual([
      "Get a 1.0.0 from its author. It helps, and is no part of the setup. It may not be passed on: the pond",
      "Get core 1.0.0 from depot:core.",
      "Get b 1.0.0 from its author. You may leave it out. It has to be paid for: two reeds, at the mill",
    ]);
  });

  test("of mods with parts each question is answered, also with none", () => {
    const lineup = changed({
      b: { options: { look: ["tall", "green"], size: [] }, components: ["one", "two"] },
    });
    expect(stepsOf(lineup, /parts/)).toEqual([
      "Of b, take for “look”: tall, green.",
      "Of b, take for “size”: none.",
      "Of b, switch on: one, two.",
    ]);
  });

  test("questions and parts are called as their author calls them, on the page of a list too", () => {
    const manifest = {
      options: [
        {
          id: "look",
          label: "How they look",
          choose: "one",
          parts: [{ id: "tall", label: "Tall ones", paths: ["tall/"] }],
        },
      ],
      components: [{ id: "bells", label: "Bells on them", paths: ["bells/"], on: true }],
    } as unknown as NonNullable<ShelfMod["manifest"]>;
    const plain = testRoster([{ name: "b.plank" }]);
    const stock = { ...plain.stock, shelf: plain.stock.shelf.map((mod) => ({ ...mod, manifest })) };
    const choices = [{ mod: plain.mods[0]!.id, options: { look: ["tall"] }, components: ["bells"] }];
    const state = { ...plain.profile.state, choices };
    const lineup = makeLineup(makeRoster(testGame, { ...plain.profile, state }, stock), {
      title: "Pond",
      author: "",
      note: "",
      listVersion: "",
      date: "",
    });
    expect(stepsOf(Lineup.parse(lineup), /parts/)).toEqual([
      "Of b, take for “How they look”: Tall ones.",
      "Of b, switch on: Bells on them.",
    ]);
  });

  test("the game is set up first: version, expansions, its own parts, its settings", () => {
    const lineup = { ...made, expansions: ["island", "unknown"], baseOff: ["x"], launch: { depth: 3 } };
    expect(stepsOf(lineup, /game/)).toEqual([
      "You need Pond 1.0.0.",
      "Switch The Island on.",
      "Switch unknown on.",
      "Switch x off.",
      "Set depth to 3.",
    ]);
    const told = { ...lineup, baseOff: ["carts", "x"], launch: { sound: true, fog: false, draw: 4 } };
    const [first] = instructionsOf(told, gameOfSettings);
    expect(first!.steps).toEqual([
      { id: "game", text: "You need Pond 1.0.0.", detail: "" },
      { id: "on:island", text: "Switch Island on.", detail: "" },
      { id: "on:unknown", text: "Switch unknown on.", detail: "" },
      { id: "off:carts", text: "Switch Carts off.", detail: "" },
      { id: "off:x", text: "Switch x off.", detail: "" },
      { id: "set:sound", text: "Set sound to on.", detail: "" },
      { id: "set:fog", text: "Set fog to off.", detail: "" },
      { id: "set:draw", text: "Set Draw to 4.", detail: "" },
    ]);
  });

  test("what is to be done before the start comes before it, and what is normal and to be looked at after it", () => {
    const lineup = {
      ...changed({}),
      startNotes: [
        { id: "quay", kind: "look" as const, text: "The quay", how: "Walk there" },
        { id: "mail", kind: "condition" as const, text: "Sign in" },
        { id: "dark", kind: "normal" as const, text: "It stays dark" },
      ],
    };
    const parts = instructionsOf(lineup, testGame).slice(-4);
    expect(parts.map(({ title, steps: [first] }) => [title, first!.text, first!.detail])).toEqual([
      ["Before the start", "Sign in", ""],
      ["At the end", expect.stringContaining("fingerprint"), expect.any(String)],
      ["This is normal", "It stays dark", ""],
      ["Look at", "The quay", "Walk there"],
    ]);
  });

  test("what is needed once goes at last, and the fingerprint proves it all; what is off is in neither", () => {
    const lineup = { ...changed({ off: { components: ["tall"] } }), followUps: ["a", "unknown"] };
    const parts = instructionsOf(lineup, testGame);
    expect(parts.at(-1)!.steps).toEqual([
      {
        id: "after:a",
        text: "Start the game once; then a can be removed.",
        detail: "It is needed once only.",
      },
      {
        id: "after:unknown",
        text: "Start the game once; then unknown can be removed.",
        detail: "It is needed once only.",
      },
      {
        id: "proof",
        text: `Compare the fingerprint: ${made.fingerprint}`,
        detail: "Equal to the last digit, it is the same setup.",
      },
    ]);
    const others = parts.slice(0, -1).flatMap(({ steps }) => steps);
    expect(others.filter(({ id, text }) => /off/.test(id + text))).toEqual([]);
    expect(others.map(({ id }) => id)).toEqual(expect.arrayContaining(["mod:a", "plugin:Core.keel"]));
  });

  test("a step keeps its name while the thing stays, so that its tick stays, too", () => {
    const idsOf = (lineup: Lineup) =>
      instructionsOf(lineup, testGame).flatMap(({ steps }) => steps.map(({ id }) => id));
    const ids = idsOf(made);
    expect(new Set(ids).size).toBe(ids.length);
    expect(idsOf({ ...made, mods: [...made.mods].reverse() }).sort()).toEqual([...ids].sort());
    expect(idsOf(changed({ b: { version: "2", name: "other" } }))).toContain("get:b");
    const asked = changed({ b: { options: { look: ["tall"] }, components: ["one"] } });
    expect(idsOf(asked)).toEqual(expect.arrayContaining(["part:b:look", "parts:b"]));
  });
});

describe("what others need comes first", () => {
  type Needing = { readonly id: string; readonly requires: string[] };
  const ids = [..."abcdefgh"];
  const anyGraph = fc
    .tuple(...ids.map((id) => fc.subarray(ids).map((requires): Needing => ({ id, requires }))))
    .chain((mods) => fc.shuffledSubarray(mods, { minLength: 1 }));

  /** Whether `from` leads to `to` by what they require. */
  const leads = (mods: readonly Needing[], from: string, to: string): boolean => {
    const seen = new Set<string>();
    const waiting = [from];
    for (let id = waiting.pop(); id !== undefined; id = waiting.pop())
      for (const next of mods.find((mod) => mod.id === id)?.requires ?? []) {
        if (next === to) return true;
        if (!seen.has(next)) waiting.push(next);
        seen.add(next);
      }
    return false;
  };

  test("each once; each behind what it needs, but for those that need each other", () => {
    fc.assert(
      fc.property(anyGraph, (mods) => {
        const order = needsFirst(mods).map(({ id }) => id);
        expect([...order].sort()).toEqual(mods.map(({ id }) => id).sort());
        for (const { id, requires } of mods)
          for (const need of requires)
            if (order.includes(need) && !leads(mods, need, id))
              expect([need, id, order.indexOf(need) < order.indexOf(id)]).toEqual([need, id, true]);
      }),
      { numRuns: 500 },
    );
  });

  test("what needs nothing keeps its place", () => {
    const mods = ["c", "a", "b"].map((id) => ({ id }));
    expect(needsFirst(mods)).toEqual(mods);
  });

  test("a chain of ten thousand ends soon", () => {
    const mods = Array.from({ length: 10_000 }, (_, at) => ({ id: String(at), requires: [String(at + 1)] }));
    expect(needsFirst(mods)[0]!.id).toBe("9999");
  });
});
