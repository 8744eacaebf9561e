import { say } from "@/core/language/say";
import { loadingPlugins } from "@/core/lineup/fingerprint";
import { mainList } from "@/core/model/game";
import { foldName } from "@/core/roster/fold";
import { fixedPlugins } from "@/core/roster/laws";
import { writeOrderFile } from "../order-file";
import type { LineupFormat } from "./format";

/** What the game itself reads: what is on, less what is built in. */
export const gameOrder: LineupFormat = {
  id: "order-file",
  get label() {
    return say("formats.theGameSOwnOrderFile");
  },
  extension: ".order.txt",
  fileName: ({ orderFile }) => orderFile.path.split("/").at(-1)!,
  mime: "text/plain",
  carries: [],
  write: (lineup, game) => {
    const fixed = new Set(fixedPlugins(game, lineup.expansions).map((name) => foldName(game, name)));
    const names =
      mainList(game) === "plugins"
        ? loadingPlugins(lineup)
            .map(({ name }) => name)
            .filter((name) => !fixed.has(foldName(game, name)))
        : lineup.mods.filter((mod) => mod.on).map((mod) => mod.id);
    return writeOrderFile(game.orderFile.dialect, { names });
  },
};
