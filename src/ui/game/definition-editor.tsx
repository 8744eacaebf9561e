"use client";

import { say } from "@/core/language/say";
import { useMemo, useState } from "react";
import { z } from "zod";
import { readDefinition } from "@/core/game/definition-flaws";
import type { GameDefinition } from "@/core/model/game";
import { Button } from "../kit/button";
import { EarlierDraft } from "../kit/earlier-draft";
import { FileButton } from "../kit/file-button";
import { SelectField } from "../kit/select";
import { saveText } from "../kit/save-text";
import { useDraft } from "../kit/use-draft";
import type { Draft } from "./field-specs";
import { FieldForm } from "./field-form";
import { lawGroups } from "./law-fields";
import { layoutStarts } from "./layout-fields";
import { PluginPreview } from "./plugin-preview";

const Typed: z.ZodType<Draft> = z.record(z.string(), z.unknown());

/** Every law of a game as a form that is checked while one types, with a trial on a real plugin. */
export function DefinitionEditor({
  draftKey,
  start,
  word,
  onStore,
}: {
  /** By which what is typed is kept. */
  draftKey: string;
  start: Draft;
  /** What storing is called. */
  word: string;
  /** Answers whether it is stored. */
  onStore: (definition: GameDefinition) => Promise<boolean>;
}) {
  const { value: draft, setValue: setDraft, isEarlier, forget, discard } = useDraft(draftKey, start, Typed);
  const store = async (definition: GameDefinition) => {
    if (await onStore(definition)) forget();
  };
  const [wrongFile, setWrongFile] = useState<string | null>(null);
  const read = useMemo(() => readDefinition(draft), [draft]);
  const { flaws } = read;
  const take = async (file: File) => {
    const value = parse(await file.text());
    setWrongFile(value ? null : say("game.holdsNoDefinitionOfAGame", { name: file.name }));
    if (value) setDraft(value);
  };
  const layout = (draft.pluginLayout as Draft | undefined)?.container;
  const hasPlugins = Array.isArray(draft.lists) && draft.lists.includes("plugins");
  return (
    <div>
      <div className="bg-surface border-line sticky top-0 z-10 flex flex-wrap items-center gap-2 border-b py-2">
        <p role="status" className={flaws.length > 0 ? "text-brick font-semibold" : "text-ink2"}>
          {flaws.length > 0
            ? say("game.fieldsNeedFixing", { count: flaws.length })
            : say("game.theDefinitionIsComplete")}
        </p>
        <div className="ml-auto flex flex-wrap items-center gap-2">
          <FileButton
            of={say("game.gameDefinition")}
            accept=".json,application/json"
            onFile={(file) => void take(file)}
          >
            {say("game.loadFromFile")}
          </FileButton>
          <Button
            onClick={() =>
              saveText(
                `${String(draft.id) || "game"}.game.json`,
                `${JSON.stringify(draft, null, 2)}\n`,
                "application/json",
              )
            }
          >
            {say("game.saveAsAFile")}
          </Button>
          <Button
            look="main"
            disabled={!("definition" in read) || draft === start}
            onClick={() => "definition" in read && void store(read.definition)}
          >
            {word}
          </Button>
        </div>
      </div>
      {isEarlier && <EarlierDraft onDiscard={discard} />}
      {wrongFile && (
        <p role="alert" className="text-brick py-2">
          {wrongFile}
        </p>
      )}
      {flaws.some(({ path }) => path === "" || path === "format") && (
        <p role="alert" className="text-brick py-2">
          {flaws.find(({ path }) => path === "" || path === "format")!.text}
        </p>
      )}
      {lawGroups.map(({ title, fields }) => {
        const there = fields.filter(({ when }) => when === undefined || when(draft));
        if (there.length === 0) return null;
        return (
          <section key={title} className="border-line border-b py-3">
            <h3 className="mb-2 text-lg font-bold">{say(title)}</h3>
            {title === "game.howAPluginIsLaidOut" && hasPlugins && (
              <div className="mb-2">
                <SelectField
                  label={say("game.kindOfFile")}
                  beside
                  value={typeof layout === "string" ? layout : ""}
                  options={[
                    ...(layout === undefined ? [{ value: "", words: say("common.choose") }] : []),
                    { value: "riff", words: say("game.rIFFThePublishedChunkContainer") },
                    { value: "tagged", words: say("game.recordsWithTags") },
                  ]}
                  onChoose={(kind) => setDraft({ ...draft, pluginLayout: layoutStarts[kind] })}
                  className="w-72"
                />
              </div>
            )}
            <FieldForm fields={there} draft={draft} path="" flaws={flaws} onChange={setDraft} />
            {title === "game.howAPluginIsLaidOut" && (
              <div className="mt-3">
                <PluginPreview draft={draft} flaws={flaws} />
              </div>
            )}
          </section>
        );
      })}
    </div>
  );
}

function parse(text: string): Draft | null {
  try {
    const value: unknown = JSON.parse(text);
    return typeof value === "object" && value !== null && !Array.isArray(value) ? (value as Draft) : null;
  } catch {
    return null;
  }
}
