import canonicalize from "canonicalize";
import { digestNames, type AlteredPlace, type DigestName } from "../model/claim";
import { inOrder } from "../model/settings";
import type { Lineup } from "../model/lineup";
import { factsOfLineup, fingerprintOf, sha256Hex } from "./fingerprint";

type Digests = Readonly<Record<DigestName, string>>;

const sorted = (values: readonly string[]): string[] => [...values].sort();

/** What each digest is made of: values of JSON, arrays whose order means nothing sorted. See docs/FORMATS.md. */
const contentsOf: { readonly [Name in DigestName]: (lineup: Lineup) => unknown } = {
  mods: ({ mods, followUps }) => ({
    mods: mods.map(({ id, version, content, archive, on, role = null, terms = null, requires = [] }) => ({
      id,
      version,
      content,
      archive,
      on,
      role,
      terms,
      requires,
    })),
    followUps,
  }),
  plugins: ({ plugins }) =>
    plugins.map(({ name, sha256, mod, on, masters = [] }) => ({ name, sha256, mod, on, masters })),
  options: ({ mods }) =>
    Object.fromEntries(
      mods
        .filter(({ options, components }) => components.length + Object.keys(options).length > 0)
        .map(({ id, options, components }) => [
          id,
          {
            components: sorted(components),
            options: Object.fromEntries(
              Object.entries(options).map(([question, parts]) => [question, sorted(parts)]),
            ),
          },
        ]),
    ),
  leftOut: ({ mods }) =>
    Object.fromEntries(
      mods.filter(({ hidden }) => hidden.length > 0).map(({ id, hidden }) => [id, sorted(hidden)]),
    ),
  expansions: ({ expansions }) => sorted(expansions),
  baseItems: ({ baseOff }) => sorted(baseOff),
  launch: ({ launch, settings = [] }) =>
    settings.length > 0 ? { launch, settings: inOrder(settings) } : launch,
  sections: ({ sections, mods, plugins }) => ({
    sections: sections.map(({ guidance: _, ...section }) => section),
    mods: mods.map(({ section, home = null }) => [section, home]),
    plugins: plugins.map(({ section, home = null }) => [section, home]),
  }),
  rules: ({ rules, books = [], broaderFirst = true }) => ({
    rules: rules.map(({ note: _, made: __, ...rule }) => rule),
    books: books.map(({ off, ...book }) => ({ ...book, off: sorted(off) })),
    broaderFirst,
  }),
};

/** SHA-256, lower-case hex, over the canonical JSON (RFC 8785) of each part of a list. */
export const digestsOf = (lineup: Lineup): Digests =>
  Object.fromEntries(
    digestNames.map((name) => [name, sha256Hex(canonicalize(contentsOf[name](lineup))!)]),
  ) as Digests;

/** Where a whole list is not what its author's Seating wrote; a list that was given new digests is not recognised. */
export function alteredIn(lineup: Lineup): AlteredPlace[] {
  const agrees =
    lineup.fingerprint === undefined || fingerprintOf(factsOfLineup(lineup)) === lineup.fingerprint;
  const unproved: AlteredPlace[] = agrees ? [] : ["fingerprint"];
  if (lineup.format === "seating-lineup/1") return unproved;
  if (lineup.digests === undefined) return ["digests"];
  const own = digestsOf(lineup);
  const places = digestNames.filter((name) => lineup.digests![name] !== own[name]);
  return places.length > 0 ? places : unproved;
}
