import { mkdirSync } from "node:fs";
import { resolve } from "node:path";
import { say } from "@/core/language/say";
import { laidAs } from "@/core/layout/laid-as";
import { done, refuse, type Outcome } from "@/core/model/outcome";
import { namesToWrite } from "@/core/check/order-file";
import { wantedSettings } from "@/core/roster/settings";
import { pathsOf } from "@/disk/game-files";
import { putBefore } from "@/disk/layout/before";
import { keepOrder } from "@/disk/layout/layout-hand";
import { home } from "@/disk/places";
import {
  cleanStore,
  keptIn,
  modsToLay,
  performLayout,
  planLayout,
  planTakingBack,
  type Layout,
  type LayoutPlaces,
} from "@/disk/layout/lay-out";
import type { Answer } from "./answer";
import { orderFilesOf, writeLaidOrder, type OrderPlace } from "./laid-order";
import { readWholeList, type ListFile, type ListOptions } from "./list-input";

interface LayOutOptions extends ListOptions, OrderPlace {
  /** Only says what would be done. */
  readonly preview?: boolean;
}

/** Lays the mods of a list out in the folder of its game; what Seating laid out there before gives way. */
export async function layOut(file: ListFile, options: LayOutOptions): Promise<Outcome<Answer>> {
  const { shelf, gameFolder, preview = false } = options;
  const places = placesOf(gameFolder);
  if (!places.ok) return places;
  const whole = await readWholeList(file, options);
  if (!whole.ok) return whole;
  const {
    read: { game, stock },
    roster,
  } = whole.value;
  const byContent = new Map(stock.shelf.map((mod) => [mod.content ?? "", mod]));
  const mods = modsToLay(roster, (content) => byContent.get(content)?.contentFiles ?? []);
  const as = laidAs(roster);
  const layout = planLayout(game, mods, places.value, { as });
  if (!layout.ok) return layout;
  const files = await orderFilesOf(game, places.value, options);
  if (!files.ok) return files;
  const aside: string[] = [];
  if (!preview) {
    keepOrder(places.value, layout.value, pathsOf(files.value));
    const pathOf = (content: string) => resolve(shelf!, byContent.get(content)!.path);
    const laid = await performLayout(game, places.value, layout.value, pathOf, {
      ...(as && { as }),
    });
    if (!laid.ok) return laid;
    const kept = await writeLaidOrder(roster, places.value, shelf!, files.value);
    if (!kept.ok) return kept;
    aside.push(...kept.value.map((at) => say("cli.layout.orderKept", { at })));
  }
  const lines = wantedSettings(roster).length;
  if (lines > 0) aside.push(say("cli.layout.settingsLeft", { count: lines }));
  const answer = answerOf(layout.value, !preview);
  const order = { path: files.value.order, names: namesToWrite(roster).length };
  return done({
    ...answer,
    json: { ...answer.json, order },
    text: `${answer.text}\n${say("cli.layout.order", { done: String(!preview), ...order })}`,
    aside: [...answer.aside, ...aside],
  });
}

/** Takes all that was laid out in the folder of a game back, so that it is as it was before. */
export function takeBack({ gameFolder, preview = false }: LayOutOptions): Outcome<Answer> {
  const places = placesOf(gameFolder);
  if (!places.ok) return places;
  const looked = planTakingBack(places.value, false);
  if (!looked.ok) return looked;
  // First, as folders that were made for it go with what else was made.
  if (!preview) putBefore(keptIn(places.value, "order-before"), () => true);
  const layout = preview ? looked : planTakingBack(places.value, true);
  return layout.ok ? done(answerOf(layout.value, !preview)) : layout;
}

/** Throws away what was unpacked to be laid out and lies in no game's folder any more. */
export function cleanUnpacked({ preview = false }: LayOutOptions): Outcome<Answer> {
  const swept = cleanStore(home(), preview);
  if (!swept.ok) return swept;
  const { files, bytes } = swept.value;
  return done({
    json: { format: "seating-store/1", done: !preview, files, bytes },
    text: say("cli.store.summary", {
      done: String(!preview),
      files,
      size: Math.round(bytes / 100_000) / 10,
    }),
    findings: false,
  });
}

function placesOf(gameFolder: string | undefined): Outcome<LayoutPlaces> {
  if (gameFolder === undefined) return refuse("needs-game-folder");
  const own = home();
  try {
    mkdirSync(own, { recursive: true });
  } catch (error) {
    return refuse("cannot-write", { path: own, detail: String((error as NodeJS.ErrnoException).code) });
  }
  return done({ game: resolve(gameFolder), own });
}

function answerOf({ plan: { acts, changed } }: Layout, isDone: boolean) {
  const bytes = acts.reduce((sum, act) => sum + (act.does === "put" ? act.size : 0), 0);
  const count = (does: (typeof acts)[number]["does"]) => acts.filter((act) => act.does === does).length;
  return {
    json: {
      format: "seating-layout/1",
      done: isDone,
      bytes,
      acts: acts.map(({ does, path }) => ({ does, path })),
      changed: [...changed],
    },
    text: [
      say("cli.layout.summary", {
        done: String(isDone),
        put: count("put"),
        removed: count("remove"),
        aside: count("set-aside"),
        back: count("put-back"),
      }),
      ...changed.map((path) => say("cli.layout.changed", { path })),
    ].join("\n"),
    findings: false as const,
    aside: acts.flatMap((act) =>
      act.does === "keep" ? [say("cli.layout.kept", { path: act.path, number: act.number })] : [],
    ),
  };
}
