import { copyFile, link, mkdir, writeFile } from "node:fs/promises";
import { join } from "node:path";
import type { DepotCatalogue, DepotMod } from "@/core/model/depot";
import type { GameDefinition } from "@/core/model/game";
import type { LineupTerms } from "@/core/model/lineup";
import type { ShelfMod } from "@/core/model/shelf";
import { readShelf } from "@/disk/read-shelf";
import type { DepotFaults } from "../depot/depot";
import type { DemoMod } from "./catalogue";
import { zip, type Files } from "./pack";

/** Beyond these the depot offers nothing: a demo that was made large is for measuring the shelf. */
const mostOffered = 400;

export interface DepotPlan {
  /** Mods of the shelf, each with the files that it is packed of. */
  readonly mods: readonly DemoMod[];
  readonly filesOf: (mod: DemoMod) => Files;
  /** Versions and mods that only the depot has. */
  readonly more: readonly DemoMod[];
  readonly terms: Readonly<Record<string, LineupTerms>>;
  /** By id, how often a transfer goes wrong before it goes well. */
  readonly faults: { readonly [K in keyof DepotFaults]?: Readonly<Record<string, number>> };
}

const archiveOf = (mod: DemoMod): string => `${mod.name}-${mod.version}.zip`;

/** Writes a depot for a game: archives, of which those that lie on the shelf already are not copied, and a catalogue. */
export async function writeDepot(
  folder: string,
  game: GameDefinition,
  shelfFolder: string,
  plan: DepotPlan,
): Promise<void> {
  const files = join(folder, "files");
  await mkdir(files, { recursive: true });
  const offered = plan.mods.slice(0, mostOffered);
  for (const mod of offered)
    if (mod.shape === "folder") await writeFile(join(files, archiveOf(mod)), zip(plan.filesOf(mod)));
    else await linkOrCopy(join(shelfFolder, archiveOf(mod)), join(files, archiveOf(mod)));
  for (const mod of plan.more) await writeFile(join(files, archiveOf(mod)), zip(plan.filesOf(mod)));
  const { mods } = await readShelf(game, [files], []);
  const catalogue: DepotCatalogue = {
    format: "seating-depot/1",
    game: game.id,
    mods: mods.filter(({ problem }) => !problem).map((mod) => pageOf(mod, plan.terms[mod.id] ?? null)),
  };
  await writeFile(join(folder, "catalogue.json"), JSON.stringify(catalogue));
  await writeFile(
    join(folder, "faults.json"),
    JSON.stringify(faultsByName(plan, [...offered, ...plan.more])),
  );
}

async function linkOrCopy(from: string, to: string): Promise<void> {
  await link(from, to).catch(() => copyFile(from, to));
}

function faultsByName({ faults }: DepotPlan, mods: readonly DemoMod[]): DepotFaults {
  const named = (kind: keyof DepotFaults) =>
    Object.fromEntries(
      mods
        .filter(({ id }) => faults[kind]?.[id] !== undefined)
        .map((mod) => [archiveOf(mod), faults[kind]![mod.id]!]),
    );
  return { busy: named("busy"), breaksOff: named("breaksOff"), damaged: named("damaged") };
}

/** Without what only the machine that read it knows: when it was added, and stamps. */
function pageOf({ contentFiles: _, ...mod }: ShelfMod, terms: LineupTerms | null): DepotMod {
  const records = mod.plugins.reduce((sum, { header }) => sum + (header?.records ?? 0), 0);
  const brings = [
    `${mod.files} files`,
    mod.plugins.length > 0 && `${mod.plugins.length} plugins with ${records} records`,
  ].filter(Boolean);
  return {
    mod: {
      ...mod,
      stamp: "",
      updated: "2026-01-15T12:00:00.000Z",
      plugins: mod.plugins.map(({ recordNames: _names, additiveLists: _lists, ...plugin }) => plugin),
    },
    terms,
    about: `${mod.summary ?? mod.name} It brings ${brings.join(" and ")}.`,
    issues:
      mod.manifest?.clashes?.map(
        ({ mod: other, reason }) => `Clashes with ${other}${reason ? `: ${reason}` : "."}`,
      ) ?? [],
    keys: mod.tags.includes("interface") ? [{ key: "F7", does: `Shows and hides ${mod.name}` }] : [],
  };
}
