"use client";

import { say } from "@/core/language/say";
import { useMemo, useState } from "react";
import { stateOfList } from "@/core/lineup/state-of-list";
import { isSameList, versionRelation } from "@/core/lineup/same-list";
import { alteredText } from "@/core/messages/verdict";
import { relationText } from "@/core/messages/list-versions";
import { compareFacts } from "@/core/lineup/compare";
import { factsHere, factsOfLineup } from "@/core/lineup/fingerprint";
import { clashKey, mergeStates, type Clash } from "@/core/compare/states";
import type { Side } from "@/core/state/three-way";
import { clashWords, sayClashSide, type ClashNames } from "@/core/messages/clashes";
import { label } from "@/core/edit/steps";
import type { Claim } from "@/core/model/claim";
import type { Lineup } from "@/core/model/lineup";
import { foldName } from "@/core/roster/fold";
import { findItem, makeRoster, titleOf } from "@/core/roster/roster";
import { Button } from "../../kit/button";
import { Choice } from "../../kit/choice";
import { Differences } from "../../profiles/differences";
import { keepList } from "../keep-list";
import { useEditor, useWorkspace } from "../../workspace/workspace.client";
import { LostChanges } from "./lost-changes";
import type { Followed } from "./use-followed";

/** Another version of the list that the profile follows: merged with what was changed here, and taken over in part or whole. */
export function MergeView({
  followed,
  next,
  claim,
  onDone,
}: {
  followed: Followed;
  next: Lineup;
  claim: Claim;
  onDone: () => void;
}) {
  const { unwrap, editor, propose } = useWorkspace();
  const { game, stock } = useEditor((state) => state.view);
  const profile = useEditor((state) => state.profile);
  const [decisions, setDecisions] = useState<Readonly<Record<string, Side>>>({});
  // What was mine when the merging began: taking over a part of it must not change what there is to take over.
  const [mine] = useState(profile.state);
  const theirs = useMemo(() => stateOfList(game, { lineup: next, claim }, stock), [game, next, claim, stock]);
  const base = followed.pure.profile.state;
  const ownerOf = useMemo(() => {
    const owners = new Map(
      [...followed.lineup.plugins, ...next.plugins].map(({ name, mod }) => [foldName(game, name), mod]),
    );
    return (plugin: string) => owners.get(foldName(game, plugin));
  }, [game, followed, next]);
  const merged = useMemo(
    () => mergeStates([base, mine, theirs], decisions, ownerOf),
    [base, mine, theirs, decisions, ownerOf],
  );
  const there = useMemo(
    () => makeRoster(game, { ...profile, state: merged.state }, stock),
    [game, profile, merged, stock],
  );
  const here = useEditor((state) => state.roster);
  const names: ClashNames = {
    item: (id) => {
      const item = findItem(here, id) ?? findItem(there, id);
      return item ? titleOf(item) : id;
    },
    section: (id) =>
      [...here.lists.mods.sections, ...here.lists.plugins.sections, ...next.sections].find(
        (each) => each.id === id,
      )?.name ?? id,
    version: (content) =>
      [...stock.shelf, ...next.mods, ...followed.lineup.mods].find((mod) => mod.content === content)
        ?.version ?? content.slice(0, 12),
  };
  const followNext = async () => {
    const kept = unwrap(await keepList({ lineup: next, claim }, next.title));
    return kept && { follow: kept.importId };
  };
  const followOnly = async () => {
    const following = await followNext();
    if (!following) return;
    editor.dispatch({
      label: label("follow", { name: next.title, version: next.listVersion }),
      steps: [],
      ...following,
    });
    onDone();
  };
  /** What is no longer the list as its author has it may break a tie: the fewest moves that mend it are shown. */
  const mend = async () => {
    onDone();
    const facts = factsHere(editor.getState().roster);
    if (compareFacts(factsOfLineup(next), facts).length === 0) return;
    for (const list of game.lists) if (await propose({ list, how: "propose" })) return;
  };
  const relation = useMemo(() => versionRelation(followed, { lineup: next, claim }), [followed, next, claim]);
  const isVersion = isSameList(followed.lineup, next) || relation === "same";
  const version = [next.title, next.listVersion].filter(Boolean).join(" ");
  return (
    <div className="space-y-4">
      <header className="flex items-center gap-3">
        <h2 className="grow text-lg font-bold">
          {say("lineups.fromTo", {
            listVersion: followed.lineup.listVersion || say("lineups.theVersionBefore"),
            listVersion2: next.listVersion || say("lineups.theNewOne"),
          })}
        </h2>
        <Button look="quiet" onClick={onDone}>
          {say("common.cancel")}
        </Button>
        <Button onClick={() => void followOnly()}>{say("lineups.followTheNewVersionKeepMine")}</Button>
      </header>
      <p
        className={`max-w-3xl ${isVersion && relation === "newer" ? "text-ink2" : "bg-saffron-soft rounded-md px-3 py-2"}`}
      >
        {isVersion
          ? relationText[relation](profile.name, followed.lineup.listVersion, next.listVersion)
          : say("lineups.isAnotherListThanTheOne", {
              title: next.title,
              name: profile.name,
              title2: followed.lineup.title,
            })}
      </p>
      {claim.altered.length > 0 && (
        <p className="bg-saffron-soft max-w-3xl rounded-md px-3 py-2">{alteredText(claim.altered)}</p>
      )}
      <Clashes
        clashes={merged.clashes}
        names={names}
        decisions={decisions}
        onDecide={(key, side) => setDecisions({ ...decisions, [key]: side })}
      />
      <LostChanges there={there} />
      <Differences there={there} name={version} also={followNext} onTaken={() => void mend()} />
    </div>
  );
}

function Clashes({
  clashes,
  names,
  decisions,
  onDecide,
}: {
  clashes: readonly Clash[];
  names: ClashNames;
  decisions: Readonly<Record<string, Side>>;
  onDecide: (key: string, side: Side) => void;
}) {
  if (clashes.length === 0) return <p className="text-ink2">{say("lineups.whatItsAuthorChangedAndWhat")}</p>;
  return (
    <section aria-labelledby="clashes" className="border-saffron bg-saffron-soft rounded-md border p-3">
      <h3 id="clashes" className="font-bold">
        {say("lineups.thingsThatYouAndItsAuthor", { count: clashes.length })}
      </h3>
      <ul className="mt-1">
        {clashes.map((clash) => {
          const key = clashKey(clash);
          const side = decisions[key] ?? "mine";
          return (
            <li key={key} className="border-line flex flex-wrap items-center gap-x-4 border-t py-1">
              <span className="w-80 truncate font-semibold">
                {names.item(itemOf(clash))}{" "}
                <span className="text-ink2 text-sm font-normal">{clashWords(clash)}</span>
              </span>
              <Choice name={key} checked={side === "mine"} onChoose={() => onDecide(key, "mine")}>
                {say("lineups.yours", { clashSide: sayClashSide(clash, clash.mine, names) })}
              </Choice>
              <Choice name={key} checked={side === "theirs"} onChoose={() => onDecide(key, "theirs")}>
                {say("lineups.theListS", { clashSide: sayClashSide(clash, clash.theirs, names) })}
              </Choice>
            </li>
          );
        })}
      </ul>
    </section>
  );
}

/** The item that a clash is about; of what is beside the orders the key says it. */
const itemOf = ({ facet, key }: Clash): string => (facet === "notes" ? key.slice(key.indexOf(" ") + 1) : key);
