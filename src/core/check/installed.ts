import type { Finding } from "../model/finding";
import type { Check } from "./check";

/** What a game needs in its own folder is not there, or lies elsewhere in it. */
export const prerequisiteMissing: Check = {
  reads: ["installed", "game"],
  find: ({ roster: { game }, onDisk: { installed } }) =>
    (installed?.astray ?? []).flatMap(({ id, at }): Finding[] => {
      const needed = game.prerequisites?.find((each) => each.id === id);
      if (!needed) return [];
      const shared = {
        check: "prerequisite-missing",
        level: "problem" as const,
        subjects: [],
        besides: [{ kind: "prerequisite" as const, id }],
        fixes: [],
      };
      return at === null
        ? [{ ...shared, id: "prerequisite-missing", data: needed }]
        : [{ ...shared, id: "prerequisite-astray", data: { ...needed, found: at } }];
    }),
};

/** The game does not say which version it is where its definition looks for that. */
export const editionUnread: Check = {
  reads: ["installed", "game"],
  find: ({ roster: { game }, onDisk: { installed } }) => {
    const standing = installed?.edition;
    if (!game.edition || !standing || standing === "read") return [];
    return [
      {
        check: "edition-unread",
        id: "edition-unread",
        data: { file: game.edition.file, absent: standing === "absent", version: game.version },
        level: "hint",
        subjects: [],
        besides: [{ kind: "path", id: game.edition.file }],
        fixes: [],
      },
    ];
  },
};
