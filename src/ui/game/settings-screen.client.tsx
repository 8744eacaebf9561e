"use client";

import { say } from "@/core/language/say";
import { useSearchParams } from "next/navigation";
import { useState, useId } from "react";
import type { GameDefinition, GameFolders } from "@/core/model/game";
import {
  copiesKey,
  copiesRange,
  CopiesKept,
  undoKey,
  undoRange,
  UndoSteps,
  usualCopies,
  usualUndo,
} from "@/core/model/preferences";
import { Button } from "../kit/button";
import { Labelled } from "../kit/field";
import { NumberField } from "../kit/number-field";
import { KeysSettings } from "../frame/keys-settings";
import { PartLinks } from "../workspace/part-links";
import { areNamed, FoldersFields } from "../start/folders-fields";
import { changeDefinition, changeFolders } from "../workspace/server";
import { Copies } from "../order-file/copies";
import { usePreference } from "../workspace/use-preference";
import { useEditor, useWorkspace } from "../workspace/workspace.client";
import { AppearanceSettings } from "./appearance-settings";
import { ApplicationSettings } from "./application-settings";
import { DefinitionEditor } from "./definition-editor";
import { MessageSettings } from "./message-settings";
import { OwnData } from "./own-data";
import { RemoveGame } from "./remove-game";

const parts = [
  {
    id: "folders",
    get label() {
      return say("game.folders");
    },
    Content: Folders,
  },
  {
    id: "definition",
    get label() {
      return say("game.gameDefinition");
    },
    Content: Definition,
  },
  {
    id: "data",
    get label() {
      return say("game.dataAndUndo");
    },
    Content: Data,
  },
  {
    id: "appearance",
    get label() {
      return say("game.appearance.title");
    },
    Content: AppearanceSettings,
  },
  {
    id: "application",
    get label() {
      return say("game.trialAndProfiles");
    },
    Content: ApplicationSettings,
  },
  {
    id: "messages",
    get label() {
      return say("common.messages");
    },
    Content: MessageSettings,
  },
  {
    id: "keys",
    get label() {
      return say("common.keys");
    },
    Content: KeysSettings,
  },
] as const;

/** What holds for the game as a whole, and for the application: a page for each. */
export function SettingsScreen() {
  const game = useEditor((state) => state.view.game);
  const wanted = useSearchParams().get("part");
  const { id: part, Content } = parts.find(({ id }) => id === wanted) ?? parts[0];
  return (
    <div className="flex h-full flex-col">
      <header className="border-line flex min-h-11 shrink-0 flex-wrap items-center gap-x-4 border-b px-5">
        <h1 className="text-lg font-bold">{say("game.settingsOf", { name: game.name })}</h1>
        <PartLinks label={say("game.pages")} view="/settings" parts={parts} present={part} />
      </header>
      <div key={`${game.id} ${part}`} className="min-h-0 grow overflow-auto px-5 py-4">
        <Content />
      </div>
    </div>
  );
}

/** What is kept of the user's, and for how long. */
function Data() {
  return (
    <div className="space-y-6">
      <OwnData />
      <Limits />
      <section aria-labelledby="copies" className="max-w-2xl space-y-2">
        <h2 id="copies" className="text-lg font-bold">
          {say("common.copiesOfWhatAnotherProgramHad")}
        </h2>
        <Copies />
      </section>
      <RemoveGame />
    </div>
  );
}

function Folders() {
  const { unwrap, tell, shelfReading } = useWorkspace();
  const { folders: stored, game } = useEditor((state) => state.view);
  const [folders, setFolders] = useState<GameFolders>(stored);
  const isChanged = JSON.stringify(folders) !== JSON.stringify(stored);
  const store = async () => {
    const outcome = await changeFolders(folders);
    unwrap(outcome);
    if (!outcome.ok) return;
    tell([say("game.theFoldersAreStoredTheShelf")]);
    await shelfReading.read();
  };
  return (
    <section aria-labelledby="folders" className="max-w-2xl space-y-3">
      <h2 id="folders" className="text-lg font-bold">
        {say("game.folders")}
      </h2>
      <FoldersFields folders={folders} sign={game.sign} onChange={setFolders} />
      <Button look="main" disabled={!isChanged || !areNamed(folders)} onClick={() => void store()}>
        {say("common.useTheseFolders")}
      </Button>
    </section>
  );
}

/** How far back undo reaches, and how many copies of an order file are kept. */
function Limits() {
  const [edits, setEdits] = usePreference(undoKey, UndoSteps, usualUndo);
  const [copies, setCopies] = usePreference(copiesKey, CopiesKept, usualCopies);
  return (
    <>
      <Limit
        title={say("common.undo")}
        label={say("game.editsKeptForUndoOfEach")}
        hint={say("game.olderEditsAreForgottenWithThe")}
        value={edits}
        range={undoRange}
        onStore={setEdits}
      />
      <Limit
        title={say("game.howManyCopiesAreKept")}
        label={say("game.copiesKeptOfEachFile")}
        hint={say("game.olderCopiesAreDeleted")}
        value={copies}
        range={copiesRange}
        onStore={setCopies}
      />
    </>
  );
}

function Limit({
  title,
  label,
  hint,
  value,
  range,
  onStore,
}: {
  title: string;
  label: string;
  hint: string;
  value: number;
  range: { readonly least: number; readonly most: number };
  onStore: (value: number) => void;
}) {
  const heading = useId();
  return (
    <section aria-labelledby={heading} className="max-w-2xl space-y-2">
      <h2 id={heading} className="text-lg font-bold">
        {title}
      </h2>
      <div className="max-w-52">
        <Labelled label={label}>
          {({ id }) => (
            <NumberField
              label={label}
              id={id}
              value={value}
              {...range}
              isNeeded
              onStore={(number) => number !== null && onStore(Math.round(number))}
              className="w-full"
            />
          )}
        </Labelled>
      </div>
      <p className="text-ink2">{hint}</p>
    </section>
  );
}

function Definition() {
  const { unwrap, tell, shelfReading } = useWorkspace();
  const { game, ownDefinition } = useEditor((state) => state.view);
  const store = async (definition: GameDefinition) => {
    const outcome = await changeDefinition(definition);
    unwrap(outcome);
    if (!outcome.ok) return false;
    tell([say("game.theDefinitionIsSavedTheShelf")]);
    void shelfReading.read();
    return true;
  };
  return (
    <section aria-labelledby="laws" className="max-w-5xl">
      <h2 id="laws" className="text-lg font-bold">
        {say("game.gameDefinition")}
      </h2>
      <p className="text-ink2">
        {ownDefinition ? say("game.aDefinitionOfYourOwn") : say("game.theDefinitionThatCameWithSeating")}
      </p>
      <DefinitionEditor
        draftKey={`definition-${game.id}`}
        start={game}
        word={say("game.saveDefinition")}
        onStore={store}
      />
    </section>
  );
}
