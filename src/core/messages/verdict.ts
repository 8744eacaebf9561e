import { say } from "../language/say";
import type { Lack, Verdict } from "../lineup/verdict";
import type { AlteredPlace, Claim, UnsaidPart } from "../model/claim";
import type { Roster } from "../roster/roster";

/** What a verdict says in a few words. */
export function verdictTitle(verdict: Verdict): string {
  switch (verdict.kind) {
    case "exact":
      return say("verdict.reproducedExactly");
    case "as-far":
      return say("verdict.asFarAsTheListSays");
    case "differs":
      return verdict.differences.length > 0
        ? say("verdict.notTheSameSetupDifferences", { count: verdict.differences.length })
        : say("verdict.notTheSameSetup");
    case "not-yet":
      return say("verdict.notYetThingsOfTheList", { count: verdict.lacks.length });
    case "altered":
      return say("verdict.theListWasChangedAfterIt");
  }
}

/** The same for a line of many. */
export function verdictMark(verdict: Verdict): string {
  switch (verdict.kind) {
    case "exact":
      return say("verdict.exactlyItsList");
    case "as-far":
      return say("verdict.asFarAsItsListSays");
    case "differs":
      return say("verdict.notTheSetupOfItsList");
    case "not-yet":
      return say("verdict.ofItsListNotHere", { count: verdict.lacks.length });
    case "altered":
      return say("verdict.itsListWasChanged");
  }
}

/** Why, and what can be done. */
export function verdictText(
  verdict: Verdict,
  { format, fingerprint }: Pick<Claim, "format" | "fingerprint">,
): string {
  switch (verdict.kind) {
    case "exact":
      return say("verdict.theFingerprintThatItsAuthorS");
    case "as-far":
      return verdict.unsaid.length > 0
        ? say("verdict.itCarriesNoFingerprintOfIts")
        : say("verdict.itCarriesNoFingerprintOfIts2");
    case "differs":
      if (fingerprint === null) return say("verdict.notAllThatTheListSays");
      return verdict.differences.length > 0
        ? say("verdict.theFingerprintThatItsAuthorS2")
        : say("verdict.allThatTheListSaysHolds", { format });
    case "not-yet":
      return verdict.lacks.some(({ what }) => what !== "missing")
        ? say("verdict.whatIsOnInTheList")
        : say("verdict.whatIsOnInTheList2");
    case "altered":
      return say("verdict.whatItSaysIsNotWhat");
  }
}

/** What the sentence before introduces, one by one; what differs is told with what it does, and so apart. */
export function verdictReasons(verdict: Verdict, sayUnsaid: (part: UnsaidPart) => string): string[] {
  switch (verdict.kind) {
    case "exact":
      return [];
    case "altered":
      return verdict.places.map((place) => placeWords[place]);
    case "not-yet":
      return verdict.lacks.map(lackText);
    case "as-far":
      return verdict.unsaid.map(sayUnsaid);
    case "differs":
      return verdict.differences.length > 0 ? [] : [...verdict.unsaid, "base" as const].map(sayUnsaid);
  }
}

export const placeWords: Readonly<Record<AlteredPlace, string>> = {
  get mods() {
    return say("verdict.placeWords.mods");
  },
  get plugins() {
    return say("verdict.placeWords.plugins");
  },
  get options() {
    return say("verdict.placeWords.options");
  },
  get leftOut() {
    return say("verdict.placeWords.leftOut");
  },
  get expansions() {
    return say("verdict.placeWords.expansions");
  },
  get baseItems() {
    return say("verdict.placeWords.baseItems");
  },
  get launch() {
    return say("verdict.placeWords.launch");
  },
  get sections() {
    return say("verdict.placeWords.sections");
  },
  get rules() {
    return say("verdict.placeWords.rules");
  },
  get digests() {
    return say("verdict.placeWords.digests");
  },
  get fingerprint() {
    return say("verdict.placeWords.fingerprint");
  },
};

/** What a list does not say. */
export const unsaidWords: Readonly<Record<UnsaidPart, string>> = {
  get game() {
    return say("verdict.unsaidWords.game");
  },
  get mods() {
    return say("verdict.unsaidWords.mods");
  },
  get plugins() {
    return say("verdict.unsaidWords.plugins");
  },
  get versions() {
    return say("verdict.unsaidWords.versions");
  },
  get hashes() {
    return say("verdict.unsaidWords.hashes");
  },
  get off() {
    return say("verdict.unsaidWords.off");
  },
  get parts() {
    return say("verdict.unsaidWords.parts");
  },
  get "left-out"() {
    return say("facets.many.leftOut");
  },
  get settings() {
    return say("verdict.unsaidWords.settings");
  },
  get base() {
    return say("verdict.unsaidWords.base");
  },
};

/** The same, with what the profile has instead. */
export function unsaidText(part: UnsaidPart, roster: Roster): string {
  return say("verdict.here", { unsaidWord: unsaidWords[part], value: hereInstead[part](roster) });
}

const loading = (all: readonly { readonly loads: boolean }[]) => all.filter(({ loads }) => loads).length;

const hereInstead: Readonly<Record<UnsaidPart, (roster: Roster) => string>> = {
  game: ({ game }) => game.version,
  mods: ({ profile }) => say("verdict.hereInstead.mods", { name: profile.name }),
  plugins: ({ plugins }) => say("verdict.hereInstead.plugins", { loading: loading(plugins) }),
  versions: () => say("verdict.hereInstead.versions"),
  hashes: () => say("verdict.hereInstead.hashes"),
  off: ({ mods }) => say("verdict.hereInstead.off", { count: mods.length - loading(mods) }),
  parts: ({ profile: { state } }) => say("verdict.hereInstead.parts", { count: state.choices.length }),
  "left-out": ({ profile: { state } }) =>
    state.leftOut.length === 0 ? say("verdict.hereInstead.left-out") : String(state.leftOut.length),
  settings: ({ profile: { state } }) =>
    say("verdict.hereInstead.settings", {
      count: state.expansions.length,
      count2: state.baseOff.length,
      count3: Object.keys(state.launch).length + state.settings.length,
    }),
  base: ({ stock }) => say("verdict.hereInstead.base", { count: stock.base.length }),
};

export function lackText({ what, item }: Lack): string {
  switch (what) {
    case "missing":
      return say("verdict.notHere", { item });
    case "unmatched":
      return say("verdict.nothingWasKnownByThatName", { item });
    case "unsure":
      return say("verdict.nobodyHasSaidWhatItMeans", { item });
  }
}

/** Where a list is not as it went out. */
export const alteredText = (places: readonly AlteredPlace[]): string =>
  say("verdict.theListWasChangedAfterIt2", { places: places.map((place) => placeWords[place]).join("; ") });
