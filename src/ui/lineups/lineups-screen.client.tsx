"use client";

import { say } from "@/core/language/say";
import { useSearchParams } from "next/navigation";
import { useEffect, useState } from "react";
import type { ProfileId } from "@/core/model/ids";
import { useWorkspace } from "../workspace/workspace.client";
import { FollowedList } from "./follow/followed-list";
import { ListIn } from "./in/list-in";
import type { ListSource } from "./in/use-list-in";
import { ListOut } from "./out/list-out";
import { usePendingList } from "./pending-list";
import { PlayTogether } from "./together/play-together";
import { useGo } from "../workspace/use-go";
import { Term } from "../kit/term";
import { PartLinks } from "../workspace/part-links";

const parts = [
  {
    id: "out",
    get label() {
      return say("lineups.out");
    },
  },
  {
    id: "in",
    get label() {
      return say("common.in");
    },
  },
  {
    id: "following",
    get label() {
      return say("lineups.following");
    },
  },
  {
    id: "together",
    get label() {
      return say("lineups.together");
    },
  },
] as const;

/** Lists out of this machine, into it, and the one that the profile follows. */
export function LineupsScreen() {
  const go = useGo();
  const wanted = useSearchParams().get("part");
  const part = parts.find(({ id }) => id === wanted)?.id ?? "out";
  const pending = usePendingList();
  const { editor, switchTo } = useWorkspace();
  const [merging, setMerging] = useState<ListSource | null>(null);
  const merge = async (list: ListSource, profile: ProfileId) => {
    if (profile !== editor.getState().profile.id && !(await switchTo(profile))) return;
    setMerging(list);
    go("/lineups?part=following");
  };
  useEffect(() => {
    if (pending && part !== "in") go("/lineups?part=in");
  }, [pending, part, go]);
  return (
    <div className="flex h-full flex-col">
      <header className="border-line flex min-h-11 shrink-0 flex-wrap items-center gap-y-1 py-1 gap-4 border-b px-4">
        <h1 className="text-lg font-bold">
          <Term word="lineup">{say("common.lineups")}</Term>
        </h1>
        <PartLinks label={say("common.parts")} view="/lineups" parts={parts} present={part} />
      </header>
      {part === "out" && <ListOut />}
      {part === "in" && (
        <ListIn
          onAccepted={() => go("/lineups?part=following")}
          onMerge={(list, profile) => void merge(list, profile)}
        />
      )}
      {part === "following" && <FollowedList opened={merging} onOpened={() => setMerging(null)} />}
      {part === "together" && <PlayTogether />}
    </div>
  );
}
