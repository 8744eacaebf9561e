"use client";

import { moment } from "../kit/moment";
import { say } from "@/core/language/say";
import { useEffect, useState } from "react";
import type { CopyListed } from "@/server/operations/order-file";
import { Button } from "../kit/button";
import { formatSize } from "../kit/format-size";
import { listCopies } from "../workspace/server";
import { useEditor, useWorkspace } from "../workspace/workspace.client";

/** Copies of what another program had written where Seating wrote, to be put back. */
export function Copies() {
  const { orderFile, tell, unwrap } = useWorkspace();
  const { onDisk, view } = useEditor((state) => state);
  const [copies, setCopies] = useState<readonly CopyListed[] | null>(null);
  useEffect(() => {
    let wanted = true;
    void listCopies().then((outcome) => wanted && setCopies(unwrap(outcome)));
    return () => {
      wanted = false;
    };
  }, [onDisk, view.game.id, unwrap]);
  const putBack = async ({ id, path, at }: CopyListed) => {
    if (await orderFile.putBack(id)) tell([say("orderFile.isAsItWasKeptOn", { path, when: moment(at) })]);
  };
  if (!copies || copies.length === 0)
    return <p className="text-ink2 text-sm">{say("orderFile.noneYetOneIsKeptBefore")}</p>;
  return (
    <ul>
      {copies.map((copy) => (
        <li key={copy.id} className="border-line flex items-center gap-x-3 border-t py-1.5 text-sm">
          <span className="min-w-0 grow truncate font-mono" title={copy.path}>
            {copy.path.split(/[\\/]/).at(-1)}
          </span>
          <span className="text-ink3 shrink-0">{formatSize(copy.size)}</span>
          <time dateTime={copy.at} className="text-ink3 shrink-0 font-mono" suppressHydrationWarning>
            {moment(copy.at)}
          </time>
          <Button small onClick={() => void putBack(copy)}>
            {say("common.restore")}
          </Button>
        </li>
      ))}
    </ul>
  );
}
