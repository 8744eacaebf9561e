import type { FoundOrder, Link, OrderResult, Origin, SetAside, WrittenLink } from "../model/problem";

/** What a tie comes from, as files and the command say it. */
export const originName = (origin: Origin): string => (typeof origin === "string" ? origin : origin.rule);

export const writeLinks = (links: readonly Link[]): WrittenLink[] =>
  links.map((link) => ({ ...link, because: originName(link.because) }));

/** A result as a file holds it. */
export const writeResult = (found: FoundOrder): OrderResult => ({
  format: "seating-order-result/1",
  order: [...found.order],
  moved: [...found.moved],
  setAside: found.setAside.map(writeSetAside),
  cycles: found.cycles.map(({ items, links }) => ({ items: [...items], links: writeLinks(links) })),
  missing: [...found.missing],
  raised: found.raised.map((each) => ({ ...each, because: writeLinks(each.because) })),
  certificate: found.certificate && found.certificate.map(([earlier, later]) => [earlier, later]),
});

function writeSetAside({ rule, because, ...where }: SetAside): OrderResult["setAside"][number] {
  if (rule.kind === "needs") return { rule, ...where, because: writeLinks(because) };
  const { source: _, ...written } = rule;
  return { rule: written, ...where, because: writeLinks(because) };
}
