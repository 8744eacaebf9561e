"use client";

import { useMemo, useState } from "react";
import { z } from "zod";
import { readDefinition } from "@/core/game/definition-flaws";
import { plural } from "@/core/messages/parts";
import type { GameDefinition } from "@/core/model/game";
import { Button } from "../kit/button";
import { EarlierDraft } from "../kit/earlier-draft";
import { saveText } from "../kit/save-text";
import { useDraft } from "../kit/use-draft";
import type { Draft } from "./field-specs";
import { FieldForm } from "./field-form";
import { lawGroups, layoutStarts } from "./law-fields";
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
  const take = async (file: File | undefined) => {
    if (!file) return;
    const value = parse(await file.text());
    setWrongFile(value ? null : `${file.name} holds no definition of a game: it is no JSON object.`);
    if (value) setDraft(value);
  };
  const layout = (draft.pluginLayout as Draft | undefined)?.container;
  const hasPlugins = Array.isArray(draft.lists) && draft.lists.includes("plugins");
  return (
    <div>
      <div className="bg-surface border-line sticky top-0 z-10 flex flex-wrap items-center gap-2 border-b py-2">
        <p role="status" className={flaws.length > 0 ? "text-brick font-semibold" : "text-ink2"}>
          {flaws.length > 0 ? `${plural(flaws.length, "thing")} to mend` : "Every law is in order."}
        </p>
        <div className="ml-auto flex items-center gap-2">
          <label className="border-line hover:bg-sunk flex h-8 cursor-pointer items-center rounded-md border px-3 font-semibold focus-within:outline-2">
            Take one from a file…
            <input
              type="file"
              accept=".json,application/json"
              className="sr-only"
              onChange={({ target }) => void take(target.files?.[0])}
            />
          </label>
          <Button
            onClick={() =>
              saveText(
                `${String(draft.id) || "game"}.game.json`,
                `${JSON.stringify(draft, null, 2)}\n`,
                "application/json",
              )
            }
          >
            Save as a file
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
            <h3 className="mb-2 text-lg font-bold">{title}</h3>
            {title === "How a plugin is laid out" && hasPlugins && (
              <label className="mb-2 flex items-center gap-2">
                <span className="text-ink2 text-sm">Kind of file</span>
                <select
                  value={typeof layout === "string" ? layout : ""}
                  onChange={({ target }) => setDraft({ ...draft, pluginLayout: layoutStarts[target.value] })}
                  className="border-line bg-surface h-7 rounded-md border px-2"
                >
                  {layout === undefined && <option value="">choose…</option>}
                  <option value="riff">RIFF, the published chunk container</option>
                  <option value="tagged">records with tags</option>
                </select>
              </label>
            )}
            <FieldForm fields={there} draft={draft} path="" flaws={flaws} onChange={setDraft} />
            {title === "How a plugin is laid out" && (
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
