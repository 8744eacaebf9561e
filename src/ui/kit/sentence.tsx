"use client";

import type { Sentence } from "@/core/messages/parts";
import { findItem, titleOf } from "@/core/roster/roster";
import { useEditor } from "../workspace/workspace.client";

/** An item as it is called everywhere: its seat, if it has one, and its name. */
export function ItemName({ id, seatOnly = false }: { id: string; seatOnly?: boolean }) {
  const item = useEditor((state) => findItem(state.roster, id));
  const seat = item?.seat;
  return (
    <>
      {seat && <span className="text-pine font-mono text-sm font-semibold">{seat}</span>}
      {seat && !seatOnly && " "}
      {(!seat || !seatOnly) && <span className="font-semibold">{item ? titleOf(item) : id}</span>}
    </>
  );
}

/** A sentence with its items; `seats`: by their seats alone, where the names stand close by. */
export function Say({ parts, seats = false }: { parts: Sentence; seats?: boolean }) {
  return parts.map((part, at) =>
    typeof part === "string" ? (
      <span key={at}>{part}</span>
    ) : (
      <ItemName key={at} id={part.item} seatOnly={seats} />
    ),
  );
}
