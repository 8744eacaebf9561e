import type { Refusal, RefusalCode, RefusalData } from "./refusal";

export interface Refused<Code extends RefusalCode = RefusalCode> {
  readonly ok: false;
  readonly refusal: Refusal<Code>;
}
export type Outcome<T, Code extends RefusalCode = RefusalCode> =
  { readonly ok: true; readonly value: T } | Refused<Code>;

export const done = <T>(value: T): { readonly ok: true; readonly value: T } => ({ ok: true, value });

/** A refusal with just what its sentence says; a code without data needs none. */
export const refuse = <Code extends RefusalCode>(
  code: Code,
  ...[data]: Record<never, never> extends RefusalData[Code] ? [] : [data: RefusalData[Code]]
): Refused<Code> => ({
  ok: false,
  // Of one code the data fit, which a union of codes loses.
  refusal: { code, data: data ?? {} } as unknown as Refusal<Code>,
});
