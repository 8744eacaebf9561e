import { say } from "@/core/language/say";
import { hueCount } from "./hues";
import { Swatch } from "./swatch";

/** One of the colours; with `orNone` also none, which is null. */
export function HueChoice({
  value,
  orNone = false,
  onChoose,
}: {
  value: number | null;
  orNone?: boolean;
  onChoose: (hue: number | null) => void;
}) {
  const choices = [...(orNone ? [null] : []), ...Array.from({ length: hueCount }, (_, at) => at)];
  return (
    <fieldset>
      <legend className="text-ink2 mb-1 text-sm font-semibold">{say("kit.colour")}</legend>
      <div className="flex gap-1">
        {choices.map((each) => (
          <button
            key={String(each)}
            type="button"
            aria-pressed={value === each}
            aria-label={each === null ? say("kit.noColour") : say("kit.colour2", { each: each + 1 })}
            onClick={() => onChoose(each)}
            className={`flex h-7 w-7 items-center justify-center rounded-md border ${value === each ? "border-ink" : "hover:bg-sunk border-transparent"}`}
          >
            <Swatch hue={each} />
          </button>
        ))}
      </div>
    </fieldset>
  );
}
