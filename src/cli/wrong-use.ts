import type { CommanderError } from "commander";
import { say } from "@/core/language/say";
import { plainText } from "@/core/messages/parts";
import { sayRefusal } from "@/core/messages/refusals";
import type { Outcome } from "@/core/model/outcome";

/** What is told on the standard error with the exit code 2. */
export class WrongUse extends Error {}

export function orThrow<T>(outcome: Outcome<T>): T {
  if (outcome.ok) return outcome.value;
  throw new WrongUse(plainText(sayRefusal(outcome.refusal)));
}

const texts = {
  "commander.unknownCommand": "cli.wrong.unknownCommand",
  "commander.unknownOption": "cli.wrong.unknownOption",
  "commander.missingArgument": "cli.wrong.missingArgument",
  "commander.optionMissingArgument": "cli.wrong.optionMissingArgument",
  "commander.invalidArgument": "cli.wrong.invalidArgument",
} as const;

/** What the framework found wrong, in our words. */
export function wrongUseText({ code, message }: CommanderError): string {
  const name = /'([^']+)'/.exec(message)?.[1] ?? "";
  const meant = /\(Did you mean (?:one of )?(.+?)\?\)/.exec(message)?.[1];
  const text = code in texts ? say(texts[code as keyof typeof texts], { name }) : say("cli.wrong.tooMany");
  return [text, meant && say("cli.wrong.didYouMean", { meant }), say("cli.wrong.help")]
    .filter(Boolean)
    .join(" ");
}
