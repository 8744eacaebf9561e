"use client";

import { say } from "@/core/language/say";
import { useEffect, useState } from "react";
import { guideMark, readGuidePlace, type GuidePlace } from "@/core/model/guide";
import { Brand } from "../frame/brand";
import { GuideReader } from "./guide-reader";

const placeInAddress = (): GuidePlace => readGuidePlace(location.hash.slice(1)) ?? { page: "first-evening" };

/** The guide in a window of its own; the address says what is read. */
export function GuideScreen() {
  const [place, setPlace] = useState<GuidePlace | null>(null);
  useEffect(() => {
    const follow = () => setPlace(placeInAddress());
    follow();
    window.addEventListener("hashchange", follow);
    return () => window.removeEventListener("hashchange", follow);
  }, []);
  return (
    <div className="flex h-screen flex-col">
      <header className="border-line bg-surface flex h-12 shrink-0 items-center gap-3 border-b px-3">
        <Brand />
        <span className="text-lg font-bold">{say("guide.title")}</span>
      </header>
      <main className="bg-surface flex min-h-0 grow">
        {place && (
          <GuideReader
            isPage
            place={place}
            onGo={(to) => {
              location.hash = guideMark(to);
            }}
          />
        )}
      </main>
    </div>
  );
}
