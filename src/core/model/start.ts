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
