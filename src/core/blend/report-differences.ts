import canonicalize from "canonicalize";
import type { Marks } from "../model/additive-list";
import type { BlendReport } from "../model/blend-report";

type Clash = BlendReport["clashes"][number];
type Left = BlendReport["left"][number];

/** By what two reports of a blend differ. Of a clash or a list that is left null stands where there was none. */
export type ReportDifference =
  | { readonly kind: "came" | "went"; readonly plugin: string }
  | {
      readonly kind: "version";
      readonly plugin: string;
      readonly before: string | null;
      readonly after: string | null;
    }
  | {
      readonly kind: "marks";
      readonly plugin: string;
      readonly before: Marks | null;
      readonly after: Marks | null;
    }
  | { readonly kind: "entries"; readonly plugin: string; readonly before: number; readonly after: number }
  | {
      readonly kind: "clash";
      readonly record: string;
      readonly name: string;
      readonly before: string | null;
      readonly after: string | null;
    }
  | {
      readonly kind: "left";
      readonly record: string;
      readonly before: Left["why"] | null;
      readonly after: Left["why"] | null;
    };

export function reportDifferences(before: BlendReport, after: BlendReport): ReportDifference[] {
  const [old, now] = [before, after].map(({ plugins }) => new Map(plugins.map((each) => [each.name, each])));
  const went = before.plugins
    .filter(({ name }) => !now!.has(name))
    .map(({ name }): ReportDifference => ({ kind: "went", plugin: name }));
  const others = after.plugins.flatMap((plugin): ReportDifference[] => {
    const earlier = old!.get(plugin.name);
    if (!earlier) return [{ kind: "came", plugin: plugin.name }];
    const differs = (key: "version" | "marks" | "entries") =>
      canonicalize(earlier[key]) !== canonicalize(plugin[key]);
    return (["version", "marks", "entries"] as const)
      .filter(differs)
      .map(
        (kind) =>
          ({ kind, plugin: plugin.name, before: earlier[kind], after: plugin[kind] }) as ReportDifference,
      );
  });
  return [...went, ...others, ...clashDifferences(before, after), ...leftDifferences(before, after)];
}

const clashDifferences = (before: BlendReport, after: BlendReport): ReportDifference[] =>
  pairs(before.clashes, after.clashes, ({ record, name }: Clash) => JSON.stringify([record, name]))
    .filter(([a, b]) => a?.won !== b?.won)
    .map(([a, b]) => {
      const { record, name } = a ?? b;
      return { kind: "clash", record, name, before: a?.won ?? null, after: b?.won ?? null };
    });

const leftDifferences = (before: BlendReport, after: BlendReport): ReportDifference[] =>
  pairs(before.left, after.left, ({ record }: Left) => record)
    .filter(([a, b]) => a?.why !== b?.why)
    .map(([a, b]) => ({
      kind: "left",
      record: (a ?? b).record,
      before: a?.why ?? null,
      after: b?.why ?? null,
    }));

/** What stands under the same key on both sides, or on one alone. */
function pairs<T>(before: readonly T[], after: readonly T[], keyOf: (item: T) => string) {
  const later = new Map(after.map((item) => [keyOf(item), item]));
  const known = new Set(before.map(keyOf));
  return [
    ...before.map((item) => [item, later.get(keyOf(item))] as const),
    ...after.filter((item) => !known.has(keyOf(item))).map((item) => [undefined, item] as const),
  ];
}
