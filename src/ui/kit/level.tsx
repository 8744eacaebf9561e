import { say } from "@/core/language/say";
import { levels, type Level } from "@/core/model/finding";

/** What findings of a level are called, one or so many. */
export const levelWord = (level: Level, count = 1): string => say(`level.${level}`, { count });

/** A level by shape and colour: an octagon, a diamond, a ring. The word stands beside it or in `label`. */
export function LevelMark({ level, label, size = 12 }: { level: Level; label?: string; size?: number }) {
  const hidden = label === undefined;
  return (
    <svg
      width={size}
      height={size}
      viewBox="0 0 12 12"
      role={hidden ? undefined : "img"}
      aria-hidden={hidden}
      aria-label={label}
      className={`shrink-0 ${level === "blocker" ? "text-brick" : level === "problem" ? "text-saffron" : "text-slate"}`}
    >
      {label && <title>{label}</title>}
      {level === "blocker" && <path fill="currentColor" d="M3.6 0h4.8L12 3.6v4.8L8.4 12H3.6L0 8.4V3.6Z" />}
      {level === "problem" && <path fill="currentColor" d="M6 0l6 6-6 6-6-6Z" />}
      {level === "hint" && <circle cx="6" cy="6" r="4.6" fill="none" stroke="currentColor" strokeWidth="2" />}
    </svg>
  );
}

/** How many there are of each level, by shape, number and word. */
export const LevelCounts = ({ counts }: { counts: Readonly<Record<Level, number>> }) =>
  levels.map((level) => (
    <span key={level} className="text-ink2 flex items-center gap-1.5">
      <LevelMark level={level} />
      {counts[level]} {levelWord(level, counts[level])}
    </span>
  ));
