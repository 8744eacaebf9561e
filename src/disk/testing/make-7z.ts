import { posix } from "node:path";
import makeSevenZip from "7z-wasm";

/** A 7z archive of these files as the package makes it with these switches; what is given as a text is a link to there. */
export async function make7z(
  files: Readonly<Record<string, Uint8Array | string>>,
  ...switches: string[]
): Promise<Uint8Array> {
  const tool = await makeSevenZip({ print: () => undefined, printErr: () => undefined });
  const { FS } = tool;
  FS.mkdir("/mod");
  FS.chdir("/mod");
  const made = new Set(["."]);
  const makeFolder = (path: string) => {
    if (made.has(path)) return;
    makeFolder(posix.dirname(path));
    FS.mkdir(path);
    made.add(path);
  };
  for (const [path, data] of Object.entries(files)) {
    makeFolder(posix.dirname(path));
    if (typeof data === "string") FS.symlink(data, path);
    else FS.writeFile(path, data);
  }
  tool.callMain(["a", ...switches, "/made.7z", "."]);
  return FS.readFile("/made.7z");
}
