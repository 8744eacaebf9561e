import type { Finding, Fix } from "../model/finding";
import type { Check } from "./check";

const lookAt = (sheet: "touched" | "strangers"): Fix => ({
  id: "look-at-layout",
  data: {},
  does: { act: "look-at-layout", sheet },
});
const putAgain: Fix = { id: "put-again", data: {}, does: { act: "put-again" } };

/** What in the game's folder is not as Seating left it. */
export const layoutDrift: Check = {
  reads: ["drift"],
  find: ({ onDisk: { drift } }) => {
    if (!drift) return [];
    const { changed, gone, added } = drift;
    const found: Finding[] = [];
    const [first] = [...changed, ...gone];
    if (first)
      found.push({
        check: "layout-drift",
        id: "layout-touched",
        data: { changed: changed.length, gone: gone.length, first: first.path },
        level: "problem",
        subjects: [],
        fixes: [lookAt("touched"), putAgain],
      });
    if (added[0])
      found.push({
        check: "layout-drift",
        id: "layout-strangers",
        data: { count: added.length, first: added[0].path },
        level: "hint",
        subjects: [],
        fixes: [lookAt("strangers")],
      });
    return found;
  },
};
