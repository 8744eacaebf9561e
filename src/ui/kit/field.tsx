import { useId, type ComponentProps, type ReactNode } from "react";

export const inputLook =
  "h-8 w-full rounded-md border border-line bg-surface px-2.5 text-base text-ink placeholder:text-ink3 aria-invalid:border-brick";

export interface LabelledProps {
  readonly label: string;
  readonly hint?: string | undefined;
  /** What is the matter with what it holds. */
  readonly error?: string | null | undefined;
  /** The label stands beside it, not above it. */
  readonly beside?: boolean | undefined;
}

/** What ties a field to its label and to what is said of it. */
export interface Ties {
  readonly id: string;
  readonly describedBy: string | undefined;
  readonly isWrong: boolean;
}

/** A label and what holds the value, with what is said of it tied to it. */
export function Labelled({
  label,
  hint,
  error,
  beside = false,
  children,
}: LabelledProps & { children: (ties: Ties) => ReactNode }) {
  const id = useId();
  const [hintId, errorId] = [`${id}-hint`, `${id}-error`];
  const describedBy = [hint && hintId, error && errorId].filter(Boolean).join(" ") || undefined;
  return (
    <div className={beside ? "flex flex-wrap items-center gap-2.5" : ""}>
      <label htmlFor={id} className={`text-ink2 text-sm font-semibold ${beside ? "shrink-0" : "mb-1 block"}`}>
        {label}
      </label>
      {children({ id, describedBy, isWrong: Boolean(error) })}
      {hint && (
        <p id={hintId} className="text-ink3 mt-1 text-sm">
          {hint}
        </p>
      )}
      <p id={errorId} role="alert" className="text-brick mt-1 empty:hidden">
        {error}
      </p>
    </div>
  );
}

/** Text under its label. */
export function Field({ label, hint, error, ...rest }: Omit<ComponentProps<"input">, "id"> & LabelledProps) {
  return (
    <Labelled label={label} hint={hint} error={error}>
      {({ id, describedBy, isWrong }) => (
        <input
          className={inputLook}
          {...rest}
          id={id}
          aria-describedby={[rest["aria-describedby"], describedBy].filter(Boolean).join(" ") || undefined}
          aria-invalid={isWrong || rest["aria-invalid"] || undefined}
        />
      )}
    </Labelled>
  );
}
