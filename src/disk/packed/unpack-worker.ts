import { basename, dirname } from "node:path";
import { parentPort, workerData } from "node:worker_threads";
import makeSevenZip from "7z-wasm";
import type { Unpacked, UnpackTask } from "./unpack";

/**
 * Lists or unpacks one archive and ends. In a thread of its own, for it blocks the one that it runs in. Of the disk it sees the
 * folder of the archive, and the one that it may write into.
 */
async function main({ archive, kind, to }: UnpackTask): Promise<Unpacked> {
  const lines: string[] = [];
  const faults: string[] = [];
  const tool = await makeSevenZip({
    print: (line) => lines.push(line),
    printErr: (line) => faults.push(line),
    // Nobody is there to be asked for a password.
    stdin: () => null as never,
  });
  tool.FS.mkdir("/from");
  tool.FS.mount(tool.NODEFS, { root: dirname(archive) }, "/from");
  const common = [`-t${kind}`, "-sccUTF-8", "-bd", "-y", "-pnone"];
  const file = `/from/${basename(archive)}`;
  if (to === null) tool.callMain(["l", "-slt", "-ba", ...common, "--", file]);
  else {
    tool.FS.mkdir("/to");
    tool.FS.mount(tool.NODEFS, { root: to }, "/to");
    tool.callMain(["x", "-o/to", ...common, "--", file]);
  }
  return { lines, faults };
}

void main(workerData as UnpackTask).then((unpacked) => parentPort!.postMessage(unpacked));
