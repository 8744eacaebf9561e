import { done, refuse, type Outcome } from "@/core/model/outcome";
import type { FileKind } from "@/core/model/refusal";

const kinds: readonly FileKind[] = ["lineup", "game", "order-problem", "order-result", "rulebook"];

/** Refuses what says itself that it is something else; what says nothing is looked at closer by whoever reads it. */
export function expectKind(value: unknown, wanted: FileKind, name: string): Outcome<unknown> {
  const format = typeof value === "object" && value !== null && "format" in value ? value.format : null;
  const is = kinds.find((kind) => typeof format === "string" && format.startsWith(`seating-${kind}/`));
  return is && is !== wanted ? refuse("other-kind", { name, is, wanted }) : done(value);
}
