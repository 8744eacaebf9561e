import type { FileProblem, ProblemCode, ProblemData } from "../model/refusal";

/** Why a file could not be read. Plain text, for it names parts of files and no items. */
export const problemText: { readonly [Code in ProblemCode]: (data: ProblemData[Code]) => string } = {
  "not-a-zip": () => "it is no intact ZIP archive: cut short, or a file of another kind",
  "zip-too-many": (d) => `it lists ${d.count} files; at most ${d.limit} are read`,
  "zip-too-large": (d) => `it would unpack to ${d.size} bytes; at most ${d.limit} are read`,
  "zip-bomb": (d) => `it would unpack to ${d.ratio} times its size, more than any honest archive`,
  "zip-lies": (d) => `“${d.entry}” unpacks to another size than the archive says`,
  "zip-corrupt": (d) => `“${d.entry}” does not match its checksum or cannot be unpacked`,
  "zip-overlap": (d) => `“${d.entry}” overlaps another file inside the archive`,
  "zip-encrypted": (d) => `“${d.entry}” is encrypted`,
  "path-unsafe": (d) => `it holds the path “${d.entry}”, which would leave the mod’s own folder`,
  "path-device": (d) => `it holds the path “${d.entry}”, a name that some systems reserve for a device`,
  "path-control": (d) => `it holds a path with a control character: “${d.entry}”`,
  "path-character": (d) => `it holds the path “${d.entry}”, with a character that not every system allows`,
  "path-twice": (d) => `it holds “${d.entry}” twice, as the game compares paths`,
  "path-long": (d) => `it holds a name of more than 255 bytes, which most systems cannot store: “${d.entry}”`,
  "path-direction": (d) =>
    `it holds the path “${d.entry}”, with a mark that turns the direction of text and so hides what it is called`,
  "path-encoding": (d) => `the name “${d.entry}” is not UTF-8`,
  "link-outside": (d) => `“${d.entry}” is a link that leads out of the shelf folder`,
  "link-loop": (d) => `“${d.entry}” is a link that leads to itself`,
  "not-plain": (d) => `“${d.entry}” is neither a file nor a folder`,
  "zip-method": (d) => `“${d.entry}” is packed by a method that is not read (number ${d.method})`,
  "packed-broken": (d) => `it cannot be unpacked: ${d.detail}`,
  "packed-locked": () => "even its list of files is encrypted",
  "packed-method": (d) => `“${d.entry}” is packed by a method that is not read (${d.method})`,
  "archive-unlike": (d) => `it does not begin as an archive of the kind ${d.kind} does`,
  "archive-kind": (d) => `archives of the kind ${d.kind} are not read`,
  "cannot-keep": (d) => `what it says could not be stored: ${d.detail}`,
  "no-content": () => "it holds no manifest, no plugin and no folder that the game would read",
  "manifest-broken": (d) => `its seating-mod.json cannot be read: ${d.detail}`,
  "cannot-read": (d) => `it cannot be read from the disk: ${d.detail}`,
  "riff-not": () => "it does not begin as a RIFF file",
  "riff-form": (d) => `it is a RIFF file of the kind “${d.form}”, not “${d.wanted}”`,
  "riff-truncated": (d) => `it is cut short: ${d.chunk} says ${d.size} bytes, ${d.left} are left`,
  "riff-trailing": (d) => `${d.count} bytes follow after the end that it declares`,
  "riff-no-head": (d) => `it has no chunk “${d.chunk}” that is long enough for its flags`,
  "no-plugin-layout": () => "the definition of the game does not say how its plugins are laid out",
  "tagged-not": (d) => `it begins with a record “${d.tag}”, not with “${d.wanted}”`,
  "tagged-header": (d) =>
    `it is cut short: at byte ${d.at} the header of a record needs ${d.size} bytes, ${d.left} are left`,
  "tagged-size": (d) => `the record “${d.tag}” at byte ${d.at} says ${d.size} bytes, ${d.left} are left`,
  "tagged-field": (d) =>
    `in the record “${d.record}” the field “${d.tag}” says ${d.size} bytes, ${d.left} are left`,
  "tagged-text": (d) =>
    `in the record “${d.record}” the field “${d.tag}” is no UTF-8 text that ends as it should`,
  "riff-head": (d) => `its head chunk is of layout version ${d.version}, which is not known`,
  "riff-text": (d) => `a text in ${d.chunk} is not zero-terminated UTF-8`,
  "riff-list": (d) => `an additive list declares ${d.count} entries but ends before`,
  "riff-master": (d) => `it names a master that is no file name: “${d.name}”`,
};

const unpackIt = "unpack it into a folder of its own";

/** What to do, where getting the file once more from where it came would change nothing. */
const waysOut: Partial<Readonly<Record<string, string>>> = {
  "zip-encrypted": unpackIt,
  "zip-method": unpackIt,
  "packed-locked": unpackIt,
  "packed-method": unpackIt,
  "archive-kind": unpackIt,
  "path-encoding": "give it another one",
  "link-outside": "put what it leads to there",
};

export const hasWayOut = ({ code }: FileProblem): boolean => waysOut[code] !== undefined;

/** Why a file could not be read; of a problem that another version stored at least its code. */
export function sayProblem({ code, data }: FileProblem): string {
  const say = (problemText as Readonly<Record<string, (data: never) => string>>)[code];
  const why = say ? say(data as never) : `it could not be read (${code})`;
  return [why, waysOut[code]].filter(Boolean).join("; ");
}
