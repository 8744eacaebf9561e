import { ModId } from "@/core/model/ids";
import type { GameDefinition } from "@/core/model/game";
import type { Stock } from "@/core/roster/roster";
import { arrange, type DemoProfile } from "./arrange";

/** One set to play, one to draw carts in, without those of the game, and one that tries the ice. */
export function millwrightProfiles(game: GameDefinition, stock: Stock): DemoProfile[] {
  const all = stock.shelf.filter((mod) => !mod.problem).map((mod) => mod.id);
  const quiet = all.filter((id) => !["lively-carts", "frost-on-the-race"].includes(id));
  const sets = (ids: readonly string[]) => arrange(game, stock, ids, []);
  return [
    {
      name: "Three Weirs",
      ofGame: "hazel",
      purpose: "play",
      hue: 2,
      note: "The long valley, with all that the neighbours built.",
      state: {
        ...sets(quiet),
        choices: [
          {
            mod: ModId.parse("clear-panels"),
            options: { boards: ["market"], size: ["large"] },
            components: [],
          },
        ],
        launch: { valley: "three-weirs.vale", season: "summer" },
      },
    },
    {
      name: "Cart Yard",
      purpose: "make",
      hue: 4,
      state: {
        ...sets(["joinery-kit", "clear-panels", "steady-carts", "lively-carts"]),
        baseOff: ["lesson-sheep", "stock-carts"],
        launch: { "drawing-board": true },
      },
    },
    { name: "Thin Ice", purpose: "for the ice", state: sets(all.slice(0, 12)) },
  ];
}
