"use client";

import { createContext, use, useCallback, useEffect, useMemo, useRef, useState, type ReactNode } from "react";
import { Offers } from "@/core/depot/offers";
import type { DepotCatalogue, DepotMod } from "@/core/model/depot";
import type { Outcome } from "@/core/model/outcome";
import type { DepotAct, DepotState } from "@/server/operations/depot";
import { listenToServer } from "../workspace/events";
import { actOnDepot, emptyQueue, getFromDepot, readCatalogue, readDepot } from "../workspace/server";
import { useEditor, useWorkspace } from "../workspace/workspace.client";

/** What the depot offers for the game and what is got from it. */
interface DepotView {
  /** Null until it has been read; empty where no depot has anything for the game. */
  readonly mods: readonly DepotMod[] | null;
  /** The same against what lies here; null until it has been read. */
  readonly offers: Offers | null;
  readonly state: DepotState | null;
  readonly get: (files: readonly string[]) => Promise<void>;
  readonly act: (act: DepotAct) => Promise<void>;
  readonly empty: () => Promise<void>;
}

interface Held extends DepotView {
  /** Reads what is offered, the first time that somebody asks. */
  readonly want: () => void;
}

const DepotContext = createContext<Held | null>(null);

export function DepotRoot({ children }: { children: ReactNode }) {
  const { editor, unwrap, panel } = useWorkspace();
  const { show } = panel;
  const game = useEditor((state) => state.view.game.id);
  const [offered, setOffered] = useState<{ game: string; catalogue: DepotCatalogue | null } | null>(null);
  const [state, setState] = useState<DepotState | null>(null);
  const asked = useRef<string | null>(null);
  const take = useCallback(
    (outcome: Outcome<DepotState>) => {
      const next = unwrap(outcome);
      if (next) setState(next);
    },
    [unwrap],
  );
  const want = useCallback(() => {
    if (asked.current === game) return;
    asked.current = game;
    void readCatalogue().then((outcome) => {
      // Without a catalogue a list can still be matched against the shelf.
      setOffered({ game, catalogue: unwrap(outcome) });
    });
  }, [game, unwrap]);
  useEffect(() => void readDepot().then(take), [game, take]);
  useEffect(
    () =>
      listenToServer(editor.getState().view.at, (event) => {
        const isMeant = (event.kind === "depot" && event.game === game) || event.kind === "again";
        if (isMeant) void readDepot().then(take);
      }),
    [editor, game, take],
  );
  const mods = useMemo(
    () => (offered?.game === game ? (offered.catalogue?.mods ?? []) : null),
    [offered, game],
  );
  const { game: definition, stock } = useEditor((now) => now.view);
  const offers = useMemo(() => mods && new Offers(definition, mods, stock), [mods, definition, stock]);
  const view = useMemo(
    (): Held => ({
      mods,
      offers,
      state,
      want,
      get: async (files) => {
        show("queue");
        take(await getFromDepot([...files]));
      },
      act: async (act) => {
        const outcome = await actOnDepot(act);
        take(outcome);
      },
      empty: async () => take(await emptyQueue()),
    }),
    [mods, offers, state, want, take, show],
  );
  return <DepotContext value={view}>{children}</DepotContext>;
}

/** What is got at present; it asks for no catalogue. */
export const useTransfers = (): DepotState | null => useHeld().state;

function useHeld(): Held {
  const held = use(DepotContext);
  if (!held) throw new Error("there is no depot above this component");
  return held;
}

export function useDepot(): DepotView {
  const held = useHeld();
  const { want } = held;
  useEffect(() => want(), [want]);
  return held;
}
