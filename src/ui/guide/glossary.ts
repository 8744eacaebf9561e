import { say } from "@/core/language/say";
import { wordText, wordTitle } from "@/core/messages/glossary";
import { guideWords, type GuideWord } from "@/core/model/guide";
import { guidePart, type GuidePage } from "@/formats/guide/page";

/** The words by their alphabet in the language that is spoken. */
const sorted = (): GuideWord[] => [...guideWords].sort((a, b) => wordTitle(a).localeCompare(wordTitle(b)));

export const glossaryPage = (): GuidePage => ({
  id: "glossary",
  title: say("glossary.title"),
  parts: [
    guidePart("", say("glossary.title"), say("glossary.intro")),
    ...sorted().map((word) => guidePart(word, wordTitle(word), wordText(word))),
  ],
});

/** The same as a file of the guide. */
export const glossaryMarkdown = (): string =>
  [
    `# ${say("glossary.title")}`,
    say("glossary.intro"),
    ...sorted().map((word) => `## ${wordTitle(word)}\n\n${wordText(word)}`),
  ].join("\n\n") + "\n";
