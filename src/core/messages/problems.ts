import { failureText } from "../language/failure";
import { say } from "../language/say";
import type { FileProblem, ProblemCode, ProblemData } from "../model/refusal";

/** Why a file could not be read. Plain text, for it names parts of files and no items. */
export const problemText: { readonly [Code in ProblemCode]: (data: ProblemData[Code]) => string } = {
  "not-a-zip": () => say("problems.text.not-a-zip"),
  "zip-too-many": (d) => say("problems.text.zip-too-many", { count: d.count, limit: d.limit }),
  "zip-too-large": (d) => say("problems.text.zip-too-large", { count: d.size, limit: d.limit }),
  "zip-bomb": (d) => say("problems.text.zip-bomb", { ratio: d.ratio }),
  "zip-lies": (d) => say("problems.text.zip-lies", { entry: d.entry }),
  "zip-corrupt": (d) => say("problems.text.zip-corrupt", { entry: d.entry }),
  "zip-overlap": (d) => say("problems.text.zip-overlap", { entry: d.entry }),
  "zip-encrypted": (d) => say("problems.text.zip-encrypted", { entry: d.entry }),
  "path-unsafe": (d) => say("problems.text.path-unsafe", { entry: d.entry }),
  "path-device": (d) => say("problems.text.path-device", { entry: d.entry }),
  "path-control": (d) => say("problems.text.path-control", { entry: d.entry }),
  "path-character": (d) => say("problems.text.path-character", { entry: d.entry }),
  "path-twice": (d) => say("problems.text.path-twice", { entry: d.entry }),
  "path-long": (d) => say("problems.text.path-long", { entry: d.entry }),
  "path-direction": (d) => say("problems.text.path-direction", { entry: d.entry }),
  "path-encoding": (d) => say("problems.text.path-encoding", { entry: d.entry }),
  "link-outside": (d) => say("problems.text.link-outside", { entry: d.entry }),
  "link-loop": (d) => say("problems.text.link-loop", { entry: d.entry }),
  "not-plain": (d) => say("problems.text.not-plain", { entry: d.entry }),
  "zip-method": (d) => say("problems.text.zip-method", { entry: d.entry, method: d.method }),
  "packed-broken": (d) => say("problems.text.packed-broken", { detail: d.detail }),
  "packed-locked": () => say("problems.text.packed-locked"),
  "packed-method": (d) => say("problems.text.packed-method", { entry: d.entry, method: d.method }),
  "archive-unlike": (d) => say("problems.text.archive-unlike", { kind: d.kind }),
  "archive-kind": (d) => say("problems.text.archive-kind", { kind: d.kind }),
  "cannot-keep": (d) => say("problems.text.cannot-keep", { detail: d.detail }),
  "no-content": () => say("problems.text.no-content"),
  "manifest-broken": (d) => say("problems.text.manifest-broken", { detail: d.detail }),
  "cannot-read": (d) => say("problems.text.cannot-read", { detail: failureText(d.detail) }),
  "riff-not": () => say("problems.text.riff-not"),
  "riff-form": (d) => say("problems.text.riff-form", { form: d.form, wanted: d.wanted }),
  "riff-truncated": (d) =>
    say("problems.text.riff-truncated", { chunk: d.chunk, count: d.size, left: d.left }),
  "riff-trailing": (d) => say("problems.text.riff-trailing", { count: d.count }),
  "riff-no-head": (d) => say("problems.text.riff-no-head", { chunk: d.chunk }),
  "no-plugin-layout": () => say("problems.text.no-plugin-layout"),
  "tagged-not": (d) => say("problems.text.tagged-not", { tag: d.tag, wanted: d.wanted }),
  "tagged-header": (d) => say("problems.text.tagged-header", { at: d.at, count: d.size, left: d.left }),
  "tagged-size": (d) =>
    say("problems.text.tagged-size", { tag: d.tag, at: d.at, count: d.size, left: d.left }),
  "tagged-field": (d) =>
    say("problems.text.tagged-field", { record: d.record, tag: d.tag, count: d.size, left: d.left }),
  "tagged-text": (d) => say("problems.text.tagged-text", { record: d.record, tag: d.tag }),
  "riff-head": (d) => say("problems.text.riff-head", { version: d.version }),
  "riff-text": (d) => say("problems.text.riff-text", { chunk: d.chunk }),
  "riff-list": (d) => say("problems.text.riff-list", { count: d.count }),
  "riff-master": (d) => say("problems.text.riff-master", { name: d.name }),
};

/** What to do, where getting the file once more from where it came would change nothing. */
const waysOut: Partial<Readonly<Record<string, "unpack" | "path-encoding" | "link-outside">>> = {
  "zip-encrypted": "unpack",
  "zip-method": "unpack",
  "packed-locked": "unpack",
  "packed-method": "unpack",
  "archive-kind": "unpack",
  "path-encoding": "path-encoding",
  "link-outside": "link-outside",
};

export const hasWayOut = ({ code }: FileProblem): boolean => waysOut[code] !== undefined;

/** Why a file could not be read; of a problem that another version stored at least its code. */
export function sayProblem({ code, data }: FileProblem): string {
  const text = (problemText as Readonly<Record<string, (data: never) => string>>)[code];
  const why = text ? text(data as never) : say("problems.itCouldNotBeRead", { code });
  const wayOut = waysOut[code];
  return wayOut ? `${why}; ${say(`problems.waysOut.${wayOut}`)}` : why;
}
