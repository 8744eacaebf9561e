import { readFileSync } from "node:fs";
import { join } from "node:path";
import { standardLanguage } from "@/core/language/say";
import { guideTasks, type GuideTask } from "@/core/model/guide";
import { root } from "@/disk/places";

/** The pages of the guide as they are written, in a language; those that it lacks are in English. */
export function readGuide(tag: string): Record<GuideTask, string> {
  const folders = [...(tag === standardLanguage.tag ? [] : [tag]), "."];
  const pages = guideTasks.map((task) => [task, readFirst(folders, `${task}.md`)]);
  return Object.fromEntries(pages) as Record<GuideTask, string>;
}

function readFirst(folders: readonly string[], name: string): string {
  for (const folder of folders)
    try {
      return readFileSync(join(root(), "docs", "guide", folder, name), "utf8");
    } catch {
      // Not in this language.
    }
  return "";
}
