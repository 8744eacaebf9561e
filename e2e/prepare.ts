import { rm } from "node:fs/promises";
import type { FullConfig } from "@playwright/test";
import { copyFolder, folderOf, startSeating } from "./server";

/** Makes the demo once for each worker; every test begins with a copy of it. */
export default async function prepare({ workers }: FullConfig): Promise<void> {
  for (let worker = 0; worker < workers; worker++) {
    const home = folderOf("home", String(worker));
    const pristine = folderOf("pristine", String(worker));
    await rm(home, { recursive: true, force: true });
    await rm(pristine, { recursive: true, force: true });
    const server = await startSeating("demo.mjs", home);
    await server.stop();
    await copyFolder(home, pristine);
  }
}
