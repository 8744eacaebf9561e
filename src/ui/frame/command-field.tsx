"use client";

import { Command as Cmdk } from "cmdk";
import { useEffect, useMemo, useRef, useState } from "react";
import { plainText, type Sentence } from "@/core/messages/parts";
import { sayRefusal } from "@/core/messages/refusals";
import { ruleText } from "@/core/messages/rules";
import type { ListName, Rule } from "@/core/model/profile";
import { seatAndTitle, titleOf, type Roster, type SeatedItem, type SeatedList } from "@/core/roster/roster";
import { addRule } from "@/core/edit/rule-edits";
import { parseRule } from "@/core/edit/rule-sentence";
import { newRule } from "../rules/new-rule";
import { useEditor, useWorkspace } from "../workspace/workspace.client";
import { commands, type Command } from "./commands";
import { useGo } from "../workspace/use-go";

interface Hit {
  readonly key: string;
  readonly group: "Rule" | "Seat" | "Plugins" | "Mods" | "Commands";
  readonly title: string;
  readonly detail: string;
  readonly run: () => void;
}

const groupNames = ["Rule", "Seat", "Plugins", "Mods", "Commands"] as const;
const most = { Rule: 1, Seat: 1, Plugins: 7, Mods: 5, Commands: 8 } as const;

/** One field that finds items by seat or name and runs commands. */
export function CommandField({ run }: { run: (command: Command) => void }) {
  const input = useRef<HTMLInputElement>(null);
  const [open, setOpen] = useState(false);
  const [text, setText] = useState("");
  const hits = useHits(text, run);
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
  const choose = (hit: Hit) => {
    setOpen(false);
    setText("");
    input.current?.blur();
    hit.run();
  };
  const groups = groupNames.filter((group) => hits.some((hit) => hit.group === group));
  return (
    <Cmdk
      shouldFilter={false}
      loop
      label="Search, or type a seat or a command"
      className="relative w-full max-w-[400px]"
      onKeyDown={(event) => {
        if (event.key !== "Escape") return;
        setOpen(false);
        input.current?.blur();
      }}
    >
      <Cmdk.Input
        ref={input}
        value={text}
        onValueChange={(value) => {
          setText(value);
          setOpen(true);
        }}
        onFocus={() => setOpen(true)}
        onBlur={() => setTimeout(() => setOpen(false), 120)}
        placeholder="Search, or type a seat or a command"
        className="border-line bg-sunk placeholder:text-ink3 h-8 w-full rounded-md border pr-14 pl-2.5"
      />
      <kbd className="border-line bg-surface text-ink3 pointer-events-none absolute top-1.5 right-2 rounded border px-1.5 font-mono text-xs">
        Ctrl K
      </kbd>
      {/* Always there, for the field names it as what it controls. */}
      <Cmdk.List
        hidden={!open}
        className="border-line bg-surface absolute top-9 right-0 left-0 z-50 max-h-[60vh] min-w-[360px] overflow-auto rounded-md border p-1 shadow-xl"
      >
        {hits.length === 0 && (
          <div className="text-ink2 px-2 py-3">Nothing is called “{text}”, and no seat or command.</div>
        )}
        {groups.map((group) => (
          <Cmdk.Group
            key={group}
            heading={<span className="text-ink3 px-2 text-xs font-semibold">{group}</span>}
          >
            {hits
              .filter((hit) => hit.group === group)
              .map((hit) => (
                <Cmdk.Item
                  key={hit.key}
                  value={hit.key}
                  onSelect={() => choose(hit)}
                  onMouseDown={(event) => event.preventDefault()}
                  className="data-[selected=true]:bg-pine-soft flex h-7 cursor-pointer items-center gap-2 rounded px-2"
                >
                  <span className="grow truncate">{hit.title}</span>
                  <span className="text-ink3 shrink-0 font-mono text-sm">{hit.detail}</span>
                </Cmdk.Item>
              ))}
          </Cmdk.Group>
        ))}
      </Cmdk.List>
    </Cmdk>
  );
}

function useHits(text: string, run: (command: Command) => void): Hit[] {
  const { editor } = useWorkspace();
  const roster = useEditor((state) => state.roster);
  const lens = useEditor((state) => state.lens);
  const go = useGo();
  return useMemo(() => {
    const wanted = text.trim().toLowerCase();
    const toItem = (list: ListName, id: string) => () => {
      editor.select([id], id, list);
      go("/plan");
    };
    const all = [
      ...ruleHits(roster, lens, text, (rule) => editor.dispatch(addRule(rule))),
      ...seatHits(roster.lists[lens], wanted, toItem),
      ...nameHits(roster.lists.plugins, wanted, toItem),
      ...nameHits(roster.lists.mods, wanted, toItem),
      ...commandHits(wanted, run),
    ];
    const counts = new Map<string, number>();
    return all.filter(({ group }) => {
      const count = (counts.get(group) ?? 0) + 1;
      counts.set(group, count);
      return count <= most[group];
    });
  }, [text, roster, lens, editor, go, run]);
}

/** A sentence that is a rule: chosen, it is remembered; one that names nothing to be found says what is the matter. */
function ruleHits(roster: Roster, list: ListName, text: string, remember: (rule: Rule) => void): Hit[] {
  const spoken = parseRule(roster.lists[list], text);
  if (!spoken) return [];
  const words = (parts: Sentence) => plainText(parts, (id) => seatAndTitle(roster, id));
  if (!spoken.ok)
    return [
      {
        key: "rule",
        group: "Rule",
        title: words(sayRefusal(spoken.refusal)),
        detail: "",
        run: () => undefined,
      },
    ];
  const { rule, note } = spoken.value;
  return [
    {
      key: "rule",
      group: "Rule",
      title: `Remember: ${words(ruleText(rule))}`,
      detail: rule.strength,
      run: () => remember(newRule(list, rule, note)),
    },
  ];
}

type Go = (list: ListName, id: string) => () => void;

const itemHit = (group: Hit["group"], item: SeatedItem, go: Go): Hit => ({
  key: `${group} ${item.id}`,
  group,
  title: titleOf(item),
  detail: item.seat,
  run: go(item.list, item.id),
});

/** Of the order that is looked at. */
const seatHits = ({ items }: SeatedList, wanted: string, go: Go): Hit[] =>
  items.filter((item) => item.seat.toLowerCase() === wanted).map((item) => itemHit("Seat", item, go));

function nameHits({ name, items }: SeatedList, wanted: string, go: Go): Hit[] {
  if (wanted === "") return [];
  const group = name === "mods" ? "Mods" : "Plugins";
  return items
    .filter((item) => `${titleOf(item)} ${item.id}`.toLowerCase().includes(wanted))
    .map((item) => itemHit(group, item, go));
}

function commandHits(wanted: string, run: (command: Command) => void): Hit[] {
  return commands
    .filter((command) => command.title.toLowerCase().includes(wanted))
    .map((command) => ({
      key: `command ${command.id}`,
      group: "Commands",
      title: command.title,
      detail: (command.keys ?? "").replace("Mod", "Ctrl"),
      run: () => run(command),
    }));
}
