"use client";

import { say } from "@/core/language/say";
import { useMemo, type ReactNode } from "react";
import type { Offer } from "@/core/depot/offers";
import type { DepotMod } from "@/core/model/depot";
import type { Want } from "@/core/model/want";
import type { DepotState } from "@/server/operations/depot";
import { Button, type ButtonLook } from "../kit/button";
import { useDepot } from "./depot.client";

/** Gets archives of the depot; as long as all of them are asked for and not here, the button says so and cannot be pressed again. */
export function GetFiles({
  files,
  title,
  look = "plain",
  small = false,
  children,
}: {
  files: readonly DepotMod[];
  title?: string;
  look?: ButtonLook;
  small?: boolean;
  children: ReactNode;
}) {
  const { state, get } = useDepot();
  const isAsked = files.length > 0 && files.every(({ mod }) => isQueued(state, mod.path));
  return (
    <Button
      look={look}
      small={small}
      disabled={isAsked}
      {...(title !== undefined && { title })}
      onClick={(event) => {
        event.stopPropagation();
        void get(files.map(({ mod }) => mod.path));
      }}
    >
      {!isAsked ? children : state?.halted ? say("depot.waitsInTheDepotSQueue") : say("depot.onItsWay")}
    </Button>
  );
}

/** What has come counts until the shelf is read, which happens when nothing waits any more. */
function isQueued(state: DepotState | null, file: string): boolean {
  const transfer = state?.transfers.find((each) => each.file === file)?.state;
  return transfer === "waiting" || transfer === "under-way" || (transfer === "got" && state!.running);
}

/**
 * The way out of something that is missing here and can be got, with what it needs; nothing where the depot has none of it.
 * `brief` where there is room for two words only: what comes along is in its hint.
 */
export function GetMissing({ wants, brief = false }: { wants: readonly Want[]; brief?: boolean }) {
  const { offers } = useDepot();
  const offer = useMemo(() => offers?.of(wants) ?? null, [offers, wants]);
  if (!offer) return null;
  return (
    <GetFiles small files={offer.files} title={titleOf(offer)}>
      {brief ? say("depot.getIt") : words(offer, wants.length)}
    </GetFiles>
  );
}

function words({ met, needs }: Offer, asked: number): string {
  const what =
    asked === 1
      ? say("depot.getIt")
      : met === asked
        ? say("depot.getAll", { met })
        : say("depot.getOf", { met, asked });
  if (needs === 0) return what;
  return say("depot.withTheTheyNeed", { what, rest: needs === 1 ? say("depot.one") : needs, met });
}

function titleOf({ files, byHand }: Offer): string {
  const from = say("depot.fromTheDepot", {
    files: files.map(({ mod }) => `${mod.name} ${mod.version}`).join(", "),
  });
  if (byHand.length === 0) return from;
  return say("depot.toBeGotByHandBesides", { from, byHand: byHand.map(({ mod }) => mod.name).join(", ") });
}
