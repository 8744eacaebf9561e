"use client";

import { say } from "@/core/language/say";
import { X } from "lucide-react";
import { useState } from "react";
import { z } from "zod";
import { Button } from "../kit/button";
import { Drop } from "../kit/drop";
import { inputLook } from "../kit/field";
import { usePreference } from "../workspace/use-preference";
import { filterFromQuery, filterToQuery, isNarrow, noShelfFilter, type ShelfFilter } from "./shelf-filter";

const Saved = z.array(z.strictObject({ name: z.string().min(1).max(60), query: z.string().max(4000) }));
const none: z.infer<typeof Saved> = [];

/** Filters that are wanted again; a name that is used again stands for the newer one. */
export function SavedFilters({
  filter,
  onFilter,
}: {
  filter: ShelfFilter;
  onFilter: (part: Partial<ShelfFilter>) => void;
}) {
  const [saved, setSaved] = usePreference("shelf-filters", Saved, none);
  const [name, setName] = useState("");
  const query = filterToQuery(filter).toString();
  const present = saved.find((each) => each.query === query);
  const without = (gone: string) => saved.filter((each) => each.name !== gone);
  const save = () => {
    setSaved([...without(name.trim()), { name: name.trim(), query }]);
    setName("");
  };
  return (
    <Drop label={present?.name ?? say("shelf.saved")} isOn={present !== undefined}>
      <ul className="min-w-60">
        {saved.length === 0 && <li className="text-ink2 pb-2">{say("shelf.noFilterIsSavedYet")}</li>}
        {saved.map((each) => (
          <li key={each.name} className="flex items-center gap-1">
            <button
              type="button"
              aria-current={each === present}
              onClick={() =>
                onFilter({ ...noShelfFilter, ...filterFromQuery(new URLSearchParams(each.query)) })
              }
              className={`hover:bg-sunk h-7 grow truncate rounded px-2 text-left ${each === present ? "font-semibold" : ""}`}
            >
              {each.name}
            </button>
            <Button
              small
              look="quiet"
              aria-label={say("shelf.forgetTheFilter", { name: each.name })}
              onClick={() => setSaved(without(each.name))}
            >
              <X size={13} aria-hidden />
            </Button>
          </li>
        ))}
      </ul>
      {isNarrow(filter) && !present && (
        <form
          className="border-line mt-2 flex gap-1.5 border-t pt-2"
          onSubmit={(event) => {
            event.preventDefault();
            if (name.trim()) save();
          }}
        >
          <input
            value={name}
            maxLength={60}
            onChange={(event) => setName(event.target.value)}
            placeholder={say("shelf.nameThePresentFilter")}
            aria-label={say("shelf.nameOfTheFilter")}
            className={inputLook}
          />
          <Button type="submit" disabled={!name.trim()}>
            {say("common.save")}
          </Button>
        </form>
      )}
    </Drop>
  );
}
