"use client";

import { say } from "@/core/language/say";
import { rich } from "../../kit/rich";
import { Plus, X } from "lucide-react";
import type { LineupPicture, LineupSheet } from "@/core/model/lineup";
import { FileButton } from "../../kit/file-button";
import { Button } from "../../kit/button";
import { Field, inputLook } from "../../kit/field";
import { useWorkspace } from "../../workspace/workspace.client";
import type { SheetState } from "./use-sheet";

/** What goes out with the list in words and pictures. */
export function SheetForm({ sheet, change }: Pick<SheetState, "sheet" | "change">) {
  return (
    <section aria-labelledby="sheet" className="space-y-3">
      <h2 id="sheet" className="text-lg font-bold">
        {say("lineups.aboutThisList")}
      </h2>
      <div className="grid grid-cols-[1fr_6.875rem] gap-3">
        <Field
          label={say("common.author")}
          value={sheet.author}
          onChange={(event) => change({ author: event.target.value })}
          maxLength={200}
        />
        <Field
          label={say("common.listVersion")}
          value={sheet.listVersion}
          onChange={(event) => change({ listVersion: event.target.value })}
          maxLength={100}
        />
      </div>
      <Long
        label={say("lineups.whatToExpect")}
        value={sheet.note}
        rows={3}
        most={20_000}
        onChange={(note) => change({ note })}
      />
      <Long
        label={say("lineups.readMeInMarkdown")}
        value={sheet.readMe ?? ""}
        rows={6}
        most={200_000}
        onChange={(readMe) => change({ readMe: readMe === "" ? undefined : readMe })}
      />
      <Keys sheet={sheet} change={change} />
      <Pictures sheet={sheet} change={change} />
    </section>
  );
}

interface Part {
  readonly sheet: LineupSheet;
  readonly change: (part: Partial<LineupSheet>) => void;
}

function Long({
  label,
  value,
  rows,
  most,
  onChange,
}: {
  label: string;
  value: string;
  rows: number;
  most: number;
  onChange: (value: string) => void;
}) {
  return (
    <label className="block">
      <span className="text-ink2 mb-1 block text-sm font-semibold">{label}</span>
      <textarea
        value={value}
        onChange={(event) => onChange(event.target.value)}
        maxLength={most}
        rows={rows}
        className={`${inputLook} !h-auto py-1.5`}
      />
    </label>
  );
}

function Keys({ sheet: { keys = [] }, change }: Part) {
  const put = (at: number, part: Partial<(typeof keys)[number]>) =>
    change({ keys: keys.map((each, place) => (place === at ? { ...each, ...part } : each)) });
  return (
    <fieldset>
      <legend className="text-ink2 mb-1 text-sm font-semibold">{say("lineups.keysOfTheGameThatThe")}</legend>
      {keys.map(({ key, does }, at) => (
        <div key={at} className="mb-1.5 grid grid-cols-[5rem_1fr_1.75rem] gap-1.5">
          <input
            aria-label={say("lineups.key", { at: at + 1 })}
            value={key}
            maxLength={60}
            onChange={(event) => put(at, { key: event.target.value })}
            className={`${inputLook} font-mono`}
          />
          <input
            aria-label={say("lineups.whatKeyDoes", { at: at + 1 })}
            value={does}
            maxLength={300}
            onChange={(event) => put(at, { does: event.target.value })}
            className={inputLook}
          />
          <Button
            look="quiet"
            className="!px-0"
            aria-label={say("lineups.removeKey", { at: at + 1 })}
            onClick={() => change({ keys: keys.filter((_, place) => place !== at) })}
          >
            <X size={14} aria-hidden />
          </Button>
        </div>
      ))}
      <Button
        small
        onClick={() => change({ keys: [...keys, { key: "", does: "" }] })}
        disabled={keys.length >= 200}
      >
        {rich("lineups.addAKey", { plus: <Plus size={13} aria-hidden /> })}
      </Button>
    </fieldset>
  );
}

const mostPictures = 8;
/** Bytes; as data in a text they grow by a third. */
const largestPicture = 500_000;

function Pictures({ sheet: { pictures = [] }, change }: Part) {
  const { tell } = useWorkspace();
  const add = async (file: File) => {
    if (file.size > largestPicture) {
      tell([say("lineups.isLargerThan500KBMake", { name: file.name })], "wrong");
      return;
    }
    const data = await dataOf(file);
    change({ pictures: [...pictures, { caption: file.name.replace(/\.\w+$/, ""), data }] });
  };
  const put = (at: number, part: Partial<LineupPicture>) =>
    change({ pictures: pictures.map((each, place) => (place === at ? { ...each, ...part } : each)) });
  return (
    <fieldset>
      <legend className="text-ink2 mb-1 text-sm font-semibold">{say("lineups.pictures")}</legend>
      {pictures.map(({ caption, data }, at) => (
        <div key={at} className="mb-1.5 grid grid-cols-[3.5rem_1fr_1.75rem] items-center gap-1.5">
          {/* eslint-disable-next-line @next/next/no-img-element -- a picture as data: there is nothing to optimise */}
          <img src={data} alt={caption} className="border-line h-9 w-14 rounded border object-cover" />
          <input
            aria-label={say("lineups.captionOfPicture", { at: at + 1 })}
            value={caption}
            maxLength={300}
            onChange={(event) => put(at, { caption: event.target.value })}
            className={inputLook}
          />
          <Button
            look="quiet"
            className="!px-0"
            aria-label={say("lineups.removePicture", { at: at + 1 })}
            onClick={() => change({ pictures: pictures.filter((_, place) => place !== at) })}
          >
            <X size={14} aria-hidden />
          </Button>
        </div>
      ))}
      <FileButton
        small
        of={say("lineups.pictureFile")}
        accept="image/png,image/jpeg,image/webp"
        disabled={pictures.length >= mostPictures}
        onFile={(file) => void add(file)}
      >
        {rich("lineups.addAPicture", { plus: <Plus size={13} aria-hidden /> })}
      </FileButton>
    </fieldset>
  );
}

const dataOf = (file: File): Promise<string> =>
  new Promise((done, fail) => {
    const reader = new FileReader();
    reader.onload = () => done(reader.result as string);
    reader.onerror = () => fail(new Error(`${file.name} cannot be read`));
    reader.readAsDataURL(file);
  });
