import { cp, rm } from "node:fs/promises";
import { home, pristine, startSeating } from "./server";

/** Makes the demo once; every test begins with a copy of it. */
export default async function prepare(): Promise<void> {
  await rm(home, { recursive: true, force: true });
  await rm(pristine, { recursive: true, force: true });
  const server = await startSeating("demo.mjs");
  await server.stop();
  await cp(home, pristine, { recursive: true, preserveTimestamps: true });
}
