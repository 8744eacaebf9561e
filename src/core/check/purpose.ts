import type { Finding } from "../model/finding";
import { againstPurpose } from "../roster/purpose";
import type { Check } from "./check";

/** Something is on, or set, that the game's definition says is not in profiles of this purpose. */
export const purposeDiffers: Check = {
  reads: ["purpose", "game", "expansions", "baseOff", "launch"],
  find: ({ roster }): Finding[] => {
    const { expansions, baseItems, launch } = againstPurpose(roster);
    const on = [...expansions, ...baseItems].map(({ name }) => name);
    const set = launch.map(({ setting, wanted }) => `${setting.label}: ${String(wanted)}`);
    if (on.length + set.length === 0) return [];
    return [
      {
        check: "purpose-differs",
        id: "purpose-differs",
        data: { purpose: roster.profile.purpose, on, set },
        level: on.length > 0 ? "problem" : "hint",
        subjects: [],
        fixes: [{ id: "follow-purpose", data: {}, does: { act: "follow-purpose" } }],
      },
    ];
  },
};
