"use client";

import { say } from "@/core/language/say";
import { sentence, type Sentence } from "@/core/messages/parts";
import { chainText, tieText } from "@/core/messages/reasons";
import type { Link as OrderLink } from "@/core/model/problem";
import { whyHere } from "@/core/order/explain";
import type { SeatedItem, SeatedList } from "@/core/roster/roster";
import { letterOf } from "@/core/roster/seats";
import { isBroken, type DirectTie, type TieIndex } from "@/core/roster/ties";
import { Term } from "../kit/term";
import { Part } from "../kit/part";
import { Say } from "../kit/sentence";
import { tellingOf } from "../workspace/telling";
import { useEditor } from "../workspace/workspace.client";

const mostListed = 12;

/** The engine's answer where ties hold only of groups of plugins: load ranks and sections, by their nearest item. */
function borderTies(ties: TieIndex, id: string): OrderLink[] {
  const why = whyHere(ties.constraints, id);
  const isBorder = ({ because }: OrderLink) => because === "class" || because === "section";
  return [why?.above.find(isBorder), why?.below.find(isBorder)].filter((link) => link !== undefined);
}

/** What ties an item to its seat, the tightest first. */
export function WhyHere({ item }: { item: SeatedItem }) {
  const roster = useEditor((state) => state.roster);
  const ties = useEditor((state) => state.ties[item.list]);
  const list = roster.lists[item.list];
  const placeOf = (id: string) => list.itemOf.get(id)!.place;
  const builtInLast = (tie: DirectTie) => Number(list.itemOf.get(tie.earlier)!.fixed);
  const own = [...ties.of(item.id)].sort(
    (a, b) =>
      Number(isBroken(b, placeOf)) - Number(isBroken(a, placeOf)) ||
      builtInLast(a) - builtInLast(b) ||
      nearness(a, item, placeOf) - nearness(b, item, placeOf),
  );
  const telling = tellingOf(roster, item.list);
  return (
    <Part title={<Term word="tie">{say("plan.whyHere")}</Term>}>
      <ul className="border-pine space-y-1.5 border-l-2 pl-3">
        <li>
          {item.entry.home ? (
            <Term word="raised">
              <Say parts={sectionText(item, list)} />
            </Term>
          ) : (
            <Say parts={sectionText(item, list)} />
          )}
          {item.section?.guidance && <span className="text-ink3"> {item.section.guidance}.</span>}
        </li>
        {own.slice(0, mostListed).map((tie, at) => (
          <li key={at} className={isBroken(tie, placeOf) ? "text-brick" : ""}>
            <Say parts={tieText(tie, item.id, telling)} />
            {isBroken(tie, placeOf) && <b>{say("plan.brokenNow")}</b>}
            {tie.strength === "prefer" && <span className="text-ink3">{say("plan.prefer")}</span>}
          </li>
        ))}
        {own.length > mostListed && (
          <li className="text-ink3">{say("common.andMore", { count: own.length - mostListed })}</li>
        )}
        {borderTies(ties, item.id).map((link, at) => (
          <li key={`border ${at}`} className="text-ink2">
            <Say parts={[...chainText({ links: [link], left: 0 }, telling), "."]} />
          </li>
        ))}
        {item.entry.fresh && <li>{say("plan.itArrivedByItselfAndNobody")}</li>}
        {own.length === 0 && <li>{say("plan.nothingElseTiesItWithinIts")}</li>}
      </ul>
    </Part>
  );
}

/** The tightest ties first: those with what stands nearest. */
function nearness(tie: DirectTie, { id, place }: SeatedItem, placeOf: (id: string) => number): number {
  return Math.abs(placeOf(tie.earlier === id ? tie.later : tie.earlier) - place);
}

function sectionText({ list, section, rank, entry }: SeatedItem, { sections }: SeatedList): Sentence {
  const at = sections.findIndex((each) => each.id === section?.id);
  const name = `${letterOf(Math.max(0, at))} ${section?.name ?? ""}`;
  if (!entry.home)
    return list === "mods"
      ? sentence("plan.in2", { name })
      : sentence("plan.inAmongThePlugins", { name, label: rank.label });
  const home = sections.find((each) => each.id === entry.home)?.name ?? entry.home;
  return sentence("plan.itBelongsToButMustFollow", { home, name });
}
