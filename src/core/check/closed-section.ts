import type { ListName } from "../model/profile";
import { subject, type Check } from "./check";

/** A tie has raised something into a section into which nothing more should go. */
export const closedSectionEntered: Check = {
  reads: ["plugins", "mods"],
  find: ({ roster }) =>
    (["plugins", "mods"] as const).flatMap((list: ListName) =>
      roster.lists[list].items
        .filter((item) => item.section?.closed && item.entry.home !== undefined)
        .map((item) => ({
          check: "closed-section-entered",
          id: "closed-section-entered",
          data: { item: item.id, section: item.section!.name },
          level: "problem" as const,
          subjects: [subject(list, item.id)],
          fixes: [],
        })),
    ),
};
