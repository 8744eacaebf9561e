import { useSyncExternalStore } from "react";
import { speak, spokenLanguage, standardLanguage, type Language } from "@/core/language/say";
import { languageCookie } from "@/core/model/window-headers";
import { listeningTo } from "../kit/listening";

const listeners = new Set<() => void>();

/** In what a window begins to speak: before anything of it is drawn. */
export function beginSpeaking(language: Language): void {
  speak(() => language);
}

/** From now on the window speaks that, and says so with whatever it asks of the server. */
function speakFromNow(language: Language): void {
  beginSpeaking(language);
  document.documentElement.lang = language.tag;
  document.cookie = `${languageCookie}=${language.tag}; path=/; max-age=315360000; samesite=strict`;
  for (const listener of listeners) listener();
}

/** Languages of which there is a catalogue, by their tags. */
export const readLanguages = async (): Promise<readonly string[]> =>
  (await (await fetch("/api/languages")).json()) as readonly string[];

export async function switchLanguage(tag: string): Promise<void> {
  if (tag === standardLanguage.tag) return speakFromNow(standardLanguage);
  const answer = await fetch(`/api/languages/${tag}`);
  if (answer.ok) speakFromNow((await answer.json()) as Language);
}

const subscribe = listeningTo(listeners);

const tag = (): string => spokenLanguage().tag;

/** The tag of what is spoken; what is drawn below a key of it is drawn anew in another language. */
export const useSpoken = (): string => useSyncExternalStore(subscribe, tag, tag);
