import { diffLines } from "diff";
import { useMemo } from "react";
import { say } from "@/core/language/say";

/** More lines that are alike are folded. */
const context = 3;

/** Lines of the one that the other lacks, and the other way round, each with its sign. */
export function TextDifference({ one, other }: { one: string; other: string }) {
  const pieces = useMemo(() => diffLines(one, other), [one, other]);
  return (
    <pre
      tabIndex={0}
      aria-label={say("conflicts.difference")}
      className="border-line bg-sunk max-h-[45vh] overflow-auto rounded-md border p-2 font-mono text-sm"
    >
      {pieces.map(({ value, added, removed }, at) => {
        const lines = value.replace(/\n$/, "").split("\n");
        if (added || removed)
          return lines.map((line, n) => (
            <span
              key={`${at} ${n}`}
              className={`block ${added ? "bg-pine-soft text-pine" : "bg-brick-soft text-brick"}`}
            >
              <span className="sr-only">{say(added ? "conflicts.onlySecond" : "conflicts.onlyFirst")} </span>
              {added ? "+ " : "− "}
              {line}
            </span>
          ));
        return <Alike key={at} lines={lines} isFirst={at === 0} isLast={at === pieces.length - 1} />;
      })}
    </pre>
  );
}

function Alike({ lines, isFirst, isLast }: { lines: readonly string[]; isFirst: boolean; isLast: boolean }) {
  const head = isFirst ? [] : lines.slice(0, context);
  const tail = isLast ? [] : lines.slice(-context);
  const shown = lines.length <= 2 * context ? lines : null;
  const row = (line: string, at: string) => (
    <span key={at} className="block">
      {"  "}
      {line}
    </span>
  );
  if (shown) return shown.map((line, at) => row(line, String(at)));
  return (
    <>
      {head.map((line, at) => row(line, `head ${at}`))}
      <span className="text-ink3 block">
        {say("conflicts.alikeLines", { count: lines.length - head.length - tail.length })}
      </span>
      {tail.map((line, at) => row(line, `tail ${at}`))}
    </>
  );
}
