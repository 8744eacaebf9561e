import { readFileSync } from "node:fs";
import { join } from "node:path";
import { fileURLToPath } from "node:url";
import { speak, type Catalogue } from "@/core/language/say";
import { home } from "@/disk/places";

/** The languages that ship lie beside the folder of this program; others in the data folder. */
const shipped = fileURLToPath(new URL("../languages", import.meta.url));

/** Speaks as the environment says (POSIX: LC_ALL before LC_MESSAGES before LANG), where there is a catalogue of it. */
export function speakAsEnvironment(env: NodeJS.ProcessEnv): void {
  const locale = env.LC_ALL || env.LC_MESSAGES || env.LANG || "";
  const tag = /^[a-z]{2,3}/.exec(locale)?.[0];
  if (!tag || tag === "en") return;
  for (const folder of [join(home(), "languages"), shipped])
    try {
      const texts = JSON.parse(readFileSync(join(folder, `${tag}.json`), "utf8")) as Catalogue;
      return speak(() => ({ tag, texts }));
    } catch {
      // None there: the next, or English.
    }
}
