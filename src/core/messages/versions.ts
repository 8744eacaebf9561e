import { say } from "../language/say";
import type { VersionDifference } from "../edit/versions";

const mostNamed = 4;

const named = (names: readonly string[]): string =>
  names.length > mostNamed
    ? say("versions.andMore", {
        names: names.slice(0, mostNamed).join(", "),
        count: names.length - mostNamed,
      })
    : names.join(", ");

type Thing = "plugins" | "masters" | "requirements" | "parts" | "files";

const line = (thing: Thing, what: string, names: readonly string[]): string[] =>
  names.length > 0
    ? [
        say("versions.line", {
          things: say(`versions.things.${thing}`, { count: names.length }),
          what,
          names: named(names),
        }),
      ]
    : [];

/** What another version of a mod changes, a line for each kind of thing; one line where nothing does. */
export function versionLines(difference: VersionDifference): string[] {
  const { filesAdded, filesGone, filesChanged, pluginsAdded, pluginsGone, pluginsChanged } = difference;
  const lines = [
    ...line("plugins", say("versions.new"), pluginsAdded),
    ...line("plugins", say("versions.gone"), pluginsGone),
    ...pluginsChanged.flatMap(({ name, mastersAdded, mastersGone, records: [was, is] }) => [
      ...line("masters", say("versions.ofNew", { name }), mastersAdded),
      ...line("masters", say("versions.ofGone", { name }), mastersGone),
      ...(was === is ? [] : [`${name}: ${was} → ${say("versions.records", { is })}`]),
    ]),
    ...line("requirements", say("versions.new"), difference.requirementsAdded),
    ...line("requirements", say("versions.gone"), difference.requirementsGone),
    ...line("parts", say("versions.new"), difference.partsAdded),
    ...line("parts", say("versions.gone"), difference.partsGone),
    ...line("files", say("versions.new"), filesAdded),
    ...line("files", say("versions.gone"), filesGone),
    ...line("files", say("versions.changed"), filesChanged),
  ];
  return lines.length > 0 ? lines : [say("versions.theSameFilesPluginsAndRequirements")];
}
