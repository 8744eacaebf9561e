import { say } from "../language/say";
import type { GameDefinition } from "../model/game";
import type { Lineup, LineupMod } from "../model/lineup";
import type { StartNoteKind } from "../model/start-note";
import { loadingPlugins } from "./fingerprint";

/** One thing to be done by hand; `id` stays the same as long as the thing does. */
interface Instruction {
  readonly id: string;
  readonly text: string;
  readonly detail: string;
}

interface Instructions {
  readonly title: string;
  readonly steps: readonly Instruction[];
}

/** Everything that somebody without Seating does to have the same setup, in the order in which to do it. */
export function instructionsOf(lineup: Lineup, game: GameDefinition): Instructions[] {
  const parts: Instructions[] = [
    { title: say("common.theGame"), steps: gameSteps(lineup, game) },
    { title: say("lineup.getTheMods"), steps: needsFirst(lineup.mods.filter((mod) => mod.on)).map(getStep) },
    { title: say("lineup.chooseTheirParts"), steps: lineup.mods.filter((mod) => mod.on).flatMap(partSteps) },
    {
      title: say("lineup.putTheModsInThisOrder"),
      steps: orderSteps(
        "mod",
        lineup.mods.filter((mod) => mod.on).map(({ name }) => name),
      ),
    },
    {
      title: say("lineup.putThePluginsInThisOrder"),
      steps: orderSteps(
        "plugin",
        loadingPlugins(lineup)
          .filter(({ mod }) => mod !== null)
          .map(({ name }) => name),
      ),
    },
    { title: say("startNotes.conditions"), steps: notedSteps(lineup, "condition") },
    { title: say("lineup.atLast"), steps: lastSteps(lineup) },
    { title: say("startNotes.isNormal"), steps: notedSteps(lineup, "normal") },
    { title: say("startNotes.lookAt"), steps: notedSteps(lineup, "look") },
  ];
  return parts.filter(({ steps }) => steps.length > 0);
}

function gameSteps(
  { game: wanted, expansions, baseOff, launch, settings = [] }: Lineup,
  game: GameDefinition,
): Instruction[] {
  const nameOf = (id: string) => game.expansions.find((each) => each.id === id)?.name ?? id;
  const part = (id: string) => game.baseItems?.find((each) => each.id === id)?.name ?? id;
  const setting = (id: string) => game.launchSettings?.find((each) => each.id === id);
  const valueText = (said: unknown) =>
    typeof said === "boolean" ? (said ? say("common.on") : say("common.off")) : String(said);
  return [
    { id: "game", text: say("lineup.have", { name: game.name, version: wanted.version }), detail: "" },
    ...expansions.map((id) => ({
      id: `on:${id}`,
      text: say("lineup.switchOn", { nameOf: nameOf(id) }),
      detail: "",
    })),
    ...baseOff.map((id) => ({
      id: `off:${id}`,
      text: say("lineup.switchOff", { part: part(id) }),
      detail: "",
    })),
    ...Object.entries(launch).map(([id, said]) => ({
      id: `set:${id}`,
      text: say("lineup.setTo", { label: setting(id)?.label ?? id, valueText: valueText(said) }),
      detail: "",
    })),
    ...settings.flatMap(({ file, at, value }) => {
      const { path = file } = game.settings?.find(({ id }) => id === file) ?? {};
      if (value === null) return [];
      return {
        id: `line:${file} ${at}`,
        text: say("lineup.writeLine", { path, at, value: String(value) }),
        detail: "",
      };
    }),
  ];
}

/** What a mod requires comes before it; those in a circle as they stand. */
export function needsFirst<
  T extends { readonly id: string; readonly requires?: readonly string[] | undefined },
>(mods: readonly T[]): T[] {
  const byId = new Map(mods.map((mod) => [mod.id, mod]));
  const placed = new Set<string>();
  const order: T[] = [];
  for (const mod of mods) {
    if (placed.has(mod.id)) continue;
    // Each waits for the one behind it; what waits already closes a circle.
    const chain = [mod];
    const waiting = new Set([mod.id]);
    for (let next = chain.at(-1); next; next = chain.at(-1)) {
      const first = next.requires?.find((id) => byId.has(id) && !placed.has(id) && !waiting.has(id));
      if (first !== undefined) {
        waiting.add(first);
        chain.push(byId.get(first)!);
        continue;
      }
      chain.pop();
      placed.add(next.id);
      order.push(next);
    }
  }
  return order;
}

const roles = {
  get optional() {
    return say("lineup.youMayLeaveItOut");
  },
  get helper() {
    return say("lineup.itHelpsAndIsNoPart");
  },
  once: "",
};

function getStep({ id, name, version, source, role, terms }: LineupMod): Instruction {
  const where = source === "local" ? say("lineup.fromItsAuthor") : say("lineup.from", { source });
  const price =
    terms &&
    `${terms.kind === "paid" ? say("lineup.itHasToBePaidFor") : say("lineup.itMayNotBePassedOn")}: ${terms.where}`;
  return {
    id: `get:${id}`,
    text: say("lineup.get", { name, version, where }),
    detail: [role && roles[role], price].filter(Boolean).join(" "),
  };
}

function partSteps({ id, name, options, components, labels = {} }: LineupMod): Instruction[] {
  const called = (key: string, otherwise = key) => labels[key] ?? otherwise;
  return [
    ...Object.entries(options).map(([question, parts]) => ({
      id: `part:${id}:${question}`,
      text: say("lineup.ofTakeFor", {
        name,
        called: called(question),
        parts: parts.map((part) => called(`${question}/${part}`, part)).join(", ") || "none",
      }),
      detail: "",
    })),
    ...(components.length > 0
      ? [
          {
            id: `parts:${id}`,
            text: say("lineup.ofHaveOn", {
              name,
              components: components.map((each) => called(each)).join(", "),
            }),
            detail: "",
          },
        ]
      : []),
  ];
}

const orderSteps = (noun: string, names: readonly string[]): Instruction[] =>
  names.map((name, at) => ({
    id: `${noun}:${name}`,
    text: name,
    detail: at === 0 ? "" : say("lineup.after", { name: names[at - 1]! }),
  }));

const notedSteps = ({ startNotes = [] }: Lineup, wanted: StartNoteKind): Instruction[] =>
  startNotes
    .filter(({ kind }) => kind === wanted)
    .map(({ id, text, how = "" }) => ({ id: `${wanted}:${id}`, text, detail: how }));

function lastSteps({ followUps, mods, fingerprint }: Lineup): Instruction[] {
  const nameOf = (id: string) => mods.find((mod) => mod.id === id)?.name ?? id;
  return [
    ...followUps.map((id) => ({
      id: `after:${id}`,
      text: say("lineup.startTheGameOnceMayGo", { nameOf: nameOf(id) }),
      detail: say("lineup.itIsNeededOnceOnly"),
    })),
    {
      id: "proof",
      text: say("lineup.compareTheFingerprint", { fingerprint }),
      detail: say("lineup.equalToTheLastDigitIt"),
    },
  ];
}
