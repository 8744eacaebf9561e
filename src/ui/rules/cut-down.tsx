"use client";

import { say } from "@/core/language/say";
import { useMemo } from "react";
import type { ListName } from "@/core/model/profile";
import { cutTogether } from "@/core/roster/cut-together";
import { Button } from "../kit/button";
import { ItemName } from "../kit/sentence";
import { useEditor } from "../workspace/workspace.client";

/** Why items cannot all stay together, and those that can, to be taken instead; nothing where no border lies between them. */
export function CutDown({
  list,
  items,
  onCut,
}: {
  list: ListName;
  items: readonly string[];
  onCut: (items: readonly string[]) => void;
}) {
  const roster = useEditor((state) => state.roster);
  const cut = useMemo(() => cutTogether(roster, list, items), [roster, list, items]);
  if (!cut) return null;
  return (
    <div className="border-saffron bg-saffron-soft space-y-2 rounded-md border px-3 py-2">
      <p className="font-semibold">{say("rules.notAllOfThemCanStand")}</p>
      <ul className="list-disc pl-5">
        {cut.apart.map(({ id, border, where }) => (
          <li key={id}>
            <ItemName id={id} />{" "}
            {border === "rank"
              ? say("rules.isOfAnotherLoadRank", { where })
              : say("rules.standsIn", { where })}
          </li>
        ))}
      </ul>
      {cut.items.length > 1 ? (
        <Button small onClick={() => onCut(cut.items)}>
          {say("rules.keepOnlyTheOtherTogether", { count: cut.items.length })}
        </Button>
      ) : (
        <p>{say("rules.noTwoOfThemCanThe")}</p>
      )}
    </div>
  );
}
