"use client";

import type { Sentence } from "@/core/messages/parts";
import { useEditor } from "../workspace/workspace.client";

/** An item as it is called everywhere: its seat, if it has one, and its name. */
export function ItemName({ id }: { id: string }) {
  const seat = useEditor((state) => state.roster.pluginOf.get(id)?.seat);
  return (
    <>
      {seat && <span className="text-pine font-mono text-sm font-semibold">{seat}</span>}
      {seat && " "}
      <span className="font-semibold">{id}</span>
    </>
  );
}

export function Say({ parts }: { parts: Sentence }) {
  return parts.map((part, at) =>
    typeof part === "string" ? <span key={at}>{part}</span> : <ItemName key={at} id={part.item} />,
  );
}
