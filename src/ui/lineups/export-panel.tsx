"use client";

import { Download } from "lucide-react";
import { useMemo, useState } from "react";
import { creditsOf, creditsText } from "@/core/lineup/credits";
import { factsOfRoster, fingerprintOf, shortFingerprint } from "@/core/lineup/fingerprint";
import { plural } from "@/core/messages/parts";
import { Button } from "../kit/button";
import { inputLook, Field } from "../kit/field";
import { saveText } from "../kit/save-text";
import { useEditor, useWorkspace } from "../workspace/workspace.client";

/** The present profile as a lineup file. */
export function ExportPanel() {
  const { editor } = useWorkspace();
  const roster = useEditor((state) => state.roster);
  const profile = useEditor((state) => state.profile);
  const saving = useEditor((state) => state.saving);
  const [author, setAuthor] = useState("");
  const [listVersion, setListVersion] = useState("1");
  const [note, setNote] = useState("");
  const fingerprint = useMemo(() => fingerprintOf(factsOfRoster(roster)), [roster]);
  const mods = roster.mods.filter((mod) => mod.mod);
  const absent = roster.mods.length - mods.length;
  const credits = useMemo(() => creditsOf(roster), [roster]);
  const authors = credits.filter(({ author }) => author !== "").length;
  const query = new URLSearchParams({ profile: profile.id, author, listVersion, note });
  return (
    <section aria-labelledby="export" className="space-y-3">
      <h2 id="export" className="text-lg font-bold">
        Out: {profile.name} as a file
      </h2>
      <p className="text-ink2">
        {plural(mods.filter((mod) => mod.loads).length, "mod")} on and{" "}
        {mods.filter((mod) => !mod.loads).length} off,{" "}
        {roster.game.lists.includes("plugins") && `${plural(roster.plugins.length, "plugin")} in order, `}
        sections, rules, versions and hashes. Whoever imports it can prove that they have the same setup.
      </p>
      {absent > 0 && (
        <p className="bg-saffron-soft rounded-md px-3 py-2">
          {plural(absent, "mod")} of this profile {absent === 1 ? "is" : "are"} not on the shelf; what is not
          there cannot be described, and is left out.
        </p>
      )}
      <p className="text-ink2">
        Fingerprint <span className="text-ink font-mono font-semibold">{shortFingerprint(fingerprint)}</span>
      </p>
      <div className="grid grid-cols-[1fr_120px] gap-3">
        <Field
          label="Author"
          value={author}
          onChange={(event) => setAuthor(event.target.value)}
          maxLength={200}
        />
        <Field
          label="List version"
          value={listVersion}
          onChange={(event) => setListVersion(event.target.value)}
          maxLength={100}
        />
      </div>
      <label className="block">
        <span className="text-ink2 mb-1 block text-sm font-semibold">Note to those who import it</span>
        <textarea
          value={note}
          onChange={(event) => setNote(event.target.value)}
          maxLength={20_000}
          rows={3}
          className={`${inputLook} !h-auto py-1.5`}
        />
      </label>
      <a
        href={`/api/lineups?${query.toString()}`}
        download
        aria-disabled={saving > 0}
        onClick={(event) => {
          if (saving === 0) return;
          event.preventDefault();
          void editor.settled();
        }}
        className="bg-pine text-on-pine inline-flex h-8 items-center gap-1.5 rounded-md px-3 font-semibold hover:brightness-110"
      >
        <Download size={14} aria-hidden /> Export the lineup
      </a>
      <Button
        look="quiet"
        className="ml-2"
        onClick={() => saveText(`${profile.name} credits.txt`, creditsText(profile.name, credits))}
      >
        Credits of {plural(authors, "author")} as a text
      </Button>
    </section>
  );
}
