import { say } from "../language/say";
import type { GuideWord } from "../model/guide";

export const wordTitle = (word: GuideWord): string => say(`glossary.${word}.word`);
export const wordText = (word: GuideWord): string => say(`glossary.${word}.text`);
