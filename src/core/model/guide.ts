/** Tasks of the guide, in the order in which people meet them; each is a page. */
export const guideTasks = [
  "first-evening",
  "order-plugins",
  "correct-and-remember",
  "conflicts",
  "blend",
  "several-profiles",
  "extend-a-list",
  "share",
  "follow",
  "play-together",
  "own-game",
  "sheet",
  "your-data",
  "when-something-is-wrong",
] as const;

export type GuideTask = (typeof guideTasks)[number];
export type GuidePageId = GuideTask | "glossary";

/** Our own words, each explained where it is met first and in the glossary. */
export const guideWords = [
  "shelf",
  "profile",
  "plan",
  "seat",
  "section",
  "load-rank",
  "master",
  "tie",
  "rule",
  "raised",
  "set-aside",
  "proposal",
  "lens",
  "conflict",
  "decided",
  "covered",
  "rulebook",
  "advice",
  "finding",
  "blocker",
  "problem",
  "hint",
  "restore-point",
  "depot",
  "lineup",
  "fingerprint",
  "blend",
  "trial",
  "lay-out",
] as const;

export type GuideWord = (typeof guideWords)[number];

/** A page, and what of it is meant: the number of a section from 1 on, or a word of the glossary. */
export interface GuidePlace {
  readonly page: GuidePageId;
  readonly part?: string;
}

/** As `page#part`. */
export function readGuidePlace(text: string): GuidePlace | null {
  const [page = "", part] = text.split("#");
  if (page !== "glossary" && !(guideTasks as readonly string[]).includes(page)) return null;
  return { page: page as GuidePageId, ...(part ? { part } : {}) };
}

/** The same the other way round. */
export const guideMark = ({ page, part }: GuidePlace): string => (part ? `${page}#${part}` : page);
