import "server-only";
import { Depot, usualManner } from "@/standin/depot/depot";
import type { TransferQueue } from "./queue";

/** The depot and what is got from it, as long as the server runs. */
export interface Depots {
  readonly depot: Depot;
  /** By game. */
  readonly queues: Map<string, TransferQueue>;
}

/** `root` holds what the depot offers; see standin/depot. */
export function openDepots(root: string, speed?: number): Depots {
  return {
    depot: new Depot(root, speed ? { ...usualManner, speed } : usualManner),
    queues: new Map(),
  };
}
