import { cp, rm } from "node:fs/promises";
import { expect, test } from "@playwright/test";
import { killInRounds } from "../faults/rounds";
import { home, pristine } from "./server";

const rounds = 6;

test(`a server that is killed ${rounds} times while it works has all that it had answered`, async () => {
  test.setTimeout(600_000);
  await rm(home, { recursive: true, force: true });
  await cp(pristine, home, { recursive: true, preserveTimestamps: true });
  const { answered, broken } = await killInRounds(home, rounds, 11);
  expect(broken).toEqual([]);
  expect(answered).toBeGreaterThan(rounds);
});
