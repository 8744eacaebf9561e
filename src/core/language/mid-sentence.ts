import { spokenLanguage } from "./say";

/** Languages in which a noun keeps its capital wherever it is. */
const keepsCapitals = /^(?:de|lb)\b/;

/** Words with which a line begins elsewhere, as they are inside a sentence. */
export const midSentence = (words: string): string =>
  keepsCapitals.test(spokenLanguage().tag) ? words : words.charAt(0).toLowerCase() + words.slice(1);
