import { Choice } from "../kit/choice";
import { useKept, type Kept } from "../kit/kept";

/** A setting of this browser, one of several. */
export function KeptChoice<T extends string>({
  title,
  kept,
  choices,
}: {
  title: string;
  kept: Kept<T>;
  choices: readonly (readonly [T, string])[];
}) {
  const [chosen, choose] = useKept(kept);
  return (
    <fieldset className="space-y-1">
      <legend className="mb-1 text-lg font-bold">{title}</legend>
      {choices.map(([value, words]) => (
        <Choice key={value} name={title} checked={chosen === value} onChoose={() => choose(value)}>
          {words}
        </Choice>
      ))}
    </fieldset>
  );
}
