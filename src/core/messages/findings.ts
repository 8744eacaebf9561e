import { say } from "../language/say";
import type { Finding, FindingData, FindingId, Fix, FixData } from "../model/finding";
import { item, sentence, type Sentence } from "./parts";
import { sayProblem } from "./problems";
import { ruleText } from "./rules";

const cycleNames = ({ items }: FindingData["master-cycle"]): Sentence => [
  ...items.flatMap((each) => [item(each), " → "]),
  item(items[0]),
];

const away = (d: FindingData["order-file-differs"]): string =>
  [
    Number(d.moves) > 0 && say("common.moves", { moves: d.moves }),
    Number(d.added) > 0 && say("common.toAdd", { added: d.added }),
    Number(d.removed) > 0 && say("common.toTakeOut", { removed: d.removed }),
  ]
    .filter(Boolean)
    .join(", ") || say("findings.otherModsToOpen");

/** What a rulebook adds to its advice, and which one it is. */
const because = ({ reason }: FindingData["required-off"]): string =>
  reason === "" ? "" : ` (“${bare(reason)}”)`;

type Told = FindingData["advice-needs"];

const told = ({ text, book }: Told): string => {
  const why = text ? `: ${bare(text)}` : "";
  return book ? `${why} (${book}).` : `${why}.`;
};

const named = (id: string, part: string): Sentence =>
  part === "" ? [item(id)] : sentence("findings.partOf", { part, item: item(id) });

const adviceOn = (d: Told): Sentence => named(d.item, d.part);
/** The other one that advice names. */
export const otherOf = (d: Told): Sentence => named(d.other, d.otherPart);

/** Without its full stop, which the sentence has. */
const bare = (text: string): string => text.replace(/[.!]$/, "");

/** What would free places. */
const idle = (d: FindingData["cap-near"]): Sentence =>
  d.idle > 0 ? sentence("findings.text.placesToFree", { count: d.idle }) : [];

const holder = (id: string): Sentence => [id === "" ? say("conflicts.theGame") : item(id)];

/** What a game needs, and what its definition says of it beside its name. */
const needed = ({ name, file, purpose, source }: FindingData["prerequisite-missing"]) => ({
  name,
  file,
  purpose: purpose === "" ? "" : ` ${bare(purpose)}.`,
  source: source === "" ? "" : ` ${say("findings.text.prerequisiteFrom", { source: bare(source) })}`,
});

/** A sentence for every finding, of just what it has to say; one that is missing, or says what is not there, does not compile. */
const findingText: { readonly [Id in FindingId]: (data: FindingData[Id]) => Sentence } = {
  "missing-master": (d) =>
    sentence("findings.text.missing-master", { item: item(d.item), master: String(d.master) }),
  "missing-expansion": (d) =>
    sentence("findings.text.missing-expansion", {
      item: item(d.item),
      master: String(d.master),
      expansion: String(d.expansion),
    }),
  "master-off": (d) => sentence("findings.text.master-off", { item: item(d.item), master: item(d.master) }),
  "master-mod-off": (d) =>
    sentence("findings.text.master-mod-off", {
      item: item(d.item),
      master: item(d.master),
      mod: String(d.mod),
    }),
  "master-part-off": (d) =>
    sentence("findings.text.master-part-off", {
      item: item(d.item),
      master: item(d.master),
      mod: String(d.mod),
    }),
  "contents-gone": (d) =>
    sentence(d.changed ? "findings.text.contents-changed" : "findings.text.contents-gone", {
      item: item(d.item),
      version: String(d.version),
    }),
  "newer-here": (d) =>
    Number(d.count) === 1
      ? sentence("findings.text.newer-here", { first: item(d.first) })
      : sentence("findings.text.newer-here2", { count: Number(d.count), first: item(d.first) }),
  "master-left-out": (d) =>
    sentence("findings.text.master-left-out", {
      item: item(d.item),
      master: item(d.master),
      mod: String(d.mod),
    }),
  "master-gone": (d) => sentence("findings.text.master-gone", { item: item(d.item), master: item(d.master) }),
  "master-late": (d) => sentence("findings.text.master-late", { item: item(d.item), master: item(d.master) }),
  "master-cycle": (d) => sentence("findings.text.master-cycle", { items: cycleNames(d) }),
  "master-self": (d) => sentence("findings.text.master-self", { item: item(d.item) }),
  "end-broken": (d) =>
    d.end === "first"
      ? sentence("findings.text.end-broken", { item: item(d.item), other: item(d.other) })
      : sentence("findings.text.end-broken2", { item: item(d.item), other: item(d.other) }),
  "group-broken": (d) =>
    sentence("findings.text.group-broken", {
      between: item(d.between),
      items: d.items.flatMap((id, at) => (at === 0 ? [item(id)] : [", ", item(id)])),
    }),
  "cap-exceeded": (d) => [
    ...sentence("findings.text.cap-exceeded", { ...d, label: d.label.toLowerCase() }),
    ...idle(d),
  ],
  "cap-near": (d) => [
    ...sentence("findings.text.cap-near", { ...d, left: d.cap - d.used, label: d.label.toLowerCase() }),
    ...idle(d),
  ],
  "unsound-archive": (d) =>
    sentence("findings.text.unsound-archive", { path: String(d.path), problem: sayProblem(d.problem) }),
  "unreadable-plugin": (d) =>
    sentence("findings.text.unreadable-plugin", { item: item(d.item), problem: sayProblem(d.problem) }),
  "rule-broken": (d) =>
    sentence("findings.text.rule-broken", { later: item(d.later), earlier: item(d.earlier) }),
  "closed-section-entered": (d) =>
    sentence("findings.text.closed-section-entered", { item: item(d.item), section: String(d.section) }),
  "required-late": (d) =>
    sentence("findings.text.required-late", { later: item(d.later), earlier: item(d.earlier) }),
  "file-and-folder": (d) =>
    sentence("findings.text.file-and-folder", {
      path: d.path,
      file: holder(d.file),
      folder: holder(d.folder),
      more: d.more,
    }),
  "orders-disagree": (d) =>
    sentence("findings.text.orders-disagree", {
      count: d.count,
      earlier: item(d.earlier),
      later: item(d.later),
      rest: Number(d.apart) > 0 ? say("findings.theSectionsHoldMoreApart", { apart: d.apart }) : "",
    }),
  "advice-known-bad": (d) => sentence("findings.text.advice-known-bad", { item: adviceOn(d), told: told(d) }),
  "advice-outdated": (d) =>
    d.other === ""
      ? sentence("findings.text.advice-outdated", { item: adviceOn(d), told: told(d) })
      : sentence("findings.text.advice-outdated2", { item: adviceOn(d), other: otherOf(d), told: told(d) }),
  "advice-leftover": (d) =>
    sentence("findings.text.advice-leftover", { item: adviceOn(d), count: d.count, told: told(d) }),
  "advice-needs": (d) =>
    sentence("findings.text.advice-needs", { item: adviceOn(d), other: otherOf(d), told: told(d) }),
  "advice-clashes": (d) =>
    sentence("findings.text.advice-clashes", { item: adviceOn(d), other: otherOf(d), told: told(d) }),
  "advice-recommended": (d) =>
    sentence("findings.text.advice-recommended", { item: adviceOn(d), other: otherOf(d), told: told(d) }),
  "advice-note": (d) => sentence("findings.text.advice-note", { item: adviceOn(d), told: told(d) }),
  "required-off": (d) =>
    sentence("findings.text.required-off", {
      item: item(d.item),
      other: String(d.other),
      because: because(d),
    }),
  "required-missing": (d) =>
    sentence("findings.text.required-missing", {
      item: item(d.item),
      other: String(d.other),
      because: because(d),
    }),
  "required-version": (d) =>
    sentence("findings.text.required-version", {
      item: item(d.item),
      other: String(d.other),
      versions: String(d.versions),
      here: String(d.here),
      because: because(d),
    }),
  "mods-clash": (d) =>
    sentence("findings.text.mods-clash", {
      item: item(d.item),
      other: item(d.other),
      rest: d.reason ? `: ${String(d.reason)}` : "",
    }),
  "expansion-off": (d) =>
    sentence("findings.text.expansion-off", { item: item(d.item), expansion: String(d.expansion) }),
  "expansion-not-owned": (d) =>
    sentence("findings.text.expansion-not-owned", { item: item(d.item), expansion: String(d.expansion) }),
  "part-refused": (d) =>
    sentence("findings.text.part-refused", { item: item(d.item), part: String(d.part), why: String(d.why) }),
  "question-open": (d) =>
    sentence("findings.text.question-open", {
      item: item(d.item),
      count: d.count,
      first: String(d.first),
      which: String(Number(d.count) > 1),
    }),
  "other-game-version": (d) =>
    sentence("findings.text.other-game-version", {
      item: item(d.item),
      versions: String(d.versions),
      game: String(d.game),
    }),
  "parts-clash": (d) =>
    sentence("findings.text.parts-clash", {
      one: named(d.item, d.part),
      other: named(d.other, d.otherPart),
      rest: d.reason ? `: ${bare(d.reason)}` : "",
    }),
  "part-twice": (d) =>
    sentence("findings.text.part-twice", { one: named(d.item, d.part), other: named(d.other, d.otherPart) }),
  "part-caution": (d) =>
    sentence("findings.text.part-caution", { one: named(d.item, d.part), why: bare(d.why) }),
  "part-open": (d) =>
    sentence("findings.text.part-open", { other: item(d.other), item: item(d.item), part: d.part }),
  copied: (d) => sentence("findings.text.copied", { item: item(d.item), other: item(d.other) }),
  "covered-mods": (d) => sentence("findings.text.covered-mods", { item: item(d.item) }),
  "covered-plugins": (d) => sentence("findings.text.covered-plugins", { item: item(d.item) }),
  "undecided-mods": (d) =>
    sentence("findings.text.undecided-mods", { ...d, loser: item(d.loser), winner: item(d.winner) }),
  "undecided-plugins": (d) =>
    sentence("findings.text.undecided-plugins", { ...d, loser: item(d.loser), winner: item(d.winner) }),
  "packed-hidden": (d) =>
    sentence("findings.text.packed-hidden", {
      count: d.count,
      hidden: item(d.hidden),
      by: holder(d.by),
      path: d.path,
    }),
  "patch-here": (d) =>
    sentence("findings.text.patch-here", { name: d.name, item: item(d.item), other: item(d.other) }),
  "blend-due": (d) => sentence("findings.text.blend-due", { name: d.name }),
  "awards-off": (d) => sentence("findings.text.awards-off", { item: item(d.item) }),
  "two-versions": (d) =>
    sentence("findings.text.two-versions", { ...d, item: item(d.item), other: item(d.other) }),
  "rule-set-aside": (d) => sentence("findings.text.rule-set-aside", { rule: ruleText(d.rule) }),
  "rank-changed": (d) =>
    d.other === ""
      ? sentence("findings.text.rank-changed", { item: item(d.item), section: d.section, rank: d.rank })
      : sentence("findings.text.rank-changed2", {
          item: item(d.item),
          section: d.section,
          rank: d.rank,
          other: item(d.other),
        }),
  "reminder-arrives": (d) => sentence("findings.text.reminder-arrives", { of: d.of, text: bare(d.text) }),
  "reminder-updated": (d) => sentence("findings.text.reminder-updated", { of: d.of, text: bare(d.text) }),
  "reminder-day": (d) => sentence("findings.text.reminder-day", { of: d.of, text: bare(d.text) }),
  "not-on-shelf": (d) => sentence("findings.text.not-on-shelf", { mod: String(d.mod) }),
  "prerequisite-missing": (d) => sentence("findings.text.prerequisite-missing", needed(d)),
  "prerequisite-astray": (d) =>
    sentence("findings.text.prerequisite-astray", { ...needed(d), found: d.found }),
  "edition-unread": (d) =>
    sentence("findings.text.edition-unread", {
      file: d.file,
      version: d.version,
      why: d.absent ? "absent" : "unlike",
    }),
  "profile-of-game": ({ game, names, chosen }) =>
    sentence("findings.text.profile-of-game", {
      game,
      names: names.join(", "),
      chosen: chosen ?? "",
      why: chosen !== null ? "gone" : names.length > 0 ? "several" : "none",
    }),
  "purpose-differs": ({ purpose, on, set }) =>
    sentence("findings.text.purpose-differs", {
      purpose,
      on: on.join(", "),
      set: set.join(", "),
      which: on.length === 0 ? "set" : set.length === 0 ? "on" : "both",
    }),
  "layout-touched": (d) =>
    sentence("findings.text.layout-touched", {
      changed: d.changed,
      gone: d.gone,
      first: d.first,
    }),
  "layout-strangers": (d) => sentence("findings.text.layout-strangers", { count: d.count, first: d.first }),
  "order-file-differs": (d) =>
    sentence("findings.text.order-file-differs", { path: String(d.path), away: away(d) }),
  "order-file-theirs": (d) =>
    sentence("findings.text.order-file-theirs", { path: String(d.path), away: away(d) }),
  "order-file-absent": (d) => sentence("findings.text.order-file-absent", { path: String(d.path) }),
};

/** What a finding says. */
export const sayFinding = ({ id, data }: Finding): Sentence =>
  // Of one id the sentence and its data fit, which a union of ids loses.
  (findingText[id] as (data: Finding["data"]) => Sentence)(data);

const fixText: { readonly [Id in keyof FixData]: (data: FixData[Id]) => Sentence } = {
  "switch-on": (d) => sentence("findings.fixText.switch-on", { item: item(d.item) }),
  "switch-on-mod": (d) => sentence("findings.fixText.switch-on-mod", { name: d.name }),
  versions: () => [say("findings.seeWhatTheyChange")],
  "take-version": (d) => sentence("findings.fixText.take-version", { version: d.version }),
  "bring-back": (d) => sentence("findings.fixText.bring-back", { item: item(d.item) }),
  "leave-out": (d) => sentence("findings.fixText.leave-out", { item: item(d.item), path: d.path }),
  "leave-part": (d) => sentence("findings.fixText.leave-part", { part: d.part }),
  "take-part": (d) => sentence("findings.fixText.take-part", { part: d.part }),
  "switch-over": (d) => sentence("findings.fixText.switch-over", { name: d.name }),
  "switch-off": (d) => sentence("findings.fixText.switch-off", { item: item(d.item) }),
  propose: () => [say("common.proposeAnOrder")],
  "align-mods": () => [say("findings.alignTheModsWithThePlugins")],
  "align-plugins": () => [say("findings.alignThePluginsWithTheMods")],
  "write-order": () => [say("common.writeOrderFile")],
  "look-at-order": () => [say("common.lookAtTheOrderFile")],
  "look-at-conflicts": () => [say("findings.fixText.look-at-conflicts")],
  "look-at-parts": () => [say("findings.fixText.look-at-parts")],
  "look-at-layout": () => [say("findings.fixText.look-at-layout")],
  "choose-profile-of-game": (d) => sentence("findings.fixText.choose-profile-of-game", { name: d.name }),
  "put-again": () => [say("findings.fixText.put-again")],
  "look-at-blend": () => [say("findings.fixText.look-at-blend")],
  "look-at-rules": () => [say("findings.fixText.look-at-rules")],
  "follow-purpose": () => [say("findings.fixText.follow-purpose")],
  "drop-reminder": () => [say("findings.fixText.drop-reminder")],
};

/** What a way out says. */
export const sayFix = ({ id, data }: Fix): Sentence =>
  // Of one id the words and their data fit, which a union of ids loses.
  (fixText[id] as (data: Fix["data"]) => Sentence)(data);
