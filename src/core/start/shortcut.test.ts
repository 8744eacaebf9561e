import { execFileSync } from "node:child_process";
import { chmodSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { launchLine, shortcutOf } from "./shortcut";

const launching: Parameters<typeof launchLine>[0] = {
  isWindows: false,
  node: "/opt/no de/bin/node",
  seating: "/home/it's/$HOME/seating.mjs",
  home: "/data/`id` 'ö'",
  profile: "p-1",
  name: "Deep / Sea: “two”",
};

test("the line reaches the shell as the words it is made of", () => {
  const folder = mkdtempSync(join(tmpdir(), "seating-shortcut-"));
  try {
    const node = join(folder, "no de");
    const out = join(folder, "out");
    writeFileSync(node, `#!/bin/sh\nprintf '%s\\n' "$SEATING_HOME" "$@" > '${out}'\n`);
    chmodSync(node, 0o755);
    const { file, text } = shortcutOf({ ...launching, node });
    expect(file).toBe("Deep Sea two.sh");
    writeFileSync(join(folder, file), text);
    execFileSync("/bin/sh", [join(folder, file)]);
    expect(readFileSync(out, "utf8").split("\n").slice(0, -1)).toEqual([
      launching.home,
      launching.seating,
      "start",
      "p-1",
    ]);
    execFileSync("/bin/sh", ["-c", launchLine({ ...launching, node })]);
    expect(readFileSync(out, "utf8")).toContain(launching.seating);
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
});

test("for cmd.exe no sign leads out of the quotes", () => {
  const windows = { ...launching, isWindows: true, node: 'C:\\a "b\\node.exe', home: "C:\\%PATH%\\ö" };
  expect(launchLine(windows)).toBe(`"C:\\a b\\node.exe" "/home/it's/$HOME/seating.mjs" "start" "p-1"`);
  expect(shortcutOf(windows)).toEqual({
    file: "Deep Sea two.cmd",
    text: `@echo off\r\nset "SEATING_HOME=C:\\PATH\\ö"\r\n${launchLine(windows)}\r\n`,
  });
});

test("a profile without a letter in its name has a file, too", () => {
  expect(shortcutOf({ ...launching, name: "???" }).file).toBe("profile.sh");
});
