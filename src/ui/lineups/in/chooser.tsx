"use client";

import { say } from "@/core/language/say";
import { FileInput } from "lucide-react";
import { useState, type ClipboardEvent, type DragEvent } from "react";
import { Button } from "../../kit/button";
import { inputLook } from "../../kit/field";
import { FileButton } from "../../kit/file-button";
import { fetchPage } from "../../workspace/server";
import { useWorkspace } from "../../workspace/workspace.client";
import type { ListSource } from "./use-list-in";

const linkPattern = /^\s*(http:\/\/\S+\/lineup\/\S+)\s*$/;

/** A list as a file, dropped or chosen; as text or a share code; as a link to a page of this machine. */
export function Chooser({ busy, onSource }: { busy: boolean; onSource: (source: ListSource) => void }) {
  const { unwrap } = useWorkspace();
  const [text, setText] = useState("");
  const [over, setOver] = useState(false);
  const openFile = async (file: File) =>
    onSource({ bytes: new Uint8Array(await file.arrayBuffer()), name: file.name });
  const openText = async (words: string) => {
    const link = linkPattern.exec(words)?.[1];
    const page = link === undefined ? words : unwrap(await fetchPage(link));
    if (page !== null)
      onSource({ bytes: new TextEncoder().encode(page), name: link ?? say("lineups.pastedList") });
  };
  const drop = (event: DragEvent) => {
    event.preventDefault();
    setOver(false);
    const file = event.dataTransfer.files[0];
    if (file) void openFile(file);
  };
  const paste = (event: ClipboardEvent) => {
    const file = event.clipboardData.files[0];
    if (!file) return;
    event.preventDefault();
    void openFile(file);
  };
  return (
    <div className="grid max-w-4xl gap-5 sm:grid-cols-2">
      <div
        onDragOver={(event) => {
          event.preventDefault();
          setOver(true);
        }}
        onDragLeave={() => setOver(false)}
        onDrop={drop}
        className={`flex flex-col items-start gap-3 rounded-md border-2 border-dashed p-5 ${over ? "border-saffron bg-saffron-soft" : "border-line bg-sunk"}`}
      >
        <p className="text-ink2">{say("lineups.dropALineupFileHereOr")}</p>
        <FileButton of={say("lineups.lineupFile")} disabled={busy} onFile={(file) => void openFile(file)}>
          <FileInput size={14} aria-hidden /> {busy ? say("common.reading") : say("lineups.chooseALineup")}
        </FileButton>
      </div>
      <div className="space-y-2">
        <label className="block">
          <span className="text-ink2 mb-1 block text-sm font-semibold">
            {say("lineups.orPasteNamesFromAForum")}
          </span>
          <textarea
            value={text}
            onChange={(event) => setText(event.target.value)}
            onPaste={paste}
            rows={7}
            spellCheck={false}
            className={`${inputLook} !h-auto py-1.5 font-mono text-sm`}
          />
        </label>
        <Button disabled={busy || text.trim() === ""} onClick={() => void openText(text)}>
          {say("lineups.readList")}
        </Button>
      </div>
    </div>
  );
}
