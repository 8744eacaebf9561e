"use client";

import { say } from "@/core/language/say";
import { levels } from "@/core/model/finding";
import { titleOfId } from "@/core/roster/roster";
import { Button } from "../kit/button";
import { LevelMark, levelWord } from "../kit/level";
import { useEditor } from "../workspace/workspace.client";
import type { HealthAddress } from "./health-address";
import type { healthRows } from "./health-rows";

interface Props {
  address: HealthAddress;
  onAddress: (part: Partial<HealthAddress>) => void;
  shown: ReturnType<typeof healthRows>;
}

/** Which levels are shown, with how many there are of each, and how much is hidden. */
export function HealthFilterBar({ address: { hidden, text, fresh, item }, onAddress, shown }: Props) {
  const roster = useEditor((state) => state.roster);
  const isNarrowed = hidden.length > 0 || text.trim() !== "" || fresh || item !== null;
  return (
    <div
      role="search"
      aria-label={say("health.filter")}
      className={`flex shrink-0 flex-wrap items-center gap-2 border-b px-3 py-1.5 ${isNarrowed ? "border-saffron bg-saffron-soft" : "border-line bg-sunk"}`}
    >
      {levels.map((level) => {
        const isShown = !hidden.includes(level);
        return (
          <button
            key={level}
            type="button"
            aria-pressed={isShown}
            onClick={() =>
              onAddress({ hidden: isShown ? [...hidden, level] : hidden.filter((each) => each !== level) })
            }
            className={`flex h-7 items-center gap-1.5 rounded-md border px-2 ${isShown ? "border-line bg-surface text-ink font-semibold" : "border-line text-ink3 line-through"}`}
          >
            <LevelMark level={level} />
            <span className="font-mono text-sm">{shown.counts[level]}</span>
            {levelWord(level, shown.counts[level])}
          </button>
        );
      })}
      {(fresh || shown.fresh > 0) && (
        <button
          type="button"
          aria-pressed={fresh}
          onClick={() => onAddress({ fresh: !fresh })}
          className={`flex h-7 items-center rounded-md border px-2 ${fresh ? "border-pine bg-pine-soft text-pine font-semibold forced-colors:outline-2" : "border-line bg-surface text-ink2"}`}
        >
          {say("health.onlyNew", { count: shown.fresh })}
        </button>
      )}
      {item !== null && (
        <Button small onClick={() => onAddress({ item: null })}>
          {say("health.onlyOf", { item: titleOfId(roster, item) })}
        </Button>
      )}
      <span className="text-ink2 ml-auto" role="status">
        {shown.hidden > 0 && say("health.hidden", { count: shown.hidden })}
      </span>
      {isNarrowed && (
        <Button small onClick={() => onAddress({ hidden: [], text: "", fresh: false, item: null })}>
          {say("common.showAll")}
        </Button>
      )}
    </div>
  );
}
