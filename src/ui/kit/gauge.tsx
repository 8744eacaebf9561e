import { say } from "@/core/language/say";
/** How much of a number of places is used; past the cap it is drawn in the blocker colour. */
export function Gauge({
  label,
  used,
  cap,
  wide = false,
}: {
  label: string;
  used: number;
  cap: number;
  wide?: boolean;
}) {
  const share = Math.min(1, used / cap);
  const over = used > cap;
  return (
    <span className="inline-flex items-center gap-1.5">
      <span className={`text-ink2 ${wide ? "w-11" : ""}`}>{label}</span>
      <span
        role="meter"
        aria-label={say("kit.placesUsed", { label })}
        aria-valuenow={used}
        aria-valuemin={0}
        aria-valuemax={cap}
        className={`inline-block h-2 overflow-hidden rounded-sm bg-ground forced-colors:border ${wide ? "w-40" : "w-18"}`}
      >
        <span
          className={`block h-full forced-colors:bg-[CanvasText] ${over ? "bg-brick" : "bg-pine"}`}
          style={{ width: `${Math.max(share * 100, used > 0 ? 3 : 0)}%` }}
        />
      </span>
      <span className={`font-mono ${over ? "font-bold text-brick" : "text-ink2"}`}>
        {used}/{cap}
      </span>
    </span>
  );
}
