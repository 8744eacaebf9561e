import { leavesOut } from "../roster/left-out";
import { mod, type Check } from "./check";
import { leaveOut, switchOff } from "./fixes";

/** One mod has a file where another has a folder of that name. `""` is the game itself. */
export const fileAndFolder: Check = {
  reads: ["mods", "overlaps"],
  find: ({ roster }) =>
    roster.overlaps.blocked.flatMap(({ path, file, folders: all }) => {
      // They were found a moment ago.
      const brings = (id: string, own: string) => {
        const item = roster.modOf.get(id);
        return id === "" || (item?.loads === true && !leavesOut(item.leftOut)(own));
      };
      const folders = all.filter((id) => brings(id, `${path}/`));
      const folder = folders.find((id) => id !== file) ?? folders[0];
      if (folder === undefined || !brings(file, path)) return [];
      const mods = [file, folder].filter((id) => id !== "");
      return {
        check: "file-and-folder",
        id: "file-and-folder",
        data: { path, file, folder, more: folders.length - 1 },
        level: "problem",
        subjects: [...new Set(mods)].map(mod),
        fixes: [
          ...(file === "" ? [] : [leaveOut(file, path)]),
          ...(folder === "" ? [] : [leaveOut(folder, `${path}/`)]),
          ...mods.map((id) => switchOff("mods", id)),
        ],
      };
    }),
};
