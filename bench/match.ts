/** Lists of 2,000 lines against a shelf of 5,000 mods; see docs/BENCHMARKS.md. */
import { cpus } from "node:os";
import { knownMods } from "@/core/lineup/known";
import { matchLines } from "@/core/lineup/match-lines";
import type { ListLine } from "@/core/model/listing";
import type { ShelfMod } from "@/core/model/shelf";
import { makeRandom } from "@/core/random";
import { games } from "@/standin/games";
import { lineOfText } from "@/formats/lineup/text";
import { median, writeTable } from "./lib/application";
import { aMod } from "@/core/testing/ids";

const { below, pick } = makeRandom(3);
const words =
  "amber bell brass chalk copper coral drift eel fathom gilded harbour hollow iron kelp lamp lantern limpet marl nacre narrow pearl petrel quay quick reef rope salt shallow slack spindrift sunless tallow thrift tide undertow weather whale wick winter wreck".split(
    " ",
  );
const nameOf = () => Array.from({ length: 2 + below(3) }, () => pick(words)).join(" ");

const shelf = Array.from({ length: 5000 }, (_, at): ShelfMod => {
  const name = `${nameOf()} ${at % 50}`;
  return {
    path: `${at}.zip`,
    kind: "archive",
    size: 1,
    stamp: "",
    id: aMod(`mod-${at}`),
    name,
    version: `${below(4)}.${below(10)}.0`,
    author: null,
    summary: null,
    tags: [],
    files: 1,
    content: at.toString(16).padStart(64, "0"),
    archiveSha256: null,
    manifest: null,
    plugins: [],
    problem: null,
    updated: null,
  };
});

const slip = (text: string): string => {
  const at = below(text.length);
  return text.slice(0, at) + text.slice(at + 1);
};
const lines = (change: (mod: ShelfMod) => string): ListLine[] =>
  Array.from({ length: 2000 }, () => lineOfText(change(pick(shelf)))).filter((line) => line !== null);

const kinds: readonly (readonly [string, ListLine[]])[] = [
  ["as they are called", lines(({ name }) => name)],
  [
    "numbered, with versions and remarks",
    lines(({ name, version }) => `12. **${name}** v${version} - needs tides`),
  ],
  ["with a slip in each", lines(({ name }) => slip(name))],
  ["of another game", lines(() => `${nameOf()} ${nameOf()}`)],
];
const game = games[0]!;
const rows = kinds.map(([what, list]): [string, string] => {
  const times = Array.from({ length: 5 }, () => {
    const began = performance.now();
    matchLines(game, list, knownMods(shelf, []));
    return performance.now() - began;
  });
  return [what, median(times).toFixed(0)];
});
writeTable("ms, median of 5", rows);
process.stdout.write(`${cpus().length} processors, Node.js ${process.versions.node}.\n`);
