"use client";

import { say } from "@/core/language/say";
import { Command as Cmdk } from "cmdk";
import { useEffect, useMemo, useRef, useState } from "react";
import type { ProfileId } from "@/core/model/ids";
import { addRule } from "@/core/edit/rule-edits";
import { focusView } from "../kit/give-focus-back";
import { useKept } from "../kit/kept";
import { useScope } from "../workspace/scoped-commands";
import { useEditor, useWorkspace } from "../workspace/workspace.client";
import { useGo } from "../workspace/use-go";
import { findHits, type Hit, type HitGroup } from "./command-hits";
import { commands, type Command } from "./commands";
import { changedKeys } from "./keys";

/** One field that finds items by seat or name, places of the application, and runs commands. */
export function CommandField({ run }: { run: (command: Command) => void }) {
  const input = useRef<HTMLInputElement>(null);
  /** Where the focus was before. */
  const from = useRef<HTMLElement | null>(null);
  /** A click into what is found leaves the field first. */
  const closing = useRef<ReturnType<typeof setTimeout>>(undefined);
  const [open, setOpen] = useState(false);
  const [text, setText] = useState("");
  /** Titles of the groups of which all are shown. */
  const [whole, setWhole] = useState<readonly string[]>([]);
  const groups = useGroups(open, text, run);
  const found = useRef<HTMLDivElement>(null);
  useEffect(() => {
    if (input.current && found.current) return tellChosen(input.current, found.current, open);
  }, [open]);
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (!(event.ctrlKey || event.metaKey) || event.code !== "KeyK") return;
      event.preventDefault();
      input.current?.focus();
      input.current?.select();
    };
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  }, []);
  const clear = () => {
    setOpen(false);
    setText("");
    setWhole([]);
  };
  const goBack = () => {
    if (from.current?.isConnected) from.current.focus({ preventScroll: true });
    else focusView();
  };
  const choose = (hit: Hit) => {
    clear();
    goBack();
    hit.run();
  };
  return (
    <Cmdk
      shouldFilter={false}
      loop
      label={say("frame.searchOrTypeASeatOr")}
      className="relative w-full max-w-[25rem]"
      onKeyDown={(event) => {
        if (event.key !== "Escape") return;
        event.preventDefault();
        clear();
        goBack();
      }}
    >
      <Cmdk.Input
        ref={input}
        value={text}
        onValueChange={(value) => {
          setText(value);
          setWhole([]);
          setOpen(true);
        }}
        onFocus={({ relatedTarget }) => {
          from.current = relatedTarget instanceof HTMLElement ? relatedTarget : null;
          clearTimeout(closing.current);
          setOpen(true);
        }}
        onBlur={() => {
          closing.current = setTimeout(() => setOpen(false), 120);
        }}
        placeholder={say("frame.searchOrTypeASeatOr")}
        className="border-line bg-sunk placeholder:text-ink3 h-8 w-full rounded-md border pr-18 pl-2.5 text-ellipsis"
      />
      <kbd className="border-line bg-surface text-ink3 pointer-events-none absolute top-1.5 right-2 rounded border px-1.5 font-mono text-sm">
        Ctrl K
      </kbd>
      <div
        hidden={!open}
        className="border-line bg-surface absolute top-9 right-0 left-0 z-50 max-h-[60vh] min-w-[min(360px,90vw)] overflow-auto rounded-md border p-1 shadow-xl"
      >
        {/* Always there, for the field names it as what it controls. */}
        <Cmdk.List ref={found} label={say("frame.whatWasFound")}>
          {groups.map((group) => (
            <Group
              key={group.title}
              group={group}
              isWhole={whole.includes(group.title)}
              onMore={() => setWhole([...whole, group.title])}
              onChoose={choose}
            />
          ))}
        </Cmdk.List>
        {groups.length === 0 && (
          <div role="status" className="text-ink2 px-2 py-3">
            {say("frame.nothingFoundForNoItemSeat", { text: text.trim() })}
          </div>
        )}
      </div>
    </Cmdk>
  );
}

/** Says which hit is chosen, and whether any are shown: the package says the one only after an arrow, and the other always. */
function tellChosen(input: HTMLInputElement, found: HTMLElement, isOpen: boolean): () => void {
  const tell = () => {
    const chosen = isOpen && found.querySelector("[role=option][aria-selected=true]");
    if (chosen) input.setAttribute("aria-activedescendant", chosen.id);
    else input.removeAttribute("aria-activedescendant");
    input.setAttribute("aria-expanded", String(isOpen));
  };
  tell();
  const observer = new MutationObserver(tell);
  observer.observe(found, { subtree: true, childList: true, attributeFilter: ["aria-selected"] });
  return () => observer.disconnect();
}

const itemLook =
  "data-[selected=true]:bg-pine-soft flex h-7 cursor-pointer items-center gap-2 rounded px-2 data-[selected=true]:outline-pine data-[selected=true]:outline-1";

function Group({
  group: { title, hits, most },
  isWhole,
  onMore,
  onChoose,
}: {
  group: HitGroup;
  isWhole: boolean;
  onMore: () => void;
  onChoose: (hit: Hit) => void;
}) {
  const shown = isWhole ? hits : hits.slice(0, most);
  return (
    <Cmdk.Group heading={<span className="text-ink3 px-2 text-sm font-semibold">{title}</span>}>
      {shown.map((hit) => (
        <Cmdk.Item
          key={hit.key}
          value={hit.key}
          onSelect={() => onChoose(hit)}
          onMouseDown={(event) => event.preventDefault()}
          className={itemLook}
        >
          <span className="grow truncate">{hit.title}</span>
          <span className="text-ink2 shrink-0 font-mono text-sm">{hit.detail}</span>
        </Cmdk.Item>
      ))}
      {shown.length < hits.length && (
        <Cmdk.Item
          value={`more ${title}`}
          onSelect={onMore}
          onMouseDown={(event) => event.preventDefault()}
          className={`${itemLook} text-ink2`}
        >
          {say("common.andMore", { count: hits.length - shown.length })}
        </Cmdk.Item>
      )}
    </Cmdk.Group>
  );
}

function useGroups(open: boolean, text: string, run: (command: Command) => void): readonly HitGroup[] {
  const { editor, workOn, panel } = useWorkspace();
  const roster = useEditor((state) => state.roster);
  const lens = useEditor((state) => state.lens);
  const view = useEditor((state) => state.view);
  const [keys] = useKept(changedKeys);
  const scope = useScope();
  const go = useGo();
  const present = roster.profile.id;
  return useMemo(() => {
    // What nobody sees is not looked for: the list of a big profile changes with every edit.
    if (!open) return none;
    return findHits(text, {
      roster,
      lens,
      commands,
      keys,
      scope,
      profiles: view.profiles.filter((each) => !each.deleted && each.id !== present),
      points: view.restorePoints,
      lists: view.followed ? [{ id: "followed", title: view.followed.lineup.title }] : [],
      run,
      toItem: (list, id) => {
        editor.select([id], id, list);
        go("/plan");
      },
      toProfile: (id) => void workOn(id as ProfileId),
      toPoint: () => panel.show("history"),
      toList: () => go("/lineups?part=following"),
      remember: (rule) => editor.dispatch(addRule(rule)),
    });
  }, [open, text, roster, lens, keys, scope, view, present, run, editor, go, workOn, panel]);
}

const none: readonly HitGroup[] = [];
