import type { Advice, AdviceOn } from "../model/advice";
import type { Rulebook } from "../model/rulebook";
import type { ShelfMod } from "../model/shelf";
import type { Subject } from "../model/subject";
import { remembered } from "../remembered";
import { openBooks } from "./books";
import { foldName } from "./fold";
import { chosenParts, partsOf } from "./parts";
import { newestHere, type Roster, type SeatedItem, type SeatedMod } from "./roster";

/** A piece of advice and who gives it; null: the profile's own curator. */
export interface Told {
  readonly book: Rulebook | null;
  readonly advice: Advice;
}

/** The curator's own advice, then that of the books that the profile goes by: the earlier wins. */
const toldIn = (roster: Pick<Roster, "profile" | "stock">): Told[] => [
  ...roster.profile.state.advice.map((advice) => ({ book: null, advice })),
  ...openBooks(roster).flatMap(({ book }) => book.advice.map((advice) => ({ book, advice }))),
];

/** What is told, by what it is about; the whole of it is gone through once. */
class AdviceIndex {
  private readonly byOn = new Map<string, Told[]>();

  constructor(private readonly roster: Roster) {
    for (const told of toldIn(roster)) {
      const key = this.keyOf(told.advice.on);
      const known = this.byOn.get(key);
      if (known) known.push(told);
      else this.byOn.set(key, [told]);
    }
  }

  get isEmpty(): boolean {
    return this.byOn.size === 0;
  }

  /** What is told of an item as it lies here, and of those of its parts that the profile takes. */
  of(item: SeatedItem): readonly Told[] {
    if (this.isEmpty) return [];
    if (item.list === "plugins") return this.ofFile(item.id, item.file?.sha256);
    const parts = [...chosenParts(item.taken)].map((part) => ({ mod: item.id, part }));
    return [{ mod: item.id }, ...parts].flatMap((on) => this.byOn.get(this.keyOf(on)) ?? []);
  }

  /** What is told of a plugin by its name and its contents, whether it is in the profile or not. */
  ofFile(name: string, sha256: string | undefined): readonly Told[] {
    return (this.byOn.get(this.keyOf({ plugin: name })) ?? []).filter(
      ({ advice: { on } }) => !("plugin" in on) || isThatFile(on, sha256),
    );
  }

  /** What is told of a mod, whether it is in the profile or not, and not of its parts. */
  ofMod = (id: string): readonly Told[] => this.byOn.get(this.keyOf({ mod: id })) ?? [];

  private keyOf(on: AdviceOn): string {
    if ("plugin" in on) return `plugin ${foldName(this.roster.game, on.plugin)}`;
    return on.part === undefined ? `mod ${on.mod}` : `part ${on.mod}:${on.part}`;
  }
}

const isThatFile = (on: { readonly sha256?: string | undefined }, sha256: string | undefined): boolean =>
  on.sha256 === undefined || on.sha256 === sha256;

/** Gone through once for a roster. */
export const adviceIn = remembered((roster: Roster) => new AdviceIndex(roster));

/** How something that advice names stands here. */
export interface Standing {
  /** It counts in the game: a mod that is on, a part of one that is taken, a plugin that loads. */
  readonly isOn: boolean;
  readonly subject: Subject;
  /** Of a mod or a plugin of the profile its id, else what it is called. */
  readonly item: string;
  /** The part that it is, of which package. */
  readonly part: { readonly mod: string; readonly key: string; readonly label: string } | null;
  /** The item of the profile. */
  readonly seated: SeatedItem | null;
  /** The newest of the shelf that is or brings it. */
  readonly here: ShelfMod | null;
}

export function standingOf(roster: Roster, on: AdviceOn): Standing {
  return "plugin" in on ? standingOfPlugin(roster, on) : standingOfMod(roster, on);
}

function standingOfPlugin(roster: Roster, on: Extract<AdviceOn, { plugin: unknown }>): Standing {
  const { game, idOfName, pluginOf, stock } = roster;
  const key = foldName(game, on.plugin);
  const seated = pluginOf.get(idOfName.get(key) ?? "") ?? null;
  const isThat = seated !== null && isThatFile(on, seated.file?.sha256);
  const brings = (mod: ShelfMod) =>
    mod.plugins.some((file) => foldName(game, file.name) === key && isThatFile(on, file.sha256));
  return {
    isOn: isThat && seated.loads,
    subject: { kind: "plugin", id: seated?.id ?? on.plugin },
    item: seated?.id ?? on.plugin,
    part: null,
    seated: isThat ? seated : null,
    here:
      isThat && seated.mod?.mod
        ? seated.mod.mod
        : (stock.shelf.find((mod) => !mod.problem && brings(mod)) ?? null),
  };
}

function standingOfMod(roster: Roster, { mod: id, part }: Extract<AdviceOn, { mod: unknown }>): Standing {
  const seated = roster.modOf.get(id) ?? null;
  const here = newestHere(roster.stock, id) ?? null;
  return {
    isOn: seated !== null && seated.loads && (part === undefined || isTaken(seated, part)),
    subject: part === undefined ? { kind: "mod", id } : { kind: "part", id: `${id}:${part}` },
    item: seated ? id : (here?.name ?? id),
    part: part === undefined ? null : { mod: id, key: part, label: labelOf(seated?.mod ?? here, part) },
    seated,
    here,
  };
}

const isTaken = ({ taken }: SeatedMod, part: string): boolean => chosenParts(taken).has(part);

const labelOf = (mod: ShelfMod | null, key: string): string =>
  partsOf(mod?.manifest ?? null).find((each) => each.key === key)?.part.label ?? key;
