"use client";

import { say } from "@/core/language/say";
import { rich } from "../kit/rich";
import { useState, type FormEvent } from "react";
import { SelectField } from "../kit/select";
import { plainText } from "@/core/messages/parts";
import { sayRefusal } from "@/core/messages/refusals";
import type { GameListed } from "@/server/views/workspace";
import { Button } from "../kit/button";
import { keepDraft } from "../kit/drafts";
import { addGame } from "../workspace/server";
import { areNamed, FoldersFields, noFolders } from "./folders-fields";
import { OwnGame, type DescribedGame } from "./own-game";

/** Stands for a game that its user describes; no id of a game looks like it. */
const ownGame = "*";

/** Which of the games that ship, and the folders in which it and its mods lie. */
export function AddGameForm({ games, onAdded }: { games: readonly GameListed[]; onAdded: () => void }) {
  const [id, setId] = useState(ownGame);
  const [described, setDescribed] = useState<DescribedGame | null>(null);
  const own = described?.definition ?? null;
  const [folders, setFolders] = useState(noFolders);
  const [wrong, setWrong] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const add = async (event: FormEvent) => {
    event.preventDefault();
    setBusy(true);
    const outcome = await addGame({ game: id === ownGame ? { own } : id, folders });
    setBusy(false);
    if (!outcome.ok) return setWrong(plainText(sayRefusal(outcome.refusal)));
    if (described) keepDraft(localStorage, described.draftKey, null);
    onAdded();
  };
  const choice = (
    <SelectField
      label={say("common.game")}
      value={id}
      options={[
        {
          title: say("start.yourOwn"),
          options: [{ value: ownGame, words: say("start.myOwnGameWhichIDescribe") }],
        },
        {
          title: say("start.forATrialDemoGamesThat"),
          options: games.map((game) => ({ value: game.id, words: `${game.name} ${game.version}` })),
        },
      ].filter(({ options }) => options.length > 0)}
      onChoose={setId}
    />
  );
  if (id === ownGame && !own)
    return (
      <div className="space-y-3">
        {choice}
        <OwnGame onDescribed={setDescribed} />
      </div>
    );
  return (
    <form onSubmit={(event) => void add(event)} className="space-y-3">
      {choice}
      {id === ownGame && own && (
        <p>
          {rich("start.describedByYou", { name: <b>{own.name}</b>, version: own.version })}
          <Button small look="quiet" onClick={() => setDescribed(null)}>
            {say("start.editDefinition")}
          </Button>
        </p>
      )}
      <FoldersFields
        folders={folders}
        sign={(id === ownGame ? own?.sign : games.find((game) => game.id === id)?.sign) ?? ""}
        onChange={setFolders}
        {...(own
          ? {}
          : {
              onGame: (found, game) => {
                if (games.some((each) => each.id === found)) setId(found);
                setFolders({ ...folders, game });
              },
            })}
      />
      {wrong && (
        <p role="alert" className="text-brick">
          {wrong}
        </p>
      )}
      <Button look="main" type="submit" disabled={busy || !areNamed(folders)}>
        {busy ? say("start.looking") : say("common.useTheseFolders")}
      </Button>
    </form>
  );
}
