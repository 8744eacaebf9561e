"use client";

import { useMemo, type ReactNode } from "react";
import { say } from "@/core/language/say";
import { contestedIn, type Contested } from "@/core/conflict/conflicts";
import { everyConflict, type ConflictQuery, type ConflictSurvey } from "@/core/conflict/survey";
import { titleOfId } from "@/core/roster/roster";
import { Button } from "../kit/button";
import { NarrowBy } from "../kit/narrow-by";
import { useEditor } from "../workspace/workspace.client";
import { isNarrowed } from "./conflicts-address";

interface Props {
  of: Contested;
  query: ConflictQuery;
  onQuery: (part: Partial<ConflictQuery>) => void;
  survey: ConflictSurvey | undefined;
  /** What can be done with all that is shown. */
  children: ReactNode;
}

/** Narrows what is contested, with how much each answer would leave. */
export function ConflictFilterBar({ of, query, onQuery, survey, children }: Props) {
  const counts = survey?.counts;
  const isOn = isNarrowed(query);
  return (
    <div
      role="search"
      aria-label={say("conflicts.filter")}
      className={`flex shrink-0 flex-wrap items-center gap-2 border-b px-3 py-1.5 ${isOn ? "border-saffron bg-saffron-soft" : "border-line bg-sunk"}`}
    >
      <Switch
        on={query.undecided}
        label={say("conflicts.onlyUndecided", { count: counts?.undecided ?? 0 })}
        onTurn={(undecided) => onQuery({ undecided })}
      />
      {of === "files" && (
        <Switch
          on={query.unequal}
          label={say("conflicts.onlyUnequal", { count: counts?.unequal ?? 0 })}
          onTurn={(unequal) => onQuery({ unequal })}
        />
      )}
      <Facets of={of} query={query} onQuery={onQuery} counts={counts} />
      <span className="ml-auto" />
      {children}
      {isOn && (
        <Button small onClick={() => onQuery(everyConflict)}>
          {say("common.showAll")}
        </Button>
      )}
    </div>
  );
}

function Switch({ on, label, onTurn }: { on: boolean; label: string; onTurn: (on: boolean) => void }) {
  return (
    <button
      type="button"
      aria-pressed={on}
      onClick={() => onTurn(!on)}
      className={`flex h-7 items-center rounded-md border px-2 ${on ? "border-pine bg-pine-soft text-pine font-semibold forced-colors:outline-2" : "border-line bg-surface text-ink2"}`}
    >
      {label}
    </button>
  );
}

const facets = ["section", "kind", "tag", "item"] as const;

function Facets({
  of,
  query,
  onQuery,
  counts,
}: Pick<Props, "of" | "query" | "onQuery"> & { counts: ConflictSurvey["counts"] | undefined }) {
  const roster = useEditor((state) => state.roster);
  const list = contestedIn[of];
  const words = useMemo(() => {
    const { sections } = roster.lists[list];
    return {
      section: (id: string) => sections.find((each) => each.id === id)?.name ?? id,
      kind: (kind: string) => (kind === "." ? say("conflicts.withoutExtension") : kind),
      tag: (tag: string) => tag,
      item: (id: string) => (id === "" ? say("conflicts.theGame") : titleOfId(roster, id)),
    };
  }, [roster, list]);
  const labels = {
    section: say("common.section"),
    kind: say("conflicts.kindOfFile"),
    tag: say("common.tags"),
    item: list === "mods" ? say("common.mod") : say("common.plugin"),
  };
  return facets.map((facet) => {
    const found = counts?.[facet] ?? {};
    const value = query[facet];
    const values = [...new Set([...Object.keys(found), ...(value === null ? [] : [value])])];
    if (values.length === 0) return null;
    const options = values
      // A select keeps the empty value for "all".
      .filter((each) => each !== "")
      .map((each) => ({ value: each, words: `${words[facet](each)} (${found[each] ?? 0})` }))
      .sort((a, b) => a.words.localeCompare(b.words));
    return (
      <NarrowBy
        key={facet}
        label={labels[facet]}
        value={value}
        options={options}
        onChoose={(next) => onQuery({ [facet]: next })}
      />
    );
  });
}
