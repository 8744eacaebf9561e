import type { Advice, AdviceKind } from "../model/advice";
import type { Finding, Fix, Level } from "../model/finding";
import type { Subject } from "../model/subject";
import type { Want } from "../model/want";
import { adviceIn, standingOf, type Standing, type Told } from "../roster/advice";
import type { Roster, SeatedItem, SeatedPlugin } from "../roster/roster";
import { subject, type Check } from "./check";
import { damagesSaves } from "./damages-saves";
import { leavePart, switchOff, switchOn, switchOnMod, switchOver, takePart } from "./fixes";

type Found = Pick<Finding, "fixes" | "wants"> & { readonly other?: Standing };

/** What is told of something that is on, where it is as it should not be. A place and marks are for the order and the blend. */
export const advised: Check = {
  reads: ["plugins", "mods", "stock", "game", "advice", "books"],
  find: ({ roster }) => {
    const index = adviceIn(roster);
    if (index.isEmpty) return [];
    const items = [...roster.mods, ...roster.plugins].filter(({ loads }) => loads);
    return items.flatMap((item) =>
      index.of(item).flatMap((told) => {
        const own = standingOf(roster, told.advice.on);
        // Of one kind the advice and what is found of it fit, which a union of kinds loses.
        const found = finds[told.advice.kind]?.(roster, item, own, told.advice as never);
        return found ? [findingOf(item, own, told, found)] : [];
      }),
    );
  },
};

type Finds<Kind extends AdviceKind> = (
  roster: Roster,
  item: SeatedItem,
  own: Standing,
  advice: Extract<Advice, { kind: Kind }>,
) => Found | null;

/** Null where what is told of an item that is on is not amiss. */
const finds: { readonly [Kind in AdviceKind]?: Finds<Kind> } = {
  needs: (roster, item, own, advice) => {
    const other = standingOf(roster, advice.other);
    if (item.fixed || other.isOn) return null;
    return { other, fixes: [...waysOn(roster, other), ...waysOff(item, own)], wants: wantsOf(other) };
  },
  clashes: (roster, item, own, advice) => {
    const other = standingOf(roster, advice.other);
    if (!other.isOn) return null;
    return { other, fixes: [...waysOff(item, own), ...(other.seated ? waysOff(other.seated, other) : [])] };
  },
  "known-bad": (_, item, own) => (item.fixed ? null : { fixes: waysOff(item, own) }),
  outdated: (roster, item, own, advice) => {
    if (item.fixed) return null;
    if (!advice.other) return { fixes: waysOff(item, own) };
    const other = standingOf(roster, advice.other);
    return { other, fixes: [...waysOver(item, other), ...waysOff(item, own)], wants: wantsOf(other) };
  },
  leftover: (roster, item, _, { on }) => ({
    fixes: item.list === "plugins" ? cleanedHere(roster, item) : [],
    wants:
      "plugin" in on && on.sha256 && !item.fixed
        ? [{ kind: "plugin", name: item.id, unlike: on.sha256 }]
        : [],
  }),
  recommended: (roster, _, __, advice) => {
    const other = advice.other && standingOf(roster, advice.other);
    if (!other || other.isOn) return null;
    return { other, fixes: waysOn(roster, other), wants: wantsOf(other) };
  },
  note: () => ({ fixes: [] }),
};

const levelOf: Partial<Record<AdviceKind, Level>> = {
  needs: "blocker",
  recommended: "hint",
  note: "hint",
};

function findingOf(item: SeatedItem, own: Standing, { book, advice }: Told, found: Found): Finding {
  const { other, ...ways } = found;
  const besides: Subject[] = [...(own.part ? [own.subject] : []), ...(other ? [other.subject] : [])];
  const isGrave = advice.kind === "clashes" && damagesSaves(advice.text ?? "");
  return {
    check: "advised",
    // Every kind that is found says the same of itself.
    id: `advice-${advice.kind}` as "advice-needs",
    data: {
      item: item.id,
      part: own.part?.label ?? "",
      book: book?.name ?? "",
      text: advice.text ?? "",
      other: other?.item ?? "",
      otherPart: other?.part?.label ?? "",
      count: advice.kind === "leftover" ? advice.count : 0,
    },
    level: isGrave ? "blocker" : (levelOf[advice.kind] ?? "problem"),
    subjects: [subject(item.list, item.id)],
    ...(besides.length > 0 && { besides }),
    advice: {
      ...(book && { book: book.name, version: book.version }),
      ...(advice.source && { page: advice.source }),
      ...(advice.date && { date: advice.date }),
    },
    ...ways,
  };
}

/** Brings what is named into the game; nothing where it lies nowhere. */
function waysOn(roster: Roster, { part, seated, here }: Standing): Fix[] {
  if (part && seated?.loads) return [takePart(part.mod, part.key, part.label)];
  if (seated?.list === "plugins" && seated.mod) return [switchOn(seated.id)];
  return here ? switchOnMod(roster, here.id) : [];
}

/** Takes what is named instead of an item; nothing where it lies nowhere. */
function waysOver(item: SeatedItem, { isOn, seated, here }: Standing): Fix[] {
  if (isOn) return [];
  if (seated?.list === "plugins" && seated.mod)
    return [switchOver(item, { list: "plugins", id: seated.id }, seated.id)];
  return here ? [switchOver(item, { list: "mods", id: here.id }, here.name)] : [];
}

/** Takes an item, or the part of it that is meant, out of the game. */
function waysOff({ fixed, list, id }: SeatedItem, { part }: Standing): Fix[] {
  if (fixed) return [];
  return [part ? leavePart(part.mod, part.key, part.label) : switchOff(list, id)];
}

function wantsOf({ here, part, subject: { kind, id } }: Standing): Want[] {
  if (here) return [];
  if (kind === "plugin") return [{ kind: "plugin", name: id }];
  return [{ kind: "mod", id: part?.mod ?? id, content: null, versions: null }];
}

/** Other mods of the shelf that bring a plugin in another file than the one that is told of. */
const cleanedHere = (roster: Roster, { id: plugin, file }: SeatedPlugin): Fix[] =>
  roster.stock.shelf
    .filter(({ problem, id }) => !problem && !roster.modOf.get(id)?.loads)
    .filter((mod) => mod.plugins.some(({ name, sha256 }) => name === plugin && sha256 !== file?.sha256))
    .flatMap(({ id }) => switchOnMod(roster, id));
