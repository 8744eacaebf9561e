import type { VersionDifference } from "../edit/versions";
import { plural } from "./parts";

const mostNamed = 4;

const named = (names: readonly string[]): string =>
  names.length > mostNamed
    ? `${names.slice(0, mostNamed).join(", ")} and ${names.length - mostNamed} more`
    : names.join(", ");

const line = (count: number, noun: string, what: string, names: readonly string[]): string[] =>
  count > 0 ? [`${plural(count, noun)} ${what}: ${named(names)}`] : [];

/** What another version of a mod changes, a line for each kind of thing; one line where nothing does. */
export function versionLines(difference: VersionDifference): string[] {
  const { filesAdded, filesGone, filesChanged, pluginsAdded, pluginsGone, pluginsChanged } = difference;
  const lines = [
    ...line(pluginsAdded.length, "plugin", "new", pluginsAdded),
    ...line(pluginsGone.length, "plugin", "gone", pluginsGone),
    ...pluginsChanged.flatMap(({ name, mastersAdded, mastersGone, records: [was, is] }) => [
      ...line(mastersAdded.length, "master", `of ${name} new`, mastersAdded),
      ...line(mastersGone.length, "master", `of ${name} gone`, mastersGone),
      ...(was === is ? [] : [`${name}: ${was} → ${plural(is, "record")}`]),
    ]),
    ...line(difference.requirementsAdded.length, "requirement", "new", difference.requirementsAdded),
    ...line(difference.requirementsGone.length, "requirement", "gone", difference.requirementsGone),
    ...line(difference.partsAdded.length, "part", "new", difference.partsAdded),
    ...line(difference.partsGone.length, "part", "gone", difference.partsGone),
    ...line(filesAdded.length, "file", "new", filesAdded),
    ...line(filesGone.length, "file", "gone", filesGone),
    ...line(filesChanged.length, "file", "changed", filesChanged),
  ];
  return lines.length > 0 ? lines : ["The same files, plugins and requirements."];
}
