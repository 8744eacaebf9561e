import { issueText } from "../language/issue";
import { say } from "../language/say";
import type { z } from "zod";
import { GameDefinition, MODS_RANK } from "../model/game";

/** What is wrong with a definition, and where: a path as `loadRanks.1.flag`. */
export interface Flaw {
  readonly path: string;
  readonly text: string;
}

/** Reads what may be a definition; where it is none, all that has to be mended. */
export function readDefinition(
  value: unknown,
):
  { readonly definition: GameDefinition; readonly flaws: readonly [] } | { readonly flaws: readonly Flaw[] } {
  const parsed = GameDefinition.safeParse(value);
  const flaws = parsed.success ? lawFlaws(parsed.data) : parsed.error.issues.map(shapeFlaw);
  return parsed.success && flaws.length === 0 ? { definition: parsed.data, flaws: [] } : { flaws };
}

const shapeWords: Readonly<Record<string, (issue: z.core.$ZodIssue) => string>> = {
  invalid_type: () => say("game.hasToBeFilledIn"),
  too_small: (issue) =>
    issue.code === "too_small" && issue.minimum === 1 ? say("game.hasToBeFilledIn") : say("game.isTooSmall"),
  too_big: () => say("game.isTooLongOrTooLarge"),
  invalid_format: (issue) => say("game.isNotAValidValue", { message: issueText(issue) }),
  unrecognized_keys: (issue) =>
    issue.code === "unrecognized_keys"
      ? say("game.holdsWhatNoLawKnows", { keys: issue.keys.join(", ") })
      : "",
};

function shapeFlaw(issue: z.core.$ZodIssue): Flaw {
  const words = shapeWords[issue.code ?? ""]?.(issue) ?? issueText(issue);
  return { path: issue.path.join("."), text: words };
}

/** What the laws of one game have to agree on among themselves. */
function lawFlaws(game: GameDefinition): Flaw[] {
  return [
    ...idFlaws(game),
    ...listFlaws(game),
    ...rankFlaws(game),
    ...sectionFlaws(game),
    ...pathFlaws(game),
    ...sameFileFlaws(game),
    ...fileNameFlaws(game),
  ];
}

const idPattern = /^[a-z0-9][a-z0-9-]{0,59}$/;

function idFlaws(game: GameDefinition): Flaw[] {
  const flaws: Flaw[] = idPattern.test(game.id)
    ? []
    : [{ path: "id", text: say("game.takesSmallLettersDigitsAndHyphens") }];
  if (game.name.trim() === "") flaws.push({ path: "name", text: say("game.hasToBeFilledIn") });
  const lists = {
    loadRanks: game.loadRanks,
    counting: game.counting,
    expansions: game.expansions,
    baseItems: game.baseItems ?? [],
    launchSettings: game.launchSettings ?? [],
    prerequisites: game.prerequisites ?? [],
    settings: game.settings ?? [],
    keptFiles: game.keptFiles ?? [],
    start: game.start ?? [],
    sections: game.sections,
  };
  for (const [list, items] of Object.entries(lists))
    items.forEach(({ id }, at) => {
      if (id === "") flaws.push({ path: `${list}.${at}.id`, text: say("game.hasToBeFilledIn") });
      if (items.findIndex((other) => other.id === id) !== at)
        flaws.push({ path: `${list}.${at}.id`, text: say("game.standsTwice", { id }) });
    });
  return flaws;
}

function listFlaws({ lists, pluginExtensions, pluginLayout, loadRanks }: GameDefinition): Flaw[] {
  const flaws: Flaw[] = [];
  if (!lists.includes("mods")) flaws.push({ path: "lists", text: say("game.hasToHoldTheMods") });
  if (!lists.includes("plugins")) return flaws;
  if (pluginExtensions.length === 0)
    flaws.push({ path: "pluginExtensions", text: say("game.hasToSayByWhichExtensions") });
  if (!pluginLayout) flaws.push({ path: "pluginLayout", text: say("game.hasToSayHowAPlugin") });
  if (loadRanks.length === 0) flaws.push({ path: "loadRanks", text: say("game.needsAtLeastOneRankFor") });
  return flaws;
}

/** The last rank, and one class, take what no mark claims. */
function rankFlaws({ loadRanks, counting, builtIn, pluginExtensions }: GameDefinition): Flaw[] {
  const flaws: Flaw[] = [];
  const isMarked = (each: { extensions?: unknown; flag?: unknown }) =>
    each.extensions !== undefined || each.flag !== undefined;
  const last = loadRanks.at(-1);
  if (last && isMarked(last))
    flaws.push({
      path: `loadRanks.${loadRanks.length - 1}`,
      text: say("game.theLastRankTakesWhatNo"),
    });
  const plain = counting.flatMap((each, at) => (isMarked(each) ? [] : [at]));
  if (plain.length > 1)
    flaws.push({ path: `counting.${plain[1]}`, text: say("game.onlyOneClassCanTakeWhat") });
  const known = (name: string) =>
    pluginExtensions.some((extension) => name.toLowerCase().endsWith(extension));
  builtIn.forEach((name, at) => {
    if (!known(name))
      flaws.push({ path: `builtIn.${at}`, text: say("game.hasNoExtensionOfAPlugin", { name }) });
  });
  return flaws;
}

function sectionFlaws({ sections, loadRanks, lists }: GameDefinition): Flaw[] {
  const flaws: Flaw[] = [];
  const ranks = [...loadRanks.map((rank) => rank.id), MODS_RANK];
  sections.forEach((section, at) => {
    if (!ranks.includes(section.rank))
      flaws.push({
        path: `sections.${at}.rank`,
        text: say("game.thereIsNoLoadRank", { rank: section.rank }),
      });
  });
  const own = sections.filter((section) => section.rank !== MODS_RANK);
  const order = own.map((section) => loadRanks.findIndex((rank) => rank.id === section.rank));
  const early = order.findIndex((rank, at) => at > 0 && rank < order[at - 1]!);
  if (early > 0)
    flaws.push({
      path: `sections.${sections.indexOf(own[early]!)}`,
      text: say("game.standsBehindASectionOfA"),
    });
  if (lists.includes("plugins"))
    for (const rank of loadRanks)
      if (!own.some((section) => section.rank === rank.id))
        flaws.push({ path: "sections", text: say("game.hasToHoldOneForThe", { label: rank.label }) });
  return flaws;
}

/** Whatever a definition names lies below the folders of the game. */
function pathFlaws(game: GameDefinition): Flaw[] {
  const named: (readonly [path: string, value: string])[] = [
    ["sign", game.sign],
    ["baseFolder", game.baseFolder],
    ["orderFile.path", game.orderFile.path],
    ["holdsFile", game.holdsFile],
    ...game.expansions.map((each, at) => [`expansions.${at}.folder`, each.folder] as const),
    ...(game.launchSettings ?? []).flatMap((each, at) =>
      each.kind === "file" ? [[`launchSettings.${at}.folder`, each.folder] as const] : [],
    ),
  ];
  return named.flatMap(([path, value]) =>
    isBelow(value) ? [] : [{ path, text: say("game.hasToBeAPathBelow") }],
  );
}

/** What is written must not be what the game is known by, nor the one file the other: writing one would empty it. */
function sameFileFlaws({
  sign,
  orderFile,
  holdsFile,
  settings = [],
  keptFiles = [],
}: GameDefinition): Flaw[] {
  // Some systems take names that differ in case alone for one, whatever the game does.
  const fold = (path: string) => path.normalize("NFC").toLowerCase();
  const named = [
    ["sign", fold(sign)],
    ["orderFile.path", fold(orderFile.path)],
    ["holdsFile", fold(holdsFile)],
    ...settings.map(({ path }, at) => [`settings.${at}.path`, fold(path)] as const),
    ...keptFiles.map(({ path }, at) => [`keptFiles.${at}.path`, fold(path)] as const),
  ] as const;
  return named.flatMap(([path, value], at) => {
    const other = named
      .slice(0, at)
      .find(([, each]) => isSameOrBelow(value, each) || isSameOrBelow(each, value));
    return other ? [{ path, text: say("game.hasToBeAnotherFileThan", { other: other[0] }) }] : [];
  });
}

const isSameOrBelow = (path: string, other: string): boolean =>
  path === other || path.startsWith(`${other}/`);

/** Plugins are known by the names of their files, not by paths. */
function fileNameFlaws({ builtIn, expansions }: GameDefinition): Flaw[] {
  const named = [
    ...builtIn.map((name, at) => [`builtIn.${at}`, name] as const),
    ...expansions.flatMap(({ plugins }, at) =>
      plugins.map((name, place) => [`expansions.${at}.plugins.${place}`, name] as const),
    ),
  ];
  return named.flatMap(([path, name]) =>
    isBelow(name) && !name.includes("/") ? [] : [{ path, text: say("game.hasToBeTheNameOf") }],
  );
}

const isBelow = (path: string): boolean =>
  path !== "" &&
  !/^[/\\]|^[a-z]:|\\|[\p{Cc}<>"|?*]/iu.test(path) &&
  path.split("/").every((part) => part !== "" && part !== "." && part !== "..");

/** A definition to begin with: all that has to be there, and nothing that is guessed. */
export const blankDefinition = {
  format: "seating-game/1",
  id: "",
  name: "",
  version: "1.0",
  lists: ["mods"],
  sign: "",
  paths: { ignoreCase: true },
  contentFolders: [],
  pluginExtensions: [],
  loadRanks: [],
  counting: [],
  baseFolder: "base",
  builtIn: [],
  expansions: [],
  orderFile: { path: "order.txt", dialect: "lines" },
  holdsFile: "holds.json",
  sections: [
    {
      id: "mods",
      get name() {
        return say("common.mods");
      },
      rank: MODS_RANK,
      guidance: "",
    },
  ],
};
