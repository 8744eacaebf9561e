"use client";

import { say } from "@/core/language/say";
import { rich } from "../kit/rich";
import { Check, ChevronDown } from "lucide-react";
import { DropdownMenu as Menu } from "radix-ui";
import { menuItemLook, menuLook } from "../kit/menu-look";
import type { KeptLook } from "./use-look";

const choices: readonly { readonly key: keyof KeptLook; readonly words: string; readonly hint: string }[] = [
  {
    key: "gatherOff",
    get words() {
      return say("plan.gatherWhatIsOff");
    },
    get hint() {
      return say("plan.belowAllElseEachKeepsIts");
    },
  },
  {
    key: "compact",
    get words() {
      return say("plan.lowerRows");
    },
    get hint() {
      return say("plan.moreOfThemOnTheScreen");
    },
  },
];

/** How the plan is shown; none of it changes the order. */
export function LookMenu({
  look,
  onLook,
  onNumbers,
}: {
  look: KeptLook;
  onLook: (look: KeptLook) => void;
  onNumbers: () => void;
}) {
  return (
    <Menu.Root>
      <Menu.Trigger className="text-ink2 hover:bg-sunk hover:text-ink inline-flex h-8 items-center gap-1.5 rounded-md px-3 font-semibold">
        {rich("plan.look", { chevronDown: <ChevronDown size={14} aria-hidden /> })}
      </Menu.Trigger>
      <Menu.Portal>
        <Menu.Content align="end" sideOffset={4} className={`${menuLook} min-w-80`}>
          {choices.map(({ key, words, hint }) => (
            <Menu.CheckboxItem
              key={key}
              checked={look[key]}
              onCheckedChange={(on) => onLook({ ...look, [key]: on })}
              className={menuItemLook}
            >
              <span className="w-4">{look[key] && <Check size={14} aria-hidden />}</span>
              <span className="font-semibold">{words}</span>
              <span className="text-ink2 ml-auto text-sm">{hint}</span>
            </Menu.CheckboxItem>
          ))}
          <Menu.Separator className="border-line my-1 border-t" />
          <Menu.Item onSelect={onNumbers} className={menuItemLook}>
            <span className="w-4" />
            <span className="font-semibold">{say("plan.numbersOfTheSections")}</span>
          </Menu.Item>
        </Menu.Content>
      </Menu.Portal>
    </Menu.Root>
  );
}
