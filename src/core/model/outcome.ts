/** An action that could not be done, as data; its sentence stands in core/messages. */
export interface Refusal {
  readonly code: string;
  readonly data: Readonly<Record<string, string | number>>;
}

export type Outcome<T> =
  { readonly ok: true; readonly value: T } | { readonly ok: false; readonly refusal: Refusal };

export const done = <T>(value: T): Outcome<T> => ({ ok: true, value });

export const refuse = (code: string, data: Refusal["data"] = {}): { ok: false; refusal: Refusal } => ({
  ok: false,
  refusal: { code, data },
});
