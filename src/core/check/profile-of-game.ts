import type { Finding, Fix } from "../model/finding";
import type { Check } from "./check";

const choose = (name: string): Fix => ({
  id: "choose-profile-of-game",
  data: { name },
  does: { act: "choose-profile-of-game", name },
});

/** The game keeps several profiles of its own, and which of them is meant is not known. */
export const profileOfGameUnknown: Check = {
  reads: ["ofGame", "game"],
  find: ({ roster: { game }, onDisk: { ofGame } }): Finding[] => {
    if (!ofGame || ofGame.meant !== null) return [];
    const { names, chosen } = ofGame;
    return [
      {
        check: "profile-of-game",
        id: "profile-of-game",
        data: { game: game.name, names, chosen },
        level: "problem",
        subjects: [],
        fixes: names.map(choose),
      },
    ];
  },
};
