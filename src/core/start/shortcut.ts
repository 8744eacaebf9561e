/** By what the command that starts a profile is run. */
interface Launching {
  readonly isWindows: boolean;
  /** Absolute paths: Node.js, the command `seating`, the data folder. */
  readonly node: string;
  readonly seating: string;
  readonly home: string;
  /** The id of the profile, and what it is called. */
  readonly profile: string;
  readonly name: string;
}

/** One argument as a POSIX shell reads it (POSIX.1-2017, Shell Command Language, 2.2.2), or cmd.exe, by common practice. */
const quoted = (isWindows: boolean, word: string): string =>
  isWindows ? `"${word.replace(/["%]/g, "")}"` : `'${word.replaceAll("'", `'\\''`)}'`;

/** What is pasted into another launcher: one line that starts the profile. */
export const launchLine = ({ isWindows, node, seating, profile }: Launching): string =>
  [node, seating, "start", profile].map((word) => quoted(isWindows, word)).join(" ");

/** A file that does the same when it is opened, on the data folder of whoever made it. */
export function shortcutOf(launching: Launching): { readonly file: string; readonly text: string } {
  const { isWindows, home, name } = launching;
  const file =
    name
      .replace(/[^\p{L}\p{N}.-]+/gu, " ")
      .trim()
      .slice(0, 80) || "profile";
  const line = launchLine(launching);
  return isWindows
    ? {
        file: `${file}.cmd`,
        text: `@echo off\r\nset "SEATING_HOME=${home.replace(/["%]/g, "")}"\r\n${line}\r\n`,
      }
    : {
        file: `${file}.sh`,
        text: `#!/bin/sh\nSEATING_HOME=${quoted(false, home)}\nexport SEATING_HOME\nexec ${line}\n`,
      };
}
