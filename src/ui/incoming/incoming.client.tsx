"use client";

import { say } from "@/core/language/say";
import { versionText } from "@/core/version/version";
import { useEffect, useEffectEvent, useState } from "react";
import { addMods, switchMods } from "@/core/edit/edits";
import { hasParts } from "@/core/roster/parts";
import type { Incoming } from "@/server/operations/take-in";
import { PartsDialog } from "../parts/parts-dialog";
import { postFile } from "../workspace/post-file";
import { leaveIncoming, takeIn } from "../workspace/server";
import type { EditorState } from "../workspace/editor-state";
import { useEditor, useWorkspace } from "../workspace/workspace.client";
import { listInDrop, readDrop, type Dropped } from "./dropped-files";
import { offerList } from "../lineups/pending-list";
import { useOfferedMods } from "./offered-mods";
import { IncomingDialog, type Wanted } from "./incoming-dialog";
import { once } from "../workspace/once";
import { useGo } from "../workspace/use-go";

/** Archives and folders of mods, dropped anywhere in the window: one after another they are looked at and taken in. */
export function IncomingMods() {
  const { editor, unwrap, tell, shelfReading } = useWorkspace();
  const go = useGo();
  const [waiting, setWaiting] = useState<readonly Dropped[]>([]);
  const [incoming, setIncoming] = useState<Incoming | null>(null);
  const [busy, setBusy] = useState(false);
  /** The mod that was just added and asks for choices, by its id. */
  const [asking, setAsking] = useState<string | null>(null);
  const asked = useEditor((state) => (asking ? state.roster.modOf.get(asking) : undefined)) ?? null;
  const look = (mods: readonly Dropped[]) => {
    if (mods.length > 0) setWaiting((before) => [...before, ...mods]);
    else tell([say("incoming.thatIsNeitherAModNor")], "wrong");
  };
  useOfferedMods(look);
  const isOver = useDrop(look, (list) => {
    offerList(list);
    go("/lineups?part=in");
  });
  const next = waiting[0];
  useEffect(() => {
    if (!next || incoming || asking) return;
    let wanted = true;
    void postFile<Incoming>("/api/mods", next.archive, next.name).then((outcome) => {
      const plan = unwrap(outcome);
      if (plan && !wanted) void leaveIncoming(plan.id);
      else if (plan) setIncoming(plan);
      else setWaiting((before) => before.slice(1));
    });
    return () => {
      wanted = false;
    };
  }, [next, incoming, asking, unwrap]);
  const close = () => {
    setIncoming(null);
    setWaiting((before) => before.slice(1));
  };
  const leave = () => {
    if (incoming) void leaveIncoming(incoming.id);
    close();
  };
  const take = async (wanted: Wanted) => {
    if (!incoming) return;
    setBusy(true);
    const path = unwrap(await takeIn(incoming.id, wanted.fileName ?? null));
    if (path !== null) {
      await shelfReading.read();
      const isThere = ({ roster }: EditorState) => roster.stock.shelf.some((mod) => mod.path === path);
      const state = await once(editor, isThere);
      if (state) addWanted(state, path, wanted);
    }
    setBusy(false);
    close();
  };
  const addWanted = ({ roster: { stock } }: EditorState, path: string, { way, on, sections }: Wanted) => {
    const mod = stock.shelf.find((each) => each.path === path)!;
    const needed = stock.shelf.filter((each) => on.includes(each.id) && !each.problem);
    if (way === "on") needed.unshift(mod);
    const homes = new Map(
      Object.entries(sections).map(([of, section]) => [of === "mods" ? mod.id : of, section]),
    );
    const added = way !== "shelf" ? addMods(editor.getState().roster, [mod], homes) : null;
    if (added) editor.dispatch(added);
    const switched = switchMods(editor.getState().roster, needed, true);
    if (switched) editor.dispatch(switched);
    tell([
      say("incoming.isOnTheShelf", { value: [mod.name, versionText(mod.version)].filter(Boolean).join(" ") }),
    ]);
    if (way !== "shelf" && hasParts(mod.manifest)) setAsking(mod.id);
  };
  return (
    <>
      {isOver && (
        <div className="border-pine bg-pine-soft/70 pointer-events-none fixed inset-3 z-40 flex items-center justify-center rounded-lg border-2 border-dashed">
          <p className="bg-surface rounded-md px-4 py-2 text-lg font-semibold shadow-xl">
            {say("incoming.dropModsHereArchivesOrFolders")}
          </p>
        </div>
      )}
      {next && !incoming && !asking && (
        <p
          role="status"
          className="bg-surface border-line fixed bottom-12 left-1/2 z-40 -translate-x-1/2 rounded-md border px-4 py-2 shadow-xl"
        >
          {say("incoming.lookingInto", { name: next.name })}
        </p>
      )}
      {incoming && (
        <IncomingDialog
          incoming={incoming}
          busy={busy}
          onTake={(wanted) => void take(wanted)}
          onLeave={leave}
        />
      )}
      <PartsDialog item={asked} onClose={() => setAsking(null)} />
    </>
  );
}

/** Whether something is dragged over the window; `onDrop` gets what is dropped, or pasted, where no view takes it itself. */
function useDrop(onDrop: (dropped: readonly Dropped[]) => void, onList: (list: File) => void): boolean {
  const [isOver, setIsOver] = useState(false);
  const take = useEffectEvent(onDrop);
  const takeList = useEffectEvent(onList);
  useEffect(() => {
    const holdsFiles = (event: DragEvent) => event.dataTransfer?.types.includes("Files") ?? false;
    const over = (event: DragEvent) => {
      if (event.defaultPrevented || !holdsFiles(event)) return setIsOver(false);
      event.preventDefault();
      setIsOver(true);
    };
    const leave = (event: DragEvent) => {
      if (event.relatedTarget === null) setIsOver(false);
    };
    const drop = (event: DragEvent) => {
      setIsOver(false);
      if (event.defaultPrevented || !holdsFiles(event)) return;
      event.preventDefault();
      const list = listInDrop(event.dataTransfer!);
      if (list) return takeList(list);
      void readDrop(event.dataTransfer!).then((dropped) => take(dropped));
    };
    const paste = (event: ClipboardEvent) => {
      if (event.defaultPrevented || !event.clipboardData?.files.length) return;
      event.preventDefault();
      const list = listInDrop(event.clipboardData);
      if (list) return takeList(list);
      void readDrop(event.clipboardData).then((pasted) => take(pasted));
    };
    window.addEventListener("paste", paste);
    window.addEventListener("dragover", over);
    window.addEventListener("dragleave", leave);
    window.addEventListener("drop", drop);
    return () => {
      window.removeEventListener("paste", paste);
      window.removeEventListener("dragover", over);
      window.removeEventListener("dragleave", leave);
      window.removeEventListener("drop", drop);
    };
  }, []);
  return isOver;
}
