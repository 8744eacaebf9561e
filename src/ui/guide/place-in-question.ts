import { guideMark, readGuidePlace, type GuidePlace } from "@/core/model/guide";

const ofLineups: Readonly<Record<string, GuidePlace>> = {
  in: { page: "follow" },
  out: { page: "share" },
  following: { page: "follow" },
  together: { page: "play-together" },
};

const ofViews: Readonly<Record<string, GuidePlace>> = {
  "/overview": { page: "when-something-is-wrong" },
  "/shelf": { page: "extend-a-list" },
  "/plan": { page: "order-plugins" },
  "/conflicts": { page: "conflicts" },
  "/blend": { page: "blend" },
  "/layout": { page: "own-game" },
  "/health": { page: "when-something-is-wrong" },
  "/rules": { page: "correct-and-remember" },
  "/profiles": { page: "several-profiles" },
  "/depot": { page: "extend-a-list" },
  "/settings": { page: "your-data" },
};

/** Where in the guide that is which is explained just now, or has the focus: what says so itself, else the view. */
export function placeInQuestion(): GuidePlace {
  const explained = document.querySelector<HTMLElement>("[data-guide][data-state$='-open']");
  const marked = explained?.dataset.guide ?? markedAt(document.activeElement);
  const place = marked === undefined ? null : readGuidePlace(marked);
  if (place) return place;
  const { pathname, search } = location;
  if (pathname === "/lineups") return ofLineups[new URLSearchParams(search).get("part") ?? "out"]!;
  return ofViews[pathname] ?? { page: "first-evening" };
}

/** What stands at the keyboard's place in a grid says more than the grid itself. */
function markedAt(focused: Element | null): string | undefined {
  const active = document.getElementById(focused?.getAttribute("aria-activedescendant") ?? "");
  const within = active?.querySelector<HTMLElement>("[data-guide]");
  return (within ?? focused?.closest<HTMLElement>("[data-guide]"))?.dataset.guide;
}

/** In a window of its own: where a dialog has the focus, or there is no panel. */
export function openGuideApart(place: GuidePlace): void {
  window.open(`/guide#${guideMark(place)}`, "seating-guide");
}
