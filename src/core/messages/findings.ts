import { say } from "../language/say";
import type { Finding, FindingData, FindingId, Fix, FixData } from "../model/finding";
import { item, sentence, type Sentence } from "./parts";
import { sayProblem } from "./problems";

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
  reason === "" ? "" : ` (“${reason.replace(/\.$/, "")}”)`;

const told = (d: FindingData["advice-known-bad"]): string =>
  `${d.text ? `: ${String(d.text)}` : ""} (${String(d.book)}).`;

const holder = (id: string): Sentence => [id === "" ? say("conflicts.theGame") : item(id)];

export const findingTitle: Readonly<Record<FindingId, string>> = {
  get "missing-master"() {
    return say("findings.title.missing-master");
  },
  get "missing-expansion"() {
    return say("findings.title.missing-expansion");
  },
  get "master-off"() {
    return say("findings.title.master-off");
  },
  get "master-mod-off"() {
    return say("findings.title.master-mod-off");
  },
  get "master-part-off"() {
    return say("findings.title.master-part-off");
  },
  get "contents-gone"() {
    return say("findings.title.contents-gone");
  },
  get "newer-here"() {
    return say("findings.title.newer-here");
  },
  get "master-left-out"() {
    return say("findings.title.master-left-out");
  },
  get "master-gone"() {
    return say("findings.title.master-gone");
  },
  get "master-late"() {
    return say("findings.title.master-late");
  },
  get "master-cycle"() {
    return say("findings.title.master-cycle");
  },
  get "master-self"() {
    return say("findings.title.master-self");
  },
  get "end-broken"() {
    return say("findings.title.end-broken");
  },
  get "group-broken"() {
    return say("findings.title.group-broken");
  },
  get "cap-exceeded"() {
    return say("findings.title.cap-exceeded");
  },
  get "unsound-archive"() {
    return say("findings.title.unsound-archive");
  },
  get "unreadable-plugin"() {
    return say("findings.title.unreadable-plugin");
  },
  get "rule-broken"() {
    return say("findings.title.rule-broken");
  },
  get "closed-section-entered"() {
    return say("findings.title.closed-section-entered");
  },
  get "required-late"() {
    return say("findings.title.required-late");
  },
  get "file-and-folder"() {
    return say("findings.title.file-and-folder");
  },
  get "orders-disagree"() {
    return say("findings.title.orders-disagree");
  },
  get "advice-known-bad"() {
    return say("findings.title.advice-known-bad");
  },
  get "advice-outdated"() {
    return say("findings.title.advice-outdated");
  },
  get "advice-leftover"() {
    return say("findings.title.advice-leftover");
  },
  get "advice-requires"() {
    return say("findings.title.advice-requires");
  },
  get "required-off"() {
    return say("findings.title.required-off");
  },
  get "required-missing"() {
    return say("findings.title.required-missing");
  },
  get "required-version"() {
    return say("findings.title.required-version");
  },
  get "mods-clash"() {
    return say("findings.title.mods-clash");
  },
  get "expansion-off"() {
    return say("findings.title.expansion-off");
  },
  get "expansion-not-owned"() {
    return say("findings.title.expansion-not-owned");
  },
  get "part-refused"() {
    return say("findings.title.part-refused");
  },
  get "question-open"() {
    return say("findings.title.question-open");
  },
  get "other-game-version"() {
    return say("findings.title.other-game-version");
  },
  get "not-on-shelf"() {
    return say("findings.title.not-on-shelf");
  },
  get "order-file-differs"() {
    return say("findings.title.order-file-differs");
  },
  get "order-file-absent"() {
    return say("findings.title.order-file-absent");
  },
  get "order-file-theirs"() {
    return say("findings.title.order-file-theirs");
  },
};

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
    sentence("findings.text.contents-gone", { item: item(d.item), version: String(d.version) }),
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
  "cap-exceeded": (d) =>
    sentence("findings.text.cap-exceeded", {
      used: d.used,
      label: d.label.toLowerCase(),
      cap: d.cap,
      over: d.over,
    }),
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
  "advice-known-bad": (d) =>
    sentence("findings.text.advice-known-bad", { item: item(d.item), told: told(d) }),
  "advice-outdated": (d) =>
    sentence("findings.text.advice-outdated", { item: item(d.item), other: item(d.other), told: told(d) }),
  "advice-leftover": (d) =>
    sentence("findings.text.advice-leftover", { item: item(d.item), count: d.count, told: told(d) }),
  "advice-requires": (d) =>
    sentence("findings.text.advice-requires", { item: item(d.item), other: item(d.other), told: told(d) }),
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
  "not-on-shelf": (d) => sentence("findings.text.not-on-shelf", { mod: String(d.mod) }),
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
  "switch-off": (d) => sentence("findings.fixText.switch-off", { item: item(d.item) }),
  propose: () => [say("common.proposeAnOrder")],
  "align-mods": () => [say("findings.alignTheModsWithThePlugins")],
  "align-plugins": () => [say("findings.alignThePluginsWithTheMods")],
  "write-order": () => [say("common.writeOrderFile")],
  "look-at-order": () => [say("common.lookAtTheOrderFile")],
};

/** What a way out says. */
export const sayFix = ({ id, data }: Fix): Sentence =>
  // Of one id the words and their data fit, which a union of ids loses.
  (fixText[id] as (data: Fix["data"]) => Sentence)(data);
