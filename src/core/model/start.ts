import { z } from "zod";
import { Below } from "./placement";

const fields = {
  id: z.string().regex(/^[a-z0-9-]{1,60}$/),
  name: z.string().min(1).max(120),
  /** `profile`: the game with what a profile has; `bare`: the game alone, which needs no order. */
  starts: z.enum(["profile", "bare"]),
  /** Each reaches the program as it stands, but for `{game}`, `{order}`, `{player}` and `{launch.…}`; see docs/FORMATS.md. */
  arguments: z.array(z.string().min(1).max(2000)).max(100).optional(),
  /** In which it works: below the game's folder; the program's own, where this is left out. */
  folder: Below.optional(),
  environment: z
    .array(
      z.strictObject({ name: z.string().regex(/^[A-Za-z_][A-Za-z0-9_]*$/), value: z.string().max(2000) }),
    )
    .max(100)
    .optional(),
};

/** A way to start a game, as its definition says it: a program below the game's folder and what it is told. */
export const StartWay = z.strictObject({ ...fields, program: Below.min(1) });
export type StartWay = z.infer<typeof StartWay>;

/** One that the owner of the machine has named: the program is a whole path. It stays on this machine. */
export const OwnWay = z.strictObject({
  ...fields,
  program: z
    .string()
    .min(1)
    .max(2000)
    .regex(/^(?:\/|[A-Za-z]:[\\/]|\\\\)[^\0]+$/),
});
export type OwnWay = z.infer<typeof OwnWay>;

/** A program with all that it is told, as the system is told it: no shell reads any of it. */
export interface Command {
  readonly program: string;
  readonly arguments: readonly string[];
  readonly folder: string;
  readonly environment: Readonly<Record<string, string>>;
}

/** How a profile is started by another program. */
export interface Elsewhere {
  /** To be pasted where a command is asked for. */
  readonly line: string;
  /** A file that does it when it is opened, and what it is called. */
  readonly file: string;
  readonly text: string;
}

export interface OfferedWays {
  readonly ways: readonly OfferedWay[];
  /** The id of the one by which the profile was started last, or else the first one. */
  readonly usual: string;
  readonly elsewhere: Elsewhere | null;
}

/** A way to start a game, as it is offered. */
export interface OfferedWay {
  readonly id: string;
  readonly name: string;
  readonly starts: StartWay["starts"];
  /** Who says so: the definition, the owner of the machine; `stand-in`: the one that ships, for a game of which nobody says it. */
  readonly from: "definition" | "owner" | "stand-in";
  /** Its digest as it stands, by which it is confirmed. */
  readonly digest: string;
  readonly isConfirmed: boolean;
  /** Whether its program is where it is said to be. */
  readonly isThere: boolean;
  readonly program: string;
  readonly arguments: readonly string[];
  readonly folder: string;
  readonly environment: NonNullable<StartWay["environment"]>;
}
