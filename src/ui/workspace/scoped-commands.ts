import { useEffect, useSyncExternalStore } from "react";
import { isPossible, type GridCommand } from "../kit/grid/commands";
import { listeningTo } from "../kit/listening";

/** Something that can be done with what is selected in the view that is shown. */
interface ScopedCommand {
  readonly id: string;
  readonly title: string;
  readonly keys: string | null;
  readonly isPossible: boolean;
  readonly run: () => void;
}

export interface Scope {
  /** Where it holds, as a heading: "In the plan". */
  readonly title: string;
  readonly commands: readonly ScopedCommand[];
}

let present: Scope | null = null;
const listeners = new Set<() => void>();

function set(scope: Scope | null): void {
  present = scope;
  for (const listener of listeners) listener();
}

const subscribe = listeningTo(listeners);

const get = () => present;

/** What the view that is shown offers beside the commands that hold everywhere. */
export const useScope = (): Scope | null => useSyncExternalStore(subscribe, get, () => null);

/** Offers the commands of a list, and what is selected in it, to the command field and the list of keys, as long as the view is shown. */
export function useScopedCommands<Row>(
  title: string,
  commands: readonly GridCommand<Row>[],
  rows: readonly Row[],
): void {
  useEffect(() => {
    const scope: Scope = {
      title,
      commands: commands.map((command) => ({
        id: command.id,
        title: command.title(rows),
        keys: command.keys?.[0] ?? null,
        isPossible: isPossible(command, rows),
        run: () => command.run(rows),
      })),
    };
    set(scope);
    return () => {
      if (present === scope) set(null);
    };
  }, [title, commands, rows]);
}
