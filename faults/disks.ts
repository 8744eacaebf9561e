import { execFile } from "node:child_process";
import { mkdir, readdir, rename, rm, stat, statfs, writeFile } from "node:fs/promises";
import { join } from "node:path";
import { promisify } from "node:util";
import { Client } from "./client";
import { Promises } from "./promises";
import { startKillable } from "./server";
import { worksOf } from "./work";
import { makeRandom } from "@/core/random";

const run = promisify(execFile);

interface Disks {
  readonly done: readonly string[];
  readonly broken: readonly string[];
}

/**
 * A disk that is full, one that cannot be written, and folders that vanish; the first two need the right to mount. `make` makes a data
 * folder of the demo at a path.
 */
export async function failDisks(
  make: (path: string) => Promise<void>,
  folder: string,
  say: (line: string) => void,
): Promise<Disks> {
  const done: string[] = [];
  const broken: string[] = [];
  const attempt = async (name: string, work: () => Promise<string[]>) => {
    say(`${name} …`);
    broken.push(...(await work()).map((each) => `${name}: ${each}`));
    done.push(name);
  };
  const disk = join(folder, "disk");
  await mkdir(disk, { recursive: true });
  const canMount = await mount(disk, "size=400m").then(
    () => true,
    () => false,
  );
  if (canMount) {
    try {
      await make(join(disk, "home"));
      await attempt("a full disk", () => onFullDisk(disk));
      await attempt("a disk that cannot be written", () => onReadOnlyDisk(disk));
    } finally {
      await run("umount", [disk]);
    }
  } else say("No right to mount: a full disk and one that cannot be written are left out.");
  const home = join(folder, "vanishing");
  await make(home);
  await attempt("folders that vanish", () => withoutFolders(home));
  return { done, broken };
}

const mount = (at: string, options: string) => run("mount", ["-t", "tmpfs", "-o", options, "tmpfs", at]);

/** Works until nothing can be stored, makes room, and looks whether all that was answered is there and can go on. */
async function onFullDisk(disk: string): Promise<string[]> {
  const home = join(disk, "home");
  const server = await startKillable(home);
  const { client, view, promises } = await begin(server.url, home);
  const { bavail, bsize } = await statfs(disk);
  await writeFile(join(disk, "filler"), Buffer.alloc(Math.max(0, bavail * bsize - 256 * 1024)));
  const random = makeRandom(5);
  for (let round = 0; round < 40; round++)
    for (const work of worksOf(0))
      await work({ client, random, view, promises, round }).catch(() => undefined);
  await rm(join(disk, "filler"));
  await server.kill();
  return checkAnew(home, promises);
}

async function onReadOnlyDisk(disk: string): Promise<string[]> {
  const home = join(disk, "home");
  const server = await startKillable(home);
  const { client, view, promises } = await begin(server.url, home);
  await run("mount", ["-o", "remount,ro", disk]).catch(() => undefined);
  for (const work of worksOf(0))
    await work({ client, random: makeRandom(5), view, promises, round: 0 }).catch(() => undefined);
  await server.kill();
  await run("mount", ["-o", "remount,rw", disk]);
  return checkAnew(home, promises);
}

/** The shelf and the game are gone for a while: nothing is made in their place, and all is there when they are. */
async function withoutFolders(home: string): Promise<string[]> {
  const server = await startKillable(home);
  const { client, view, promises } = await begin(server.url, home);
  const broken: string[] = [];
  for (const folder of [view.folders.shelves[0]!, view.folders.game]) {
    await rename(folder, `${folder}-away`);
    await client.scan();
    for (const work of worksOf(0))
      await work({ client, random: makeRandom(6), view, promises, round: 0 }).catch(() => undefined);
    const made = await readdir(folder).catch(() => []);
    if (made.length > 0) broken.push(`${made.join(", ")} was made in the place of ${folder}`);
    await rm(folder, { recursive: true, force: true });
    await rename(`${folder}-away`, folder);
    if (!(await stat(folder)).isDirectory()) broken.push(`${folder} is no folder any more`);
  }
  await server.kill();
  return [...broken, ...(await checkAnew(home, promises))];
}

async function begin(url: string, home: string) {
  const view = await (await Client.open(url, home)).workspace();
  return { view, promises: new Promises(view), client: await Client.open(url, home, view.profile.id) };
}

async function checkAnew(home: string, promises: Promises): Promise<string[]> {
  const server = await startKillable(home);
  try {
    return await promises.check(await Client.open(server.url, home, promises.profile));
  } finally {
    await server.stop();
  }
}
