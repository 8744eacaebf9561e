import { useMemo } from "react";
import { say } from "@/core/language/say";
import type { Pair } from "@/core/conflict/chains";
import { decideEdit, keepEdit, letWinEdit } from "@/core/edit/decide";
import { dropRule } from "@/core/edit/rule-edits";
import type { Edit } from "@/core/model/edit";
import type { Outcome } from "@/core/model/outcome";
import { sayRefusal } from "@/core/messages/refusals";
import type { ListName } from "@/core/model/profile";
import { newRule } from "../rules/new-rule";
import { useWorkspace } from "../workspace/workspace.client";

export interface Decide {
  /** Of each pair the later one wins. */
  readonly pairs: (list: ListName, pairs: readonly Pair[]) => void;
  readonly keep: (list: ListName, pairs: readonly Pair[]) => void;
  readonly letWin: (
    path: { readonly key: string; readonly providers: readonly string[] },
    winner: string,
  ) => void;
  readonly dropRule: (id: string) => void;
}

/** The ways of deciding who wins, in the profile as it is when one is chosen. */
export function useDecide(): Decide {
  const { editor, tell } = useWorkspace();
  return useMemo(() => {
    const done = (edit: Outcome<Edit | null>) => {
      if (!edit.ok) return tell(sayRefusal(edit.refusal), "wrong");
      if (edit.value) editor.dispatch(edit.value);
      else tell([say("conflicts.isDecidedSo")]);
    };
    const roster = () => editor.getState().roster;
    return {
      pairs: (list, pairs) => done(decideEdit(roster(), list, pairs, newRule)),
      keep: (list, pairs) => done(keepEdit(roster(), list, pairs, newRule)),
      letWin: (path, winner) => done({ ok: true, value: letWinEdit(roster(), path, winner) }),
      dropRule: (id) => {
        const rule = roster().profile.state.rules.find((each) => each.id === id);
        if (rule) editor.dispatch(dropRule(rule));
      },
    };
  }, [editor, tell]);
}
