import { mod as modSubject, plugin as subject, type Check } from "./check";
import { switchOff } from "./fixes";

/** An archive or folder of the shelf that cannot be used as it is. */
export const unsoundArchive: Check = {
  reads: ["stock"],
  find: ({ roster }) =>
    roster.stock.shelf.flatMap((mod) =>
      mod.problem
        ? {
            check: "unsound-archive",
            id: "unsound-archive",
            data: { path: mod.path, problem: mod.problem },
            level: "problem" as const,
            subjects: [modSubject(mod.path)],
            fixes: [],
          }
        : [],
    ),
};

/** A plugin file that cannot be read, in a mod that can. */
export const unreadablePlugin: Check = {
  reads: ["plugins"],
  find: ({ roster }) =>
    roster.plugins.flatMap((plugin) =>
      plugin.loads && plugin.file?.problem
        ? {
            check: "unreadable-plugin",
            id: "unreadable-plugin",
            data: { item: plugin.id, problem: plugin.file.problem },
            level: "blocker" as const,
            subjects: [subject(plugin.id)],
            fixes: [switchOff("plugins", plugin.id)],
          }
        : [],
    ),
};
