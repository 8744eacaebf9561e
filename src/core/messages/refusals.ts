import { failureText } from "../language/failure";
import { say } from "../language/say";
import type { FileProblem, Refusal, RefusalCode, RefusalData, ProblemCode } from "../model/refusal";
import { item, sentence, type Sentence } from "./parts";
import { problemText, sayProblem } from "./problems";

type TieText = "itIsMaster" | "itRequires" | "isItsMaster" | "isRequired";

function tieReason(d: RefusalData["tie-above"], plugins: TieText, mods: TieText): Sentence {
  const { because, list } = d;
  if (because === "needs")
    return sentence(`refusals.tie.${list === "mods" ? mods : plugins}`, { with: item(d.with) });
  return [because.source?.kind === "built-in" ? say("common.theGameSFixedOrder") : say("common.yourRule")];
}

/** A sentence for every refusal, of just what it has to say; one that is missing, or says what is not there, does not compile. */
const refusalText: {
  readonly [Code in Exclude<RefusalCode, ProblemCode>]: (data: RefusalData[Code]) => Sentence;
} = {
  "tie-above": (d) =>
    sentence("refusals.text.tie-above", {
      with: item(d.with),
      tieReason: tieReason(d, "itIsMaster", "itRequires"),
      item: item(d.item),
    }),
  "tie-below": (d) =>
    sentence("refusals.text.tie-below", {
      with: item(d.with),
      tieReason: tieReason(d, "isItsMaster", "isRequired"),
      item: item(d.item),
    }),
  "rank-above": (d) =>
    sentence("refusals.text.rank-above", { with: item(d.with), rank: d.rank, item: item(d.item) }),
  "rank-below": (d) =>
    sentence("refusals.text.rank-below", { with: item(d.with), rank: d.rank, item: item(d.item) }),
  "decided-otherwise": (d) =>
    sentence(`refusals.text.decided-otherwise-${d.list}`, {
      earlier: item(d.earlier),
      later: item(d.later),
    }),
  "section-closed": (d) =>
    sentence("refusals.text.section-closed", { section: d.section, item: item(d.item) }),
  "built-in-stays": (d) => sentence("refusals.text.built-in-stays", { item: item(d.item) }),
  "no-seat": (d) => sentence("refusals.text.no-seat", { seat: d.seat, last: d.last }),
  "no-such-item": (d) => sentence("refusals.text.no-such-item", { text: d.text }),
  "many-such-items": (d) =>
    sentence("refusals.text.many-such-items", { text: d.text, count: d.count, item: item(d.item) }),
  "rule-of-one": (d) => sentence("refusals.text.rule-of-one", { item: item(d.item) }),
  "no-place": (d) => sentence("refusals.text.no-place", { place: d.place, last: d.last }),
  "no-number": (d) => sentence("refusals.text.no-number", { number: d.number, first: d.first, last: d.last }),
  "rank-ends": (d) => sentence("refusals.text.rank-ends", { name: d.name }),
  "past-block": (d) => sentence("refusals.text.past-block", { name: d.name, other: d.other }),
  "only-section": (d) => sentence("refusals.text.only-section", { name: d.name }),
  "blend-masters": (d) => sentence("refusals.text.blend-masters", { count: d.count, most: d.most }),
  "layout-by-list": (d) => sentence("refusals.text.layout-by-list", { game: d.game }),
  "layout-no-game": (d) => sentence("refusals.text.layout-no-game", { path: d.path, sign: d.sign }),
  "layout-flaws": (d) => sentence("refusals.text.layout-flaws", { items: d.items }),
  "profile-of-game": ({ game, names, chosen }) =>
    sentence("refusals.text.profile-of-game", {
      game,
      names,
      chosen: chosen ?? "",
      why: chosen ? "gone" : names ? "several" : "none",
    }),
  "layout-running": (d) => sentence("refusals.text.layout-running", { program: d.program }),
  "layout-system": (d) => sentence("refusals.text.layout-system", { items: d.items }),
  "layout-in-the-way": (d) => sentence("refusals.text.layout-in-the-way", { items: d.items }),
  "needs-game-folder": () => [say("refusals.needsGameFolder")],
  "layout-unreadable": (d) =>
    sentence("refusals.text.layout-unreadable", { path: d.path, problem: sayProblem(d.problem) }),
  "layout-broken-off": (d) => sentence("refusals.text.layout-broken-off", { detail: d.detail }),
  "layout-changed": (d) => sentence("refusals.text.layout-changed", { path: d.path, file: d.file }),
  "layout-no-rights": (d) => sentence("refusals.text.layout-no-rights", { path: d.path }),
  "layout-no-space": (d) =>
    sentence("refusals.text.layout-no-space", { path: d.path, size: Math.ceil(d.bytes / 1_000_000) }),
  "layout-busy": (d) => sentence("refusals.text.layout-busy", { process: String(d.process) }),
  "start-unknown-value": (d) => sentence("refusals.text.start-unknown-value", { way: d.way, value: d.value }),
  "start-like-option": (d) =>
    sentence("refusals.text.start-like-option", { way: d.way, argument: d.argument, value: d.value }),
  "start-no-way": (d) => sentence("refusals.text.start-no-way", { game: d.game }),
  "start-no-program": (d) => sentence("refusals.text.start-no-program", { way: d.way, path: d.path }),
  "start-unconfirmed": (d) => sentence("refusals.text.start-unconfirmed", { way: d.way }),
  "start-failed": (d) => sentence("refusals.text.start-failed", { path: d.path, detail: d.detail }),
  "start-conditions": (d) => sentence("refusals.text.start-conditions", { first: d.first, more: d.more }),
  "game-runs": (d) => sentence("refusals.text.game-runs", { game: d.game }),
  "store-in-use": (d) => sentence("refusals.text.store-in-use", { process: String(d.process) }),
  "layout-cancelled": () => [say("refusals.layoutCancelled")],
  "mod-name-taken": (d) => sentence("refusals.text.mod-name-taken", { name: d.name }),
  "gather-several": (d) => sentence("refusals.text.gather-several", { folders: d.folders }),
  "cannot-gather": (d) => sentence("refusals.text.cannot-gather", { path: d.path }),
  "blend-current": () => [say("refusals.blendCurrent")],
  "blend-layout": () => [say("refusals.blendLayout")],
  "marks-broken": (d) => sentence("refusals.text.marks-broken", { name: d.name, detail: d.detail }),
  "unknown-item": (d) => sentence("refusals.text.unknown-item", { item: d.item }),
  "other-items": () => [say("refusals.theOrderNamesOtherItemsThan")],
  "outside-section": (d) => sentence("refusals.text.outside-section", { item: item(d.item) }),
  stale: () => [say("refusals.thisProfileWasChangedInAnother")],
  "edit-lost": (d) => [say("refusals.notStored", { what: d.what }), ...sayRefusal(d.why)],
  "order-changed": () => [say("refusals.theProfileWasChangedInAnother")],
  "undo-waits": () => [say("refusals.undoHasToWaitChangesMade")],
  "nothing-to-undo": () => [say("refusals.thereIsNothingToUndo")],
  "nothing-to-redo": () => [say("refusals.thereIsNothingToRedo")],
  "no-profile": () => [say("refusals.thisProfileIsNotThereAny")],
  "no-game": () => [say("refusals.noGameIsRegisteredYetAdd")],
  "no-restore-point": () => [say("refusals.thisRestorePointIsNotThere")],
  "edit-gone": () => [say("refusals.thisEditIsNotKeptAny")],
  "profile-name": () => [say("refusals.aProfileNeedsANameOf")],
  "profile-name-taken": (d) => sentence("refusals.text.profile-name-taken", { name: d.name }),
  "last-profile": () => [say("refusals.thisIsTheOnlyProfileOf")],
  "not-on-shelf": (d) => sentence("refusals.text.not-on-shelf", { path: d.path }),
  "named-by-manifest": (d) => sentence("refusals.text.named-by-manifest", { name: d.name }),
  "held-by-profile": (d) => sentence("refusals.text.held-by-profile", { name: d.name }),
  "version-unknown": (d) => sentence("refusals.text.version-unknown", { mod: d.mod }),
  "cannot-move": (d) =>
    sentence("refusals.text.cannot-move", { path: d.path, detail: failureText(d.detail) }),
  "place-taken": (d) => sentence("refusals.text.place-taken", { path: d.path }),
  "not-in-bin": (d) => sentence("refusals.text.not-in-bin", { path: d.path }),
  "tag-name": () => [say("refusals.aTagNeeds1To60")],
  "data-not": () => [say("refusals.thisFileIsNoArchiveOf")],
  "data-schema": (d) => sentence("refusals.text.data-schema", { schema: d.schema, present: d.present }),
  "data-unsound": (d) => sentence("refusals.text.data-unsound", { detail: d.detail }),
  "file-name": (d) => sentence("refusals.text.file-name", { name: d.name }),
  "no-incoming": () => [say("refusals.whatWasDroppedIsNotThere")],
  "mod-unsound": (d) =>
    sentence("refusals.text.mod-unsound", { name: d.name, problem: sayProblem(d.problem) }),
  "chooser-closed": () => [say("refusals.thisChooserOfFoldersIsClosed")],
  "folder-missing": (d) => sentence("refusals.text.folder-missing", { path: d.path }),
  "folder-not-writable": (d) => sentence("refusals.text.folder-not-writable", { path: d.path }),
  "folder-no-game": (d) =>
    sentence("refusals.text.folder-no-game", { path: d.path, game: d.game, file: d.file }),
  "definition-flaw": (d) => sentence("refusals.text.definition-flaw", { path: d.path, text: d.text }),
  "game-id-taken": (d) => sentence("refusals.text.game-id-taken", { id: d.id }),
  "game-id-stays": (d) => sentence("refusals.text.game-id-stays", { id: d.id }),
  "cannot-write": (d) =>
    sentence("refusals.text.cannot-write", { path: d.path, detail: failureText(d.detail) }),
  "game-file-unreadable": (d) =>
    sentence("refusals.text.game-file-unreadable", { path: d.path, detail: failureText(d.detail) }),
  "order-file-theirs": (d) => sentence("refusals.text.order-file-theirs", { path: d.path }),
  "settings-unfit": (d) => sentence("refusals.text.settings-unfit", { path: d.path, detail: d.detail }),
  "order-file-absent": (d) => sentence("refusals.text.order-file-absent", { path: d.path }),
  "copy-gone": () => [say("refusals.thisCopyIsNotKeptAny")],
  "copy-elsewhere": (d) => sentence("refusals.text.copy-elsewhere", { path: d.path }),
  "too-large": (d) => sentence("refusals.text.too-large", { name: d.name, limit: d.limit }),
  "not-json": (d) => sentence("refusals.text.not-json", { name: d.name, detail: d.detail }),
  "other-kind": (d) =>
    sentence("refusals.text.other-kind", {
      name: d.name,
      is: say(`kinds.a.${d.is}`),
      wanted: say(`kinds.no.${d.wanted}`),
    }),
  "no-such-game": (d) => sentence("refusals.text.no-such-game", { name: d.name, known: d.known }),
  "file-unreadable": (d) =>
    sentence("refusals.text.file-unreadable", { path: d.path, detail: failureText(d.detail) }),
  "problem-broken": (d) =>
    sentence("refusals.text.problem-broken", {
      name: d.name ?? say("refusals.theProblem"),
      path: d.path,
      detail: d.detail,
    }),
  "not-utf8": (d) => sentence("refusals.text.not-utf8", { name: d.name }),
  "not-a-lineup": (d) => sentence("refusals.text.not-a-lineup", { name: d.name, detail: d.detail }),
  "lineup-version": (d) =>
    sentence("refusals.text.lineup-version", { name: d.name, format: d.format, known: d.known }),
  "lineup-game": (d) =>
    sentence("refusals.text.lineup-game", { name: d.name, game: d.game, present: d.present }),
  "lineup-broken": (d) =>
    sentence("refusals.text.lineup-broken", { name: d.name, path: d.path, detail: d.detail }),
  "not-in-depot": (d) => sentence("refusals.text.not-in-depot", { name: d.name }),
  busy: (d) => sentence("refusals.text.busy", { name: d.name }),
  "broke-off": (d) => sentence("refusals.text.broke-off", { name: d.name }),
  "not-there": (d) => sentence("refusals.text.not-there", { name: d.name }),
  damaged: (d) => sentence("refusals.text.damaged", { name: d.name }),
  "list-version-taken": ({ version, next }) => [say("refusals.versionOfTheListWentOut", { version, next })],
  "list-version": () => [say("refusals.aVersionOfTheListNeeds")],
  "link-elsewhere": (d) => sentence("refusals.text.link-elsewhere", { link: d.link }),
  "link-nothing": (d) => sentence("refusals.text.link-nothing", { link: d.link }),
  "code-not": () => [say("refusals.thisIsNoShareCodeThose")],
  "code-cut": () => [say("refusals.thisShareCodeWasCutShort")],
  "code-unsound": () => [say("refusals.thisShareCodeIsDamagedAsk")],
  "list-game": (d) => sentence("refusals.text.list-game", { known: d.known }),
  "list-lacks": (d) => sentence("refusals.text.list-lacks", { name: d.name, items: d.items }),
  "list-needs-shelf": (d) => sentence("refusals.text.list-needs-shelf", { name: d.name }),
  "list-format": (d) => sentence("refusals.text.list-format", { known: d.known }),
  "list-broken": (d) => sentence("refusals.text.list-broken", { name: d.name, detail: d.detail }),
  "list-empty": (d) => sentence("refusals.text.list-empty", { name: d.name }),
  "list-large": (d) => sentence("refusals.text.list-large", { name: d.name, most: d.most }),
  "list-long": (d) => sentence("refusals.text.list-long", { name: d.name, count: d.count, most: d.most }),
  "not-a-rulebook": (d) => sentence("refusals.text.not-a-rulebook", { name: d.name, detail: d.detail }),
  "not-findings": (d) => sentence("refusals.text.not-findings", { name: d.name }),
  "rulebook-broken": (d) =>
    sentence("refusals.text.rulebook-broken", { name: d.name, path: d.path, detail: d.detail }),
  "rulebook-game": (d) =>
    sentence("refusals.text.rulebook-game", { name: d.name, game: d.game, present: d.present }),
  "import-gone": () => [say("refusals.thisImportIsNotThereAny")],
  cancelled: (d) => sentence("refusals.text.cancelled", { what: d.what }),
  "cancelled-reading": () => [say("refusals.readingTheShelfWasCancelledWhat")],
  "trial-gone": () => [say("refusals.trialGone")],
  // What the browser says of it, in its data, is no sentence of ours.
  unreachable: () => [say("refusals.theServerOfSeatingDoesNot")],
  fault: (d) => sentence("refusals.text.fault", { detail: d.detail }),
  "bad-request": (d) => sentence("refusals.text.bad-request", { detail: d.detail }),
};

/** What a refusal, or why a transfer failed, says; of one that another version stored at least its code. */
export function sayRefusal({ code, data }: Refusal): Sentence {
  if (code in problemText)
    return [say("refusals.itCannotBeUsed", { problem: sayProblem({ code, data } as FileProblem) })];
  const text = (refusalText as Readonly<Record<string, (data: never) => Sentence>>)[code];
  return text ? text(data as never) : [say("refusals.thisCouldNotBeDone", { code })];
}
