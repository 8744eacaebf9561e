"use client";

import { moment } from "../kit/moment";
import { say } from "@/core/language/say";
import { useEffect, useMemo, useRef, useState } from "react";
import { labelText } from "@/core/messages/labels";
import { titleOfId } from "@/core/roster/roster";
import type { JournalLine } from "@/server/operations/history";
import type { GridColumn } from "../kit/grid/columns";
import type { GridCommand } from "../kit/grid/commands";
import { isPossible } from "../kit/grid/commands";
import { nothingSelected } from "../kit/grid/selection";
import { Button } from "../kit/button";
import { Empty } from "../kit/empty";
import { TextLink } from "../workspace/view-link";
import { ListGrid } from "../workspace/list-grid";
import { readJournal } from "../workspace/server";
import { useEditor, useWorkspace } from "../workspace/workspace.client";
import { ComparisonDialog, type Compared } from "./comparison-dialog";
import { noJournal, withNews, type Journal } from "./journal";
import { momentsOf, type Moment } from "./moments";
import { useGoBack } from "./use-go-back";

/** What was done to the profile and when, with its restore points; each is a state to look at, to compare with, and to go back to. */
export function HistoryTab() {
  const back = useGoBack();
  const profile = useEditor((state) => state.profile.id);
  const journal = useJournal();
  const points = useEditor((state) => state.view.restorePoints);
  const roster = useEditor((state) => state.roster);
  const [compared, setCompared] = useState<Compared | null>(null);
  const [selection, setSelection] = useState(nothingSelected);
  const moments = useMemo(() => {
    const words = ({ label }: JournalLine) =>
      labelText(label, { title: (id) => titleOfId(roster, id), seat: () => null });
    return momentsOf(journal, points, words);
  }, [journal, points, roster]);
  const commands = useMemo((): readonly GridCommand<Moment>[] => {
    const isOne = (rows: readonly Moment[]) => rows.length === 1;
    return [
      {
        id: "go-back",
        title: () => say("history.goBackToThisPoint"),
        keys: ["Enter"],
        isPossible: (rows) => isOne(rows) && !rows[0]!.isNow,
        run: ([moment]) => void back(moment!),
      },
      {
        id: "compare",
        title: () => say("history.compareItWithNow"),
        isPossible: (rows) => isOne(rows) && !rows[0]!.isNow,
        run: ([moment]) => setCompared({ then: moment!, with: "now" }),
      },
      {
        id: "changed",
        title: () => say("history.showWhatItChanged"),
        isPossible: (rows) => isOne(rows) && rows[0]!.kind === "edit",
        run: ([moment]) => setCompared({ then: moment!, with: "before" }),
      },
    ];
  }, [back]);
  const chosen = moments.filter(({ key }) => selection.selected.includes(key));
  return (
    <section aria-label={say("common.history")} className="flex min-h-0 grow flex-col">
      <header className="flex min-h-9 shrink-0 flex-wrap items-center gap-x-2 px-3">
        <h2 className="mr-2 font-bold">{say("history.historyOf", { name: roster.profile.name })}</h2>
        {commands.map((command) => (
          <Button
            key={command.id}
            small
            disabled={!isPossible(command, chosen)}
            onClick={() => command.run(chosen)}
          >
            {command.title(chosen)}
          </Button>
        ))}
      </header>
      {moments.length === 0 ? (
        <Empty purpose={say("history.nothingHasBeenChangedInThis")}>
          <TextLink href="/plan">{say("common.goToThePlan")}</TextLink>
        </Empty>
      ) : (
        <ListGrid
          kind="history"
          label={say("history.editsAndRestorePoints")}
          rows={moments}
          keyOf={keyOf}
          columns={columns}
          commands={commands}
          selection={selection}
          onSelection={setSelection}
          className="border-line min-h-0 grow border-t"
        />
      )}
      {compared && (
        <ComparisonDialog compared={compared} profile={profile} onClose={() => setCompared(null)} />
      )}
    </section>
  );
}

const keyOf = ({ key }: Moment): string => key;

const columns: readonly GridColumn<Moment>[] = [
  {
    id: "at",
    get label() {
      return say("common.when");
    },
    width: 176,
    isFixed: true,
    isMono: true,
    text: ({ at }) => moment(at),
    sortBy: ({ at }) => at.getTime(),
  },
  {
    id: "what",
    get label() {
      return say("history.whatWasDone");
    },
    width: 150,
    isFixed: true,
    isMain: true,
    text: ({ what }) => what,
    cell: ({ what, isUndone }) => (
      <span className={isUndone ? "text-ink3 font-normal line-through" : ""}>{what}</span>
    ),
  },
  {
    id: "state",
    get label() {
      return say("common.state");
    },
    width: 150,
    text: ({ kind, isNow, isUndone }) =>
      kind === "point"
        ? say("history.restorePoint")
        : isNow
          ? say("history.theProfileNow")
          : isUndone
            ? say("history.undone")
            : "",
  },
];

/** With every change of the profile only what is new is read. */
function useJournal(): Journal {
  const { unwrap } = useWorkspace();
  const { id } = useEditor((state) => state.profile);
  const history = useEditor((state) => state.history);
  const [read, setRead] = useState<{ of: string; journal: Journal }>({ of: id, journal: noJournal });
  const latest = useRef(read);
  useEffect(() => {
    let wanted = true;
    const { of, journal } = latest.current;
    const known = of === id ? journal : noJournal;
    const [newest] = known.lines;
    void readJournal(id, newest ? { number: newest.number, at: newest.at } : null).then((outcome) => {
      const news = wanted ? unwrap(outcome) : null;
      if (!news) return;
      latest.current = { of: id, journal: withNews(known, news) };
      setRead(latest.current);
    });
    return () => {
      wanted = false;
    };
  }, [id, history, unwrap]);
  return read.of === id ? read.journal : noJournal;
}
