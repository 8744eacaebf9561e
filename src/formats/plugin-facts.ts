import type { AdditiveList } from "@/core/model/additive-list";
import type { PluginHeader } from "@/core/model/shelf";

/** What any layout tells of a plugin. `records` are their names, which a layout need not have. */
export interface PluginFacts extends Omit<PluginHeader, "records"> {
  readonly recordCount: number;
  readonly records: readonly string[];
  readonly additiveLists: readonly AdditiveList[];
}

export const headerOf = ({
  records: _,
  additiveLists: __,
  recordCount,
  ...facts
}: PluginFacts): PluginHeader => ({
  ...facts,
  masters: [...facts.masters],
  records: recordCount,
});

export const isFileName = (name: string): boolean =>
  name.length > 0 && name.length <= 255 && !/[/\\\p{Cc}]/u.test(name) && name !== "." && name !== "..";
