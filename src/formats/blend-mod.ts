import type { BlendPlugin } from "@/core/blend/blend-plugin";
import { done, refuse, type Outcome } from "@/core/model/outcome";
import type { PluginLayout } from "@/core/model/plugin-layout";
import type { ModManifest } from "@/core/model/shelf";
import { manifestName } from "@/core/roster/fold";
import { writePlugin } from "./plugin";

/** The id of the mod that holds a blend, and what both are called. */
export interface BlendNames {
  readonly id: string;
  readonly name: string;
}

/**
 * The files, by path, of a mod that holds one blend and nothing else: the same plugin and names give the same bytes. Refused where nobody
 * can write plugins of this layout.
 */
export function blendModFiles(
  { id, name }: BlendNames,
  plugin: BlendPlugin,
  layout: PluginLayout | undefined,
): Outcome<ReadonlyMap<string, Uint8Array>, "blend-layout"> {
  if (layout?.container !== "riff" || layout.chunks || (layout.encoding ?? "utf-8") !== "utf-8")
    return refuse("blend-layout");
  const manifest: ModManifest = { format: "seating-mod/1", id, name, version: "1", generated: "blend" };
  const bytes = writePlugin(
    { flags: plugin.flags, info: { INAM: name }, masters: plugin.masters, records: [], lists: plugin.lists },
    layout.formType,
  );
  return done(
    new Map([
      [manifestName, new TextEncoder().encode(`${JSON.stringify(manifest, null, 2)}\n`)],
      [plugin.name, bytes],
    ]),
  );
}
