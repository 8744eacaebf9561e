import { useEffect, useState } from "react";
import { spokenLanguage } from "@/core/language/say";
import { guideTasks, type GuideTask } from "@/core/model/guide";
import { readGuidePage, type GuidePage } from "@/formats/guide/page";
import { glossaryPage } from "./glossary";

const read = new Map<string, Promise<readonly GuidePage[]>>();

async function readPages(tag: string): Promise<readonly GuidePage[]> {
  const answer = await fetch(`/api/guide/${tag}`);
  if (!answer.ok) throw new Error(`the guide was not read (${answer.status})`);
  const written = (await answer.json()) as Record<GuideTask, string>;
  return [...guideTasks.map((task) => readGuidePage(task, written[task])), glossaryPage()];
}

/** The guide in the language that is spoken, read once a window; null while it is read, "failed" where the server does not answer. */
export function useGuide(): readonly GuidePage[] | null | "failed" {
  const { tag } = spokenLanguage();
  const [pages, setPages] = useState<readonly GuidePage[] | null | "failed">(null);
  useEffect(() => {
    let wanted = true;
    const reading = read.get(tag) ?? readPages(tag);
    read.set(tag, reading);
    reading.then(
      (found) => wanted && setPages(found),
      () => {
        read.delete(tag);
        if (wanted) setPages("failed");
      },
    );
    return () => {
      wanted = false;
    };
  }, [tag]);
  return pages;
}
