import type { FileProblem, Refusal, RefusalCode, RefusalData, ProblemCode } from "../model/refusal";
import { item, sentence, type Sentence } from "./parts";
import { problemText, sayProblem } from "./problems";

const tieReason = ({ because, list }: RefusalData["tie-above"], plugins: string, mods: string): string => {
  if (because === "needs") return list === "mods" ? mods : plugins;
  return because.source?.kind === "built-in" ? "the game’s fixed order" : "your rule";
};

/** A sentence for every refusal, of just what it has to say; one that is missing, or says what is not there, does not compile. */
const refusalText: {
  readonly [Code in Exclude<RefusalCode, ProblemCode>]: (data: RefusalData[Code]) => Sentence;
} = {
  "tie-above": (d) =>
    sentence`Not above ${item(d.with)}: ${tieReason(d, "it is a master of this one", "this one requires it")} (${item(d.item)}).`,
  "tie-below": (d) =>
    sentence`Not below ${item(d.with)}: ${tieReason(d, "this is a master of it", "it requires this one")} (${item(d.item)}).`,
  "rank-above": (d) =>
    sentence`Not above ${item(d.with)}: the game loads ${d.rank} plugins later than its kind (${item(d.item)}).`,
  "rank-below": (d) =>
    sentence`Not below ${item(d.with)}: the game loads ${d.rank} plugins earlier than its kind (${item(d.item)}).`,
  "section-closed": (d) =>
    sentence`Not into ${d.section}: that section is closed, and nothing more goes in (${item(d.item)}). Open it under Sections.`,
  "built-in-stays": (d) => sentence`${item(d.item)} is built in: the game loads it at this place, always.`,
  "no-seat": (d) =>
    sentence`“${d.seat}” is no seat here. Type a section’s letter, A to ${d.last}, and a number, as in C4.`,
  "no-such-item": (d) => sentence`Nothing in this profile is called “${d.text}”. Type a seat or a name.`,
  "many-such-items": (d) =>
    sentence`“${d.text}” fits ${d.count}, ${item(d.item)} the first. Type its seat, or more of its name.`,
  "rule-of-one": (d) => sentence`A rule needs another one beside ${item(d.item)}.`,
  "no-place": (d) => sentence`There is no place ${d.place}: the places of this list go from 1 to ${d.last}.`,
  "no-number": (d) =>
    sentence`No section has the number ${d.number}. They go in tens from ${d.first}, and the last begins at ${d.last}.`,
  "rank-ends": (d) => sentence`${d.name} cannot go further: there its load rank ends.`,
  "past-block": (d) =>
    sentence`${d.name} and ${d.other} cannot change places: a block stays at its end of the load rank.`,
  "only-section": (d) => sentence`${d.name} is the only section of its load rank, and has to stay.`,
  "unknown-item": (d) => sentence`${d.item} is not in this profile any more.`,
  "other-items": () => ["The order names other items than the profile holds. Propose it anew."],
  "outside-section": (d) => sentence`${item(d.item)} would stand outside its section.`,
  stale: () => [
    "This profile was changed in another window, so nothing was done here. You now see its newest state; do it again if it is still wanted.",
  ],
  "edit-lost": (d) => [`Not stored: “${d.what}”. `, ...sayRefusal(d.why)],
  "order-changed": () => ["The profile was changed in another window meanwhile. Propose the order anew."],
  "undo-waits": () => ["Undo has to wait: changes made before are not stored yet."],
  "nothing-to-undo": () => ["There is nothing to undo."],
  "nothing-to-redo": () => ["There is nothing to redo."],
  "no-profile": () => ["This profile is not there any more. Choose another one at the top."],
  "no-game": () => ["No game is registered yet. Add one on the overview."],
  "no-restore-point": () => ["This restore point is not there any more."],
  "edit-gone": () => ["This edit is not kept any more. Older states are kept as restore points alone."],
  "profile-name": () => ["A profile needs a name of 1 to 80 characters, without line breaks."],
  "profile-name-taken": (d) => sentence`There is a profile named “${d.name}” already. Choose another name.`,
  "last-profile": () => ["This is the only profile of the game. Make another one before you delete it."],
  "not-on-shelf": (d) => sentence`${d.path} is not on the shelf any more. Scan for changes.`,
  "named-by-manifest": (d) => sentence`${d.name} says itself what it is, in its manifest.`,
  "held-by-profile": (d) =>
    sentence`A profile holds ${d.name} as what it is now. Remove it from the profiles that hold it first.`,
  "version-unknown": (d) => sentence`Nothing is known of that version of ${d.mod} any more.`,
  "cannot-move": (d) => sentence`${d.path} could not be moved: ${d.detail}. Nothing was changed.`,
  "place-taken": (d) =>
    sentence`Something else lies at ${d.path} now. Move that away first; what was dropped stays in the bin.`,
  "not-in-bin": (d) =>
    sentence`${d.path} does not lie in the bin of a shelf folder of this game. It is left as it is; name that shelf folder under Settings first.`,
  "tag-name": () => ["A tag needs 1 to 60 characters."],
  "data-not": () => ["This file is no archive of Seating’s data. Choose one that was saved under Settings."],
  "data-schema": (d) =>
    sentence`This archive was saved by another version of Seating (${d.schema}, here ${d.present}). Open it with that version, bring it up to date, and save it again.`,
  "data-unsound": (d) => sentence`The archive could not be taken in: ${d.detail}. Nothing was changed.`,
  "file-name": (d) =>
    sentence`A file cannot be called “${d.name}” on every system. Give it another name, and drop it again.`,
  "no-incoming": () => ["What was dropped is not there any more. Drop it again."],
  "mod-unsound": (d) =>
    sentence`${d.name} is damaged or unusable: ${sayProblem(d.problem)}. It was not taken in.`,
  "chooser-closed": () => ["This chooser of folders is closed. Open it again."],
  "folder-missing": (d) => sentence`There is no folder at ${d.path}. Check the path.`,
  "folder-not-writable": (d) => sentence`Seating may not write in ${d.path}. Check who may.`,
  "folder-no-game": (d) =>
    sentence`${d.path} does not hold ${d.game}: ${d.file} is not there. Choose the folder in which the game lies.`,
  "definition-flaw": (d) => sentence`The definition is not in order: ${d.path} ${d.text}.`,
  "game-id-taken": (d) =>
    sentence`There is a game with the id “${d.id}” already. Give the definition another one.`,
  "game-id-stays": (d) =>
    sentence`The id of this game is “${d.id}” and stays: its profiles are kept under it.`,
  "cannot-write": (d) => sentence`${d.path} could not be written: ${d.detail}. Nothing was changed.`,
  "game-file-unreadable": (d) =>
    sentence`What lies at ${d.path} cannot be read (${d.detail}). Move it away, or give yourself the right to read it. Nothing was changed.`,
  "order-file-theirs": (d) =>
    sentence`${d.path} is not as Seating wrote it last. Look at what would change, and write it then.`,
  "order-file-absent": (d) =>
    sentence`There is no order to be taken over: ${d.path} is not there, or is no text.`,
  "copy-gone": () => ["This copy is not kept any more. Look at the list of copies again."],
  "copy-elsewhere": (d) =>
    sentence`This copy is of ${d.path}, which is none of the files that this game reads now. Name that folder under Settings first.`,
  "too-large": (d) => sentence`${d.name} is larger than ${d.limit}. Nothing was read from it.`,
  "not-json": (d) => sentence`${d.name} is no JSON: ${d.detail}.`,
  "problem-broken": (d) => sentence`${d.name ?? "The problem"} is not valid at ${d.path}: ${d.detail}.`,
  "not-utf8": (d) => sentence`${d.name} is not UTF-8 text.`,
  "not-a-lineup": (d) => sentence`${d.name} is no lineup: ${d.detail}.`,
  "lineup-version": (d) =>
    sentence`${d.name} is a lineup of the format ${d.format}; this Seating reads ${d.known}.`,
  "lineup-game": (d) =>
    sentence`${d.name} is a lineup for the game ${d.game}; you are working on ${d.present}.`,
  "lineup-broken": (d) => sentence`${d.name} is not valid at ${d.path}: ${d.detail}.`,
  "not-in-depot": (d) => sentence`The depot has no ${d.name} any more. Look at its page again.`,
  busy: (d) => sentence`The depot was too busy for ${d.name}. Try it again in a while.`,
  "broke-off": (d) =>
    sentence`The transfer of ${d.name} broke off. What has come is kept; the next try goes on from there.`,
  "not-there": (d) => sentence`The depot has a page of ${d.name}, but not its archive.`,
  damaged: (d) =>
    sentence`${d.name} came with another hash than the depot names. It was thrown away; get it again.`,
  "list-version-taken": ({ version, next }) => [
    `Version ${version} of the list went out with other contents. Give this one another number, such as ${next}.`,
  ],
  "list-version": () => ["A version of the list needs a number or a name. Write one beside the title."],
  "link-elsewhere": (d) =>
    sentence`“${d.link}” is no lineup page of this machine. Links to one look like http://127.0.0.1:4321/lineup/….`,
  "link-nothing": (d) =>
    sentence`No lineup page answers at ${d.link}. Is that Seating running, and the profile still there?`,
  "code-not": () => ["This is no share code: those begin with S2-, older ones with S1-."],
  "code-cut": () => [
    "This share code was cut short or changed on its way. Copy it whole, from its S to its last sign, and try again.",
  ],
  "code-unsound": () => ["This share code is damaged. Ask for it anew."],
  "list-game": (d) =>
    sentence`It does not say of which game it is. Name one with --game: ${d.known}, or the file of a definition.`,
  "list-needs-shelf": (d) =>
    sentence`${d.name} is to be matched against a shelf. Name its folder with --shelf.`,
  "list-format": (d) => sentence`Name a format with --to: ${d.known}.`,
  "list-broken": (d) => sentence`${d.name} cannot be read: ${d.detail}. Nothing was changed.`,
  "list-empty": (d) => sentence`${d.name} names nothing that could be a mod.`,
  "list-large": (d) =>
    sentence`${d.name} holds more than ${d.most} values; no list needs as many. Nothing was changed.`,
  "list-long": (d) =>
    sentence`${d.name} has ${d.count} lines; ${d.most} are the most that are read. Nothing was changed.`,
  "not-a-rulebook": (d) => sentence`${d.name} is no rulebook: ${d.detail}.`,
  "rulebook-broken": (d) => sentence`${d.name} is not valid at ${d.path}: ${d.detail}.`,
  "rulebook-game": (d) =>
    sentence`${d.name} is a rulebook for the game ${d.game}; you are working on ${d.present}.`,
  "import-gone": () => ["This import is not there any more. Choose the file again."],
  "in-progress": (d) => sentence`${d.what} is under way already.`,
  cancelled: (d) => sentence`${d.what} was cancelled. What had been known before stays.`,
  "cancelled-reading": () => [
    "Reading the shelf was cancelled. What was read is kept; the next reading goes on from there.",
  ],
  "trial-failed": (d) => sentence`The stand-in game could not be started (code ${d.code}).`,
  // What the browser says of it, in its data, is no sentence of ours.
  unreachable: () => [
    "The server of Seating does not answer. Start it again; what it had confirmed is stored.",
  ],
  fault: (d) => sentence`Something went wrong inside Seating: ${d.detail}.`,
  "bad-request": (d) => sentence`The request could not be read: ${d.detail}.`,
};

/** What a refusal, or why a transfer failed, says; of one that another version stored at least its code. */
export function sayRefusal({ code, data }: Refusal): Sentence {
  if (code in problemText) return [`It cannot be used: ${sayProblem({ code, data } as FileProblem)}.`];
  const say = (refusalText as Readonly<Record<string, (data: never) => Sentence>>)[code];
  return say ? say(data as never) : [`This could not be done (${code}).`];
}
