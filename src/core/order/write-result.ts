import type { FoundOrder, Link, OrderResult, Origin, SetAside, WrittenLink } from "../model/problem";
import { withReason } from "./ties";

/** What a tie comes from, as files and the command say it. */
export const originName = (origin: Origin): string => (typeof origin === "string" ? origin : origin.rule);

export const writeLinks = (links: readonly Link[]): WrittenLink[] =>
  links.map((link) => ({ ...link, because: originName(link.because) }));

/** A result as a file holds it; the chains are searched as they are read. */
export const writeResult = (found: FoundOrder): OrderResult => ({
  format: "seating-order-result/1",
  order: [...found.order],
  moved: [...found.moved],
  setAside: found.setAside.map(writeSetAside),
  cycles: found.cycles.map(({ items, links }) => ({ items: [...items], links: writeLinks(links) })),
  missing: [...found.missing],
  raised: found.raised.map((raised) => {
    const { item, section, effective } = raised;
    return withReason({ item, section, effective }, () => writeLinks(raised.because));
  }),
  certificate: found.certificate && found.certificate.map(([earlier, later]) => [earlier, later]),
});

function writeSetAside(setAside: SetAside): OrderResult["setAside"][number] {
  const { rule, index } = setAside;
  const said = {
    rule: rule.kind === "needs" ? rule : withoutSource(rule),
    ...(index === undefined ? {} : { index }),
  };
  return withReason(said, () => writeLinks(setAside.because));
}

function withoutSource({ source: _, ...written }: Exclude<SetAside["rule"], { kind: "needs" }>) {
  return written;
}
