"use client";

import { say } from "@/core/language/say";
import { Command as Cmdk } from "cmdk";
import { useMemo, useState } from "react";
import { sharedCount } from "@/core/messages/counts";
import type { ListName } from "@/core/model/profile";
import { partnersFor } from "@/core/edit/remember";
import { titleOf } from "@/core/roster/roster";
import { useEditor } from "../workspace/workspace.client";
import { inputLook } from "../kit/field";

const mostShown = 40;

/** Finds an item of a list by seat or name. Beside `partnerOf`, those that change the same records or files come first. */
export function ItemPicker({
  list,
  label,
  chosen,
  partnerOf,
  onChoose,
}: {
  list: ListName;
  label: string;
  chosen: string | null;
  partnerOf: string | null;
  onChoose: (id: string) => void;
}) {
  const roster = useEditor((state) => state.roster);
  const [text, setText] = useState("");
  const partners = useMemo(
    () =>
      partnerOf === null
        ? roster.lists[list].items.map((item) => ({ item, shared: 0 }))
        : partnersFor(roster, list, partnerOf),
    [roster, list, partnerOf],
  );
  const wanted = text.trim().toLowerCase();
  const fits = partners.filter(
    ({ item }) =>
      wanted === "" || item.seat.toLowerCase() === wanted || titleOf(item).toLowerCase().includes(wanted),
  );
  const present = chosen === null ? undefined : roster.lists[list].itemOf.get(chosen);
  return (
    <div>
      <p className="text-ink2 mb-1 text-sm font-semibold">
        {label}
        {present && (
          <span className="text-ink ml-2 font-normal">
            <span className="text-pine font-mono text-sm font-semibold">{present.seat}</span>{" "}
            {titleOf(present)}
          </span>
        )}
      </p>
      <Cmdk shouldFilter={false} loop label={label} className="border-line rounded-md border">
        <Cmdk.Input
          value={text}
          onValueChange={setText}
          placeholder={say("rules.aSeatOrPartOfA")}
          className={`${inputLook} !border-0`}
        />
        <Cmdk.List className="border-line h-36 overflow-auto border-t p-1">
          {fits.length === 0 && (
            <p className="text-ink2 px-2 py-2">{say("rules.nothingHereIsCalled", { text })}</p>
          )}
          {fits.slice(0, mostShown).map(({ item, shared }) => (
            <Cmdk.Item
              key={item.id}
              value={item.id}
              onSelect={() => onChoose(item.id)}
              className={`data-[selected=true]:bg-pine-soft flex h-7 cursor-pointer items-center gap-2 rounded px-2 ${item.id === chosen ? "font-semibold" : ""}`}
            >
              <span className="text-pine w-10 font-mono text-sm">{item.seat}</span>
              <span className="grow truncate font-mono text-sm">{titleOf(item)}</span>
              {shared > 0 && (
                <span className="text-ink2 shrink-0 text-sm">
                  {say("rules.inCommon", { shared: sharedCount(list, shared) })}
                </span>
              )}
            </Cmdk.Item>
          ))}
          {fits.length > mostShown && (
            <p className="text-ink3 px-2 py-1">
              {say("rules.andMoreTypeOn", { count: fits.length - mostShown })}
            </p>
          )}
        </Cmdk.List>
      </Cmdk>
    </div>
  );
}
