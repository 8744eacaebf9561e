import { issueText } from "@/core/language/issue";
import { z } from "zod";
import { holdsToWrite, startToWrite } from "@/core/check/order-file";
import type { Roster } from "@/core/roster/roster";
import { done, refuse, type Outcome } from "@/core/model/outcome";
import type { Listing } from "@/core/model/listing";
import { LaunchValues } from "@/core/model/launch";
import { nameFromPath } from "./mod-name";
import { decodeText, parseJson } from "./text";

/** `holds.json`, beside the order file: the mods that the game opens by itself, in order. */
export const Holds = z.strictObject({
  format: z.literal("seating-holds/1"),
  game: z.string(),
  /** Absolute path of the shelf folder. */
  shelf: z.string(),
  expansions: z.array(z.string()),
  /** Parts of the game itself that are off. */
  baseOff: z.array(z.string()).default([]),
  launch: LaunchValues.default({}),
  mods: z.array(
    z.strictObject({
      path: z.string(),
      options: z.record(z.string(), z.array(z.string())),
      components: z.array(z.string()),
      hidden: z.array(z.string()),
    }),
  ),
});
export type Holds = z.infer<typeof Holds>;

export function readHolds(
  bytes: Uint8Array,
  name: string,
): Outcome<Holds, "not-utf8" | "not-json" | "bad-request"> {
  const decoded = decodeText(bytes, name);
  if (!decoded.ok) return decoded;
  const json = parseJson(decoded.value.text, name);
  if (!json.ok) return json;
  const parsed = Holds.safeParse(json.value);
  if (parsed.success) return done(parsed.data);
  return refuse("bad-request", { detail: `${name}: ${issueText(parsed.error.issues[0]!)}` });
}

/** What the game is to open and how it is to start, for a profile whose mods lie in `shelf`. */
export function holdsOf(roster: Roster, shelf: string): Holds {
  const { expansions, baseOff, launch } = startToWrite(roster);
  return {
    format: "seating-holds/1",
    game: roster.game.id,
    shelf,
    expansions: [...expansions],
    baseOff: [...baseOff],
    launch: { ...launch },
    mods: holdsToWrite(roster).map(({ path, options, components, hidden }) => ({
      path,
      options: Object.fromEntries(Object.entries(options).map(([id, parts]) => [id, [...parts]])),
      components: [...components],
      hidden: [...hidden],
    })),
  };
}

/** The same as a list: archives by their names, with what is taken of each. They were written for the game as it is, of whichever version. */
export const listingOfHolds = (
  { game, expansions, baseOff, launch, mods }: Holds,
  version: string,
): Listing => ({
  title: "",
  game: { id: game, version },
  settings: { expansions, baseOff, launch },
  lines: mods.map(({ path, options, components, hidden }) => {
    const named = nameFromPath(path);
    return {
      text: path,
      list: "mods",
      name: named.name,
      version: named.version,
      on: true,
      parts: { options, components },
      leftOut: hidden,
    };
  }),
});

export const writeHolds = (holds: Holds): string => `${JSON.stringify(holds, null, 2)}\n`;
