"use client";

import { say } from "@/core/language/say";
import { useState, type FormEvent } from "react";
import { makeBook } from "@/core/roster/books";
import { writeRulebook } from "@/formats/rulebook-file";
import { Button } from "../kit/button";
import { Dialog } from "../kit/dialog";
import { Field } from "../kit/field";
import { saveText } from "../kit/save-text";
import { useEditor } from "../workspace/workspace.client";

/** Makes a rulebook file of the profile's own rules and sections. */
export function ExportBookDialog({ open, onClose }: { open: boolean; onClose: () => void }) {
  return (
    <Dialog
      open={open}
      onClose={onClose}
      title={say("rules.yourRulesAsARulebook")}
      hint={say("rules.aFileForOthersWhoPlay")}
    >
      <ExportForm onClose={onClose} />
    </Dialog>
  );
}

function ExportForm({ onClose }: { onClose: () => void }) {
  const roster = useEditor((state) => state.roster);
  const [name, setName] = useState(roster.profile.name);
  const [version, setVersion] = useState("1.0");
  const [news, setNews] = useState("");
  const id = name
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, "-")
    .replace(/^-+|-+$/g, "")
    .slice(0, 80);
  const count = roster.profile.state.rules.filter((rule) => !rule.off).length;
  const save = (event: FormEvent) => {
    event.preventDefault();
    const changelog = news.trim() === "" ? [] : [{ version, text: news.trim() }];
    const text = writeRulebook(
      makeBook(roster, { id, name: name.trim(), version: version.trim(), changelog }),
    );
    saveText(`${id}-${version.trim()}.json`, text, "application/json");
    onClose();
  };
  return (
    <form onSubmit={save} className="space-y-3">
      <Field
        label={say("common.name")}
        value={name}
        maxLength={120}
        autoFocus
        onChange={(event) => setName(event.target.value)}
      />
      <Field
        label={say("common.version")}
        value={version}
        maxLength={40}
        onChange={(event) => setVersion(event.target.value)}
      />
      <Field
        label={say("rules.whatIsNewInIt")}
        value={news}
        maxLength={1000}
        onChange={(event) => setNews(event.target.value)}
      />
      <div className="flex items-center justify-end gap-2">
        <p className="text-ink2 mr-auto">{say("rules.rulesThatAreOn", { count })}</p>
        <Button look="quiet" onClick={onClose}>
          {say("common.cancel")}
        </Button>
        <Button look="main" type="submit" disabled={id === "" || version.trim() === ""}>
          {say("rules.saveTheFile")}
        </Button>
      </div>
    </form>
  );
}
