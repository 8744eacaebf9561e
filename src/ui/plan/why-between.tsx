"use client";

import { say } from "@/core/language/say";
import { rich } from "../kit/rich";
import { chainText } from "@/core/messages/reasons";
import { tellChain } from "@/core/order/tell-chain";
import type { SeatedItem } from "@/core/roster/roster";
import { Part } from "../kit/part";
import { ItemName, Say } from "../kit/sentence";
import { tellingOf } from "../workspace/telling";
import { useEditor } from "../workspace/workspace.client";

/** Of two selected items: must one load earlier, and by which shortest chain of ties? */
export function WhyBetween({ items: [one, other] }: { items: readonly [SeatedItem, SeatedItem] }) {
  const roster = useEditor((state) => state.roster);
  const { groups } = useEditor((state) => state.ties[one.list]).constraints;
  const [above, below] = one.place < other.place ? [one, other] : [other, one];
  const asIs = groups.chain(above.place, below.place);
  const turned = asIs ? null : groups.chain(below.place, above.place);
  const links = asIs ?? turned;
  return (
    <Part title={say("plan.mustOneLoadEarlier")}>
      {links ? (
        <>
          <p className={turned ? "text-brick font-semibold" : ""}>
            {rich("plan.mustLoadEarlier", { item: <ItemName id={(turned ? below : above).id} /> })}
            {turned ? say("plan.andDoesNotNow") : say("plan.andDoes")}
          </p>
          <p className="border-pine mt-1.5 border-l-2 pl-3">
            <Say parts={[...chainText(tellChain(links), tellingOf(roster, one.list)), "."]} />
          </p>
        </>
      ) : (
        <p>{say("plan.nothingTiesTheTwoDirectlyOr")}</p>
      )}
    </Part>
  );
}
