"use client";

import { DropdownMenu } from "radix-ui";
import { ChevronDown } from "lucide-react";
import { useCallback } from "react";
import { say } from "@/core/language/say";
import type { AboutItem, Meets } from "@/core/conflict/about";
import { contestedIn, type Contested } from "@/core/conflict/conflicts";
import type { Pair } from "@/core/conflict/chains";
import { switchItems } from "@/core/edit/edits";
import { Button } from "../kit/button";
import { menuItemLook, menuLook } from "../kit/menu-look";
import { Part } from "../kit/part";
import { rich } from "../kit/rich";
import type { ConflictQuestion } from "../workspace/use-conflicts";
import { useEditor, useWorkspace } from "../workspace/workspace.client";
import { Holder, Standing } from "./holder";
import { TextLink } from "../workspace/view-link";
import { conflictsAbout, type Looked } from "./conflicts-address";
import { useAskConflicts } from "./use-ask-conflicts";
import type { Decide } from "./use-decide";

/** Null where it provides nothing; undefined until that is known. */
function useAboutItem(of: Contested, id: string): AboutItem | null | undefined {
  const question: ConflictQuestion<AboutItem | null> = useCallback(
    (jobs) => jobs.aboutItem(of, id),
    [of, id],
  );
  const { answer } = useAskConflicts(question);
  return answer && answer.id !== id ? undefined : answer;
}

interface Props {
  of: Contested;
  id: string;
  onLook: (looked: Looked) => void;
  decide: Decide;
}

/** One mod or plugin: what it overrides, what overrides it, what is left of it. */
export function ItemInspector({ of, id, onLook, decide }: Props) {
  const about = useAboutItem(of, id);
  return (
    <>
      <h2 className="font-bold break-words">
        <Holder id={id} />
      </h2>
      {about ? (
        <>
          <p>{figuresText(of, about)}</p>
          <DoesNothing of={of} about={about} />
          <DecideAll of={of} about={about} decide={decide} />
          <MeetsPart title={say("conflicts.overrides")} item={id} meets={about.overrides} onLook={onLook} />
          <MeetsPart
            title={say("conflicts.overriddenBy")}
            item={id}
            meets={about.overriddenBy}
            onLook={onLook}
          />
          <Left of={of} about={about} onLook={onLook} />
        </>
      ) : (
        about === null && <p className="text-ink2">{say("conflicts.providesNothing")}</p>
      )}
    </>
  );
}

/** Its figures in a sentence. */
export const figuresText = (of: Contested, about: AboutItem): string =>
  say(`conflicts.figures.${of}`, {
    files: about.files,
    wins: about.wins,
    over: about.overrides.length,
    loses: about.loses,
    alone: about.alone,
  });

/** The same of an item of a list that loads, short, with the ways out and the way to all of it; nothing where it meets nobody. */
export function ConflictsInShort({ of, id, title }: { of: Contested; id: string; title?: string }) {
  const about = useAboutItem(of, id);
  if (!about || about.wins + about.loses === 0) return null;
  const short = (
    <div className="space-y-1.5">
      <p>{figuresText(of, about)}</p>
      <DoesNothing of={of} about={about} />
      <TextLink href={conflictsAbout(of, { kind: "item", id })}>{say("conflicts.showThem")}</TextLink>
    </div>
  );
  return title === undefined ? short : <Part title={title}>{short}</Part>;
}

/** Where nothing of it reaches the game, or another one brings it all. */
function DoesNothing({ of, about }: { of: Contested; about: AboutItem }) {
  const { editor } = useWorkspace();
  const { copyOf, covered } = about;
  const item = useEditor(({ roster }) => roster.lists[contestedIn[of]].itemOf.get(about.id));
  if (!covered && copyOf === null) return null;
  return (
    <div className="bg-saffron-soft rounded-md p-2">
      <p>
        {copyOf !== null
          ? rich("conflicts.isCopy", { item: <Holder id={copyOf} /> })
          : say("conflicts.isCovered", { files: about.files })}
      </p>
      {item && !item.fixed && (
        <Button
          small
          className="mt-1.5"
          onClick={() => {
            const edit = switchItems(editor.getState().roster, [item], false);
            if (edit) editor.dispatch(edit);
          }}
        >
          {say("conflicts.switchOff")}
        </Button>
      )}
    </div>
  );
}

const open = (meets: readonly Meets[]): string[] =>
  meets.filter(({ decided, unequal, id }) => !decided && unequal > 0 && id !== "").map(({ id }) => id);

/** All pairs of the item that nothing decides, at once. */
function DecideAll({ of, about, decide }: { of: Contested; about: AboutItem; decide: Decide }) {
  const [over, under] = [open(about.overrides), open(about.overriddenBy)];
  const others = [...new Set([...over, ...under])];
  if (others.length === 0) return null;
  const list = contestedIn[of];
  const { id } = about;
  const wins: Pair[] = others.map((earlier) => ({ earlier, later: id }));
  const loses: Pair[] = others.map((later) => ({ earlier: id, later }));
  const ways = [
    { title: say("conflicts.keepAll"), run: () => decide.keep(list, wins) },
    { title: say("conflicts.winsAll"), run: () => decide.pairs(list, wins) },
    { title: say("conflicts.losesAll"), run: () => decide.pairs(list, loses) },
  ];
  return (
    <DropdownMenu.Root>
      <DropdownMenu.Trigger asChild>
        <Button>
          {say("conflicts.decideAll", { count: others.length })}
          <ChevronDown size={14} aria-hidden />
        </Button>
      </DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content align="start" sideOffset={4} className={menuLook}>
          {ways.map(({ title, run }) => (
            <DropdownMenu.Item key={title} onSelect={run} className={menuItemLook}>
              {title}
            </DropdownMenu.Item>
          ))}
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  );
}

const mostMet = 12;

function MeetsPart({
  title,
  item,
  meets,
  onLook,
}: {
  title: string;
  item: string;
  meets: readonly Meets[];
  onLook: (looked: Looked) => void;
}) {
  if (meets.length === 0) return null;
  return (
    <Part title={`${title} (${meets.length})`}>
      <ul className="space-y-1">
        {meets.slice(0, mostMet).map(({ id, count, decided }) => (
          <li key={id} className="flex items-baseline gap-2">
            <button
              type="button"
              className="grow text-left break-words hover:underline"
              onClick={() => onLook({ kind: "pair", pair: [item, id] })}
            >
              <Holder id={id} />
            </button>
            <span className="font-mono text-sm">{count}</span>
            <span className="w-20 shrink-0 text-sm">
              <Standing decided={decided} />
            </span>
          </li>
        ))}
        {meets.length > mostMet && (
          <li className="text-ink3">{say("common.andMore", { count: meets.length - mostMet })}</li>
        )}
      </ul>
    </Part>
  );
}

function Left({ of, about, onLook }: { of: Contested; about: AboutItem; onLook: (looked: Looked) => void }) {
  const left = about.files - about.loses;
  if (left === 0) return null;
  return (
    <Part title={say(`conflicts.left.${of}`, { count: left })}>
      <ul
        tabIndex={0}
        aria-label={say(`conflicts.left.${of}`, { count: left })}
        className="max-h-48 overflow-auto"
      >
        {about.left.map((key) => (
          <li key={key}>
            <button
              type="button"
              tabIndex={-1}
              className="text-left font-mono text-sm break-all hover:underline"
              onClick={() => onLook({ kind: "key", key })}
            >
              {key}
            </button>
          </li>
        ))}
        {left > about.left.length && (
          <li className="text-ink3">{say("common.andMore", { count: left - about.left.length })}</li>
        )}
      </ul>
    </Part>
  );
}
