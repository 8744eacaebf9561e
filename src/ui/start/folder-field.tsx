"use client";

import { say } from "@/core/language/say";
import { rich } from "../kit/rich";
import { useEffect, useId, useState, type ReactNode } from "react";
import type { FolderReport } from "@/server/operations/folders";
import { Button } from "../kit/button";
import { Field } from "../kit/field";
import { reportFolder } from "../workspace/server";
import { FolderChooser } from "./folder-chooser";

type FoundGame = FolderReport["games"][number];

/** How long a path has to stand before it is looked at, in milliseconds. */
const pause = 300;

/** A path that is looked at while it is typed: what lies there is said below it. */
export function FolderField({
  label,
  value,
  onChange,
  sign = null,
  needs,
  hint,
  placeholder,
  action,
  onGame,
}: {
  label: string;
  value: string;
  onChange: (path: string) => void;
  /** The file by which a game is known, where the folder is to hold one. */
  sign?: string | null;
  /** What it is for: mods are counted in it, or it is only read, or it is written to. */
  needs: "mods" | "reading" | "writing";
  hint?: string;
  placeholder?: string;
  action?: ReactNode;
  /** A game that lies there, or in a folder below, is chosen instead. */
  onGame?: (game: FoundGame) => void;
}) {
  const said = useId();
  const report = useReport(value, sign);
  const words = report && reportWords(report, value, needs);
  return (
    <div className="flex items-end gap-2">
      <div className="min-w-0 grow">
        <Field
          label={label}
          value={value}
          onChange={(event) => onChange(event.target.value)}
          placeholder={placeholder}
          spellCheck={false}
          hint={hint}
          error={words?.wrong ? words.text : null}
          aria-describedby={words && !words.wrong ? said : undefined}
        />
        {/* Its line is there before it says anything: what lies below stays under the pointer of whoever presses it. */}
        <p
          id={said}
          role="status"
          className={`text-ink2 mt-1 text-sm ${words?.wrong ? "empty:hidden" : "min-h-[1lh]"}`}
        >
          {words && !words.wrong && words.text}
        </p>
        {onGame && report && report.games.length > 0 && report.holdsGame !== true && (
          <FoundGames games={report.games} onGame={onGame} />
        )}
      </div>
      <FolderChooser label={label} path={value} onChoose={onChange} />
      {action}
    </div>
  );
}

function FoundGames({ games, onGame }: { games: readonly FoundGame[]; onGame: (game: FoundGame) => void }) {
  return (
    <ul aria-label={say("start.gamesThatLieThere")} className="mt-1 space-y-1">
      {games.map((game) => (
        <li key={`${game.id} ${game.path}`} className="flex flex-wrap items-center gap-2">
          <span>
            {rich("start.liesIn", {
              name: <b>{game.name}</b>,
              text: <span className="font-mono text-sm">{game.path}</span>,
            })}
          </span>
          <Button
            small
            aria-label={say("start.takeIn", { name: game.name, path: game.path })}
            onClick={() => onGame(game)}
          >
            {say("start.useThisFolder")}
          </Button>
        </li>
      ))}
    </ul>
  );
}

function useReport(path: string, sign: string | null): FolderReport | null {
  const [known, setKnown] = useState<{ path: string; sign: string | null; report: FolderReport } | null>(
    null,
  );
  useEffect(() => {
    if (path.trim() === "") return;
    let wanted = true;
    const timer = setTimeout(() => {
      void reportFolder(path, sign).then(
        (outcome) => wanted && outcome.ok && setKnown({ path, sign, report: outcome.value }),
      );
    }, pause);
    return () => {
      wanted = false;
      clearTimeout(timer);
    };
  }, [path, sign]);
  return known?.path === path && known.sign === sign ? known.report : null;
}

function reportWords(
  { there, readable, writable, archives, folders, holdsGame, path }: FolderReport,
  typed: string,
  needs: "mods" | "reading" | "writing",
): { text: string; wrong: boolean } {
  if (!there) return { text: say("start.thereIsNoSuchFolder"), wrong: true };
  if (!readable) return { text: say("start.itIsThereButSeatingMay"), wrong: true };
  const found = say("start.archivesAndFolders", { archives, folders });
  const parts = [
    holdsGame === null ? "" : holdsGame ? say("start.theGameLiesHere") : say("start.theGameDoesNotLieHere"),
    say("start.readable"),
    needs === "mods" ? found : "",
    needs === "reading" ? "" : writable ? say("start.writable") : say("start.notWritable"),
  ].filter(Boolean);
  // However it was typed: where that leads.
  const where = path !== null && path !== typed.trim() ? `${path}: ` : "";
  const text = `${parts.join(", ")}.`;
  const wrong = holdsGame === false || (needs === "writing" && !writable);
  return { text: where + (where ? text : text[0]!.toUpperCase() + text.slice(1)), wrong };
}
