import { placesUsed } from "../roster/roster";
import { readsOrders, type Check } from "./check";

/** More plugins of a counted class load than the game has places. */
export const capExceeded: Check = {
  reads: readsOrders,
  find: ({ roster }) =>
    placesUsed(roster)
      .filter(({ counting, used }) => used > counting.cap)
      .map(({ counting, used }) => ({
        check: "cap-exceeded",
        id: "cap-exceeded",
        data: { label: counting.label, used, cap: counting.cap, over: used - counting.cap },
        level: "blocker",
        subjects: [],
        fixes: [],
      })),
};
