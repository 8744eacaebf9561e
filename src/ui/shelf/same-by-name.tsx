"use client";

import { say } from "@/core/language/say";
import type { ModId } from "@/core/model/ids";
import { useMemo } from "react";
import { idsApart, sameByName } from "@/core/roster/identity";
import { Button } from "../kit/button";
import { identify } from "../workspace/server";
import { useEditor, useWorkspace } from "../workspace/workspace.client";

const mostNamed = 4;

/** Asks once of entries that only their names make one mod: are they versions of it, or mods of their own? */
export function SameByNameBar() {
  const { shelf, identified } = useEditor((state) => state.view.stock);
  const { unwrap, refresh, tell } = useWorkspace();
  const groups = useMemo(() => sameByName(shelf, identified), [shelf, identified]);
  const [group] = groups;
  if (!group) return null;
  const { id, mods } = group;
  const answer = async (ids: readonly ModId[]) => {
    const done = unwrap(await identify(mods.map(({ path, name }, at) => ({ path, id: ids[at]!, name }))));
    if (done === null) refresh();
    else tell([say("shelf.whatTheyAreWasNotChanged")], "wrong");
  };
  const paths = mods.map(({ path }) => path);
  return (
    <section
      aria-label={say("shelf.versionsOrModsOfTheirOwn")}
      className="border-saffron bg-saffron-soft flex flex-wrap items-center gap-x-3 gap-y-1 border-y px-3 py-1.5"
    >
      <p className="min-w-0 grow">
        {say("shelf.onlyTheirNamesMakeEntriesOne", { count: mods.length })}
        <span className="font-mono text-sm">
          {paths.slice(0, mostNamed).join(", ")}
          {paths.length > mostNamed && say("common.andMore2", { count: paths.length - mostNamed })}
        </span>
        {groups.length > 1 && say("shelf.moreToAsk", { count: groups.length - 1 })}
      </p>
      <Button small onClick={() => void answer(mods.map(() => id))}>
        {say("shelf.versionsOfOneMod")}
      </Button>
      <Button small onClick={() => void answer(idsApart(group, new Set(shelf.map((mod) => mod.id))))}>
        {say("shelf.modsOfTheirOwn")}
      </Button>
    </section>
  );
}
