import type { GameDefinition } from "../model/game";
import type { Lineup, LineupMod } from "../model/lineup";
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
    { title: "The game", steps: gameSteps(lineup, game) },
    { title: "Get the mods", steps: needsFirst(lineup.mods.filter((mod) => mod.on)).map(getStep) },
    { title: "Choose their parts", steps: lineup.mods.filter((mod) => mod.on).flatMap(partSteps) },
    {
      title: "Put the mods in this order, the first loads earliest",
      steps: orderSteps(
        "mod",
        lineup.mods.filter((mod) => mod.on).map(({ name }) => name),
      ),
    },
    {
      title: "Put the plugins in this order, the first loads earliest",
      steps: orderSteps(
        "plugin",
        loadingPlugins(lineup)
          .filter(({ mod }) => mod !== null)
          .map(({ name }) => name),
      ),
    },
    { title: "At last", steps: lastSteps(lineup) },
  ];
  return parts.filter(({ steps }) => steps.length > 0);
}

function gameSteps(
  { game: wanted, expansions, baseOff, launch }: Lineup,
  game: GameDefinition,
): Instruction[] {
  const nameOf = (id: string) => game.expansions.find((each) => each.id === id)?.name ?? id;
  const part = (id: string) => game.baseItems?.find((each) => each.id === id)?.name ?? id;
  const setting = (id: string) => game.launchSettings?.find((each) => each.id === id);
  const valueText = (said: unknown) => (typeof said === "boolean" ? (said ? "on" : "off") : String(said));
  return [
    { id: "game", text: `Have ${game.name} ${wanted.version}.`, detail: "" },
    ...expansions.map((id) => ({ id: `on:${id}`, text: `Switch ${nameOf(id)} on.`, detail: "" })),
    ...baseOff.map((id) => ({ id: `off:${id}`, text: `Switch ${part(id)} off.`, detail: "" })),
    ...Object.entries(launch).map(([id, said]) => ({
      id: `set:${id}`,
      text: `Set ${setting(id)?.label ?? id} to ${valueText(said)}.`,
      detail: "",
    })),
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
  optional: "You may leave it out.",
  helper: "It helps, and is no part of the setup.",
  once: "",
};

function getStep({ id, name, version, source, role, terms }: LineupMod): Instruction {
  const where = source === "local" ? "from its author" : `from ${source}`;
  const price =
    terms && `${terms.kind === "paid" ? "It has to be paid for" : "It may not be passed on"}: ${terms.where}`;
  return {
    id: `get:${id}`,
    text: `Get ${name} ${version} ${where}.`,
    detail: [role && roles[role], price].filter(Boolean).join(" "),
  };
}

function partSteps({ id, name, options, components, labels = {} }: LineupMod): Instruction[] {
  const called = (key: string, otherwise = key) => labels[key] ?? otherwise;
  return [
    ...Object.entries(options).map(([question, parts]) => ({
      id: `part:${id}:${question}`,
      text: `Of ${name}, take for “${called(question)}”: ${parts.map((part) => called(`${question}/${part}`, part)).join(", ") || "none"}.`,
      detail: "",
    })),
    ...(components.length > 0
      ? [
          {
            id: `parts:${id}`,
            text: `Of ${name}, have on: ${components.map((each) => called(each)).join(", ")}.`,
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
    detail: at === 0 ? "" : `after ${names[at - 1]!}`,
  }));

function lastSteps({ followUps, mods, fingerprint }: Lineup): Instruction[] {
  const nameOf = (id: string) => mods.find((mod) => mod.id === id)?.name ?? id;
  return [
    ...followUps.map((id) => ({
      id: `after:${id}`,
      text: `Start the game once; ${nameOf(id)} may go then.`,
      detail: "It is needed once only.",
    })),
    {
      id: "proof",
      text: `Compare the fingerprint: ${fingerprint}`,
      detail: "Equal to the last digit, it is the same setup.",
    },
  ];
}
