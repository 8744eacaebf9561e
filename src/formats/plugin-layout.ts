import type { Outcome } from "@/core/model/outcome";
import type { PluginLayout } from "@/core/model/plugin-layout";
import { factsOfPlugin } from "./plugin";
import type { PluginFacts } from "./plugin-facts";
import { readTagged } from "./tagged-records";
import type { ProblemCode } from "@/core/model/refusal";

/** Reads what a game's layout says of a plugin, whatever bytes it has. */
export const readPluginFacts = (
  bytes: Uint8Array,
  layout: PluginLayout,
): Outcome<PluginFacts, ProblemCode> =>
  layout.container === "riff" ? factsOfPlugin(bytes, layout) : readTagged(bytes, layout);
