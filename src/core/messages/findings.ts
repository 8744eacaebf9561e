import type { Finding, FindingData, FindingId, Fix, FixData } from "../model/finding";
import { item, plural, sentence, type Sentence } from "./parts";
import { sayProblem } from "./problems";

const cycleNames = ({ items }: FindingData["master-cycle"]): Sentence => [
  ...items.flatMap((each) => [item(each), " → "]),
  item(items[0]),
];

const away = (d: FindingData["order-file-differs"]): string =>
  [
    Number(d.moves) > 0 && plural(d.moves, "move"),
    Number(d.added) > 0 && `${d.added} to add`,
    Number(d.removed) > 0 && `${d.removed} to take out`,
  ]
    .filter(Boolean)
    .join(", ") || "other mods to open";

/** What a rulebook adds to its advice, and which one it is. */
const because = ({ reason }: FindingData["required-off"]): string =>
  reason === "" ? "" : ` (“${reason.replace(/\.$/, "")}”)`;

const told = (d: FindingData["advice-known-bad"]): string =>
  `${d.text ? `: ${String(d.text)}` : ""} (${String(d.book)}).`;

export const findingTitle: Readonly<Record<FindingId, string>> = {
  "missing-master": "Master missing",
  "missing-expansion": "Expansion missing",
  "master-off": "Master off",
  "master-mod-off": "Master’s mod off",
  "master-part-off": "Master’s part not taken",
  "contents-gone": "Version not on the shelf",
  "newer-here": "Newer versions",
  "master-left-out": "Master left out",
  "master-gone": "Master not on the shelf",
  "master-late": "Master loads later",
  "master-cycle": "Masters in a circle",
  "master-self": "Its own master",
  "end-broken": "Rule broken",
  "group-broken": "Rule broken",
  "cap-exceeded": "Too many plugins",
  "unsound-archive": "Damaged or unusable",
  "unreadable-plugin": "Plugin cannot be read",
  "rule-broken": "Rule broken",
  "closed-section-entered": "In a closed section",
  "required-late": "Needs come later",
  "orders-disagree": "The two orders disagree",
  "advice-known-bad": "Known to be bad",
  "advice-outdated": "Outdated",
  "advice-leftover": "Leftover changes",
  "advice-requires": "Needs another one",
  "required-off": "Needed mod off",
  "required-missing": "Needed mod missing",
  "required-version": "Needed mod of another version",
  "mods-clash": "Two mods clash",
  "expansion-off": "Expansion off",
  "expansion-not-owned": "Expansion not owned",
  "part-refused": "Part that cannot work",
  "question-open": "Question not answered",
  "other-game-version": "Made for another version",
  "not-on-shelf": "Not on the shelf",
  "order-file-differs": "The game reads an older order",
  "order-file-absent": "No order written yet",
  "order-file-theirs": "Another program wrote the order file",
};

/** A sentence for every finding, of just what it has to say; one that is missing, or says what is not there, does not compile. */
const findingText: { readonly [Id in FindingId]: (data: FindingData[Id]) => Sentence } = {
  "missing-master": (d) =>
    sentence`${item(d.item)} needs ${String(d.master)}, which is in no mod of this profile: the game would stop at start.`,
  "missing-expansion": (d) =>
    sentence`${item(d.item)} needs ${String(d.master)} of the expansion ${String(d.expansion)}, which is not there: the game would stop at start.`,
  "master-off": (d) => sentence`${item(d.item)} needs ${item(d.master)}, which is switched off.`,
  "master-mod-off": (d) =>
    sentence`${item(d.item)} needs ${item(d.master)}, whose mod ${String(d.mod)} is switched off.`,
  "master-part-off": (d) =>
    sentence`${item(d.item)} needs ${item(d.master)}, a part of ${String(d.mod)} that is not taken. Choose the parts of that mod.`,
  "contents-gone": (d) =>
    sentence`${item(d.item)} is held here in the version ${String(d.version)}, whose file is not on the shelf any more.`,
  "newer-here": (d) =>
    Number(d.count) === 1
      ? sentence`1 mod has a newer version here: ${item(d.first)}.`
      : sentence`${Number(d.count)} mods have newer versions here, ${item(d.first)} the first.`,
  "master-left-out": (d) =>
    sentence`${item(d.item)} needs ${item(d.master)}, whose file in ${String(d.mod)} is left out of this profile.`,
  "master-gone": (d) =>
    sentence`${item(d.item)} needs ${item(d.master)}, which is listed here but not on the shelf.`,
  "master-late": (d) =>
    sentence`${item(d.item)} needs ${item(d.master)}, which loads later than it: the game would stop at start.`,
  "master-cycle": (d) =>
    sentence`No order can please these, for each needs the one before: ${""}`.concat(cycleNames(d), ["."]),
  "master-self": (d) =>
    sentence`${item(d.item)} names itself as its master, and so can never be loaded after it: the game would stop at start.`,
  "end-broken": (d) =>
    d.end === "first"
      ? sentence`${item(d.item)} should load first of all beside it, and ${item(d.other)} loads before it: your rule.`
      : sentence`${item(d.item)} should load last of all beside it, and ${item(d.other)} loads after it: your rule.`,
  "group-broken": (d) =>
    sentence`These should stand together, and ${item(d.between)} stands between them: your rule. `.concat(
      d.items.flatMap((id, at) => (at === 0 ? [item(id)] : [", ", item(id)])),
      ["."],
    ),
  "cap-exceeded": (d) =>
    sentence`${d.used} ${d.label.toLowerCase()} plugins load; the game holds ${d.cap}. Switch off ${d.over}.`,
  "unsound-archive": (d) => sentence`${String(d.path)} is ignored: ${sayProblem(d.problem)}.`,
  "unreadable-plugin": (d) => sentence`${item(d.item)} cannot be loaded: ${sayProblem(d.problem)}.`,
  "rule-broken": (d) => sentence`${item(d.later)} should load later than ${item(d.earlier)}: your rule.`,
  "closed-section-entered": (d) =>
    sentence`${item(d.item)} stands in ${String(d.section)}, which is closed, for it must follow something there. Open the section, or change what ties them.`,
  "required-late": (d) => sentence`${item(d.later)} requires ${item(d.earlier)}, which loads later than it.`,
  "orders-disagree": (d) =>
    sentence`${plural(d.count, "pair")} of mods: the files of the one win, and the records of the other, as of ${item(d.earlier)} and ${item(d.later)}.${Number(d.apart) > 0 ? ` The sections hold ${d.apart} more apart.` : ""}`,
  "advice-known-bad": (d) => sentence`${item(d.item)} is known to be bad${told(d)}`,
  "advice-outdated": (d) => sentence`${item(d.item)} is outdated; ${item(d.other)} replaces it${told(d)}`,
  "advice-leftover": (d) =>
    sentence`${item(d.item)} holds ${plural(d.count, "change")} left over from its making${told(d)}`,
  "advice-requires": (d) =>
    sentence`${item(d.item)} needs ${item(d.other)}, though it is no master of it${told(d)}`,
  "required-off": (d) =>
    sentence`${item(d.item)} needs ${String(d.other)}, which is not on in this profile${because(d)}.`,
  "required-missing": (d) =>
    sentence`${item(d.item)} needs ${String(d.other)}, which is not on the shelf${because(d)}.`,
  "required-version": (d) =>
    sentence`${item(d.item)} needs ${String(d.other)} ${String(d.versions)}; here it is ${String(d.here)}${because(d)}.`,
  "mods-clash": (d) =>
    sentence`${item(d.item)} cannot stand beside ${item(d.other)}${d.reason ? `: ${String(d.reason)}` : ""}.`,
  "expansion-off": (d) =>
    sentence`${item(d.item)} needs the expansion ${String(d.expansion)}, which is off in this profile.`,
  "expansion-not-owned": (d) =>
    sentence`${item(d.item)} needs the expansion ${String(d.expansion)}, which is not owned here.`,
  "part-refused": (d) =>
    sentence`${item(d.item)}: the part ${String(d.part)} is taken, but ${String(d.why)}.`,
  "question-open": (d) =>
    sentence`${item(d.item)} asks ${plural(d.count, "question")} that ${Number(d.count) === 1 ? "is" : "are"} not answered: ${String(d.first)}${Number(d.count) > 1 ? " and more" : ""}.`,
  "other-game-version": (d) =>
    sentence`${item(d.item)} was made for the game ${String(d.versions)}; this one is ${String(d.game)}.`,
  "not-on-shelf": (d) => sentence`${String(d.mod)} is on in this profile but not on the shelf.`,
  "order-file-differs": (d) => sentence`${String(d.path)} is behind this profile: ${away(d)}.`,
  "order-file-theirs": (d) =>
    sentence`${String(d.path)} is not as Seating wrote it last, and differs from this profile: ${away(d)}.`,
  "order-file-absent": (d) =>
    sentence`${String(d.path)} is not there yet, so the game loads only what is built in.`,
};

/** What a finding says. */
export const sayFinding = ({ id, data }: Finding): Sentence =>
  // Of one id the sentence and its data fit, which a union of ids loses.
  (findingText[id] as (data: Finding["data"]) => Sentence)(data);

const fixText: { readonly [Id in keyof FixData]: (data: FixData[Id]) => Sentence } = {
  "switch-on": (d) => sentence`Switch on ${item(d.item)}`,
  "switch-on-mod": (d) => sentence`Switch on ${d.name}`,
  versions: () => ["See what they change"],
  "take-version": (d) => sentence`Take the ${d.version} that is here`,
  "bring-back": (d) => sentence`Bring ${item(d.item)} back`,
  "leave-part": (d) => sentence`Leave ${d.part}`,
  "switch-off": (d) => sentence`Switch off ${item(d.item)}`,
  propose: () => ["Propose an order"],
  "align-mods": () => ["Align the mods with the plugins"],
  "align-plugins": () => ["Align the plugins with the mods"],
  "write-order": () => ["Write order file"],
  "look-at-order": () => ["Look at the order file"],
};

/** What a way out says. */
export const sayFix = ({ id, data }: Fix): Sentence =>
  // Of one id the words and their data fit, which a union of ids loses.
  (fixText[id] as (data: Fix["data"]) => Sentence)(data);
