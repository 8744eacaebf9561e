import { useCallback, useEffect, useState } from "react";
import { z } from "zod";
import { plainName } from "@/core/lineup/names";
import type { ResolvedList } from "@/formats/lineup/resolve";
import { askForList } from "../../../work/ask";
import { useDepot } from "../../depot/depot.client";
import { usePreference } from "../../workspace/use-preference";
import { useEditor, useWorkspace } from "../../workspace/workspace.client";

export interface ListSource {
  readonly bytes: Uint8Array;
  readonly name: string;
}

const Answers = z.record(z.string(), z.string().nullable());
const noAnswers = {};
/** Answers that are remembered; the oldest go first. */
const mostRemembered = 800;

interface ListInState {
  readonly source: ListSource | null;
  readonly resolved: ResolvedList | null;
  readonly busy: boolean;
  readonly open: (source: ListSource) => void;
  readonly close: () => void;
  /** Says what a line means: the id of a mod, or null for none. */
  readonly answer: (line: string, id: string | null) => void;
}

/** A list that came in, read in a worker; read again whenever more is known here, or said of its lines. */
export function useListIn(): ListInState {
  const { unwrap } = useWorkspace();
  const { game, stock } = useEditor((state) => state.view);
  const { mods } = useDepot();
  const [answers, setAnswers] = usePreference("line-answers", Answers, noAnswers);
  const [source, setSource] = useState<ListSource | null>(null);
  const [read, setRead] = useState<{ readonly of: ListSource; readonly list: ResolvedList } | null>(null);
  useEffect(() => {
    // Without the depot's catalogue half of it would seem not to be had.
    if (!source || mods === null) return;
    const offered = mods.map(({ mod }) => mod);
    let wanted = true;
    void askForList(game, stock, source, offered, answers).then((outcome) => {
      if (!wanted || outcome === null) return;
      const list = unwrap(outcome);
      if (list) setRead({ of: source, list });
      else setSource(null);
    });
    return () => {
      wanted = false;
    };
  }, [source, game, stock, mods, answers, unwrap]);
  const answer = useCallback(
    (line: string, id: string | null) => {
      const kept = Object.entries(answers).slice(-mostRemembered);
      setAnswers({ ...Object.fromEntries(kept), [plainName(line)]: id });
    },
    [answers, setAnswers],
  );
  const close = useCallback(() => {
    setSource(null);
    setRead(null);
  }, []);
  const resolved = read?.of === source ? read.list : null;
  return { source, resolved, busy: source !== null && resolved === null, open: setSource, close, answer };
}
