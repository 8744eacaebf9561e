"use client";

import { ArrowDown, ArrowUp } from "lucide-react";
import { useLayoutEffect, useRef, useState, type KeyboardEvent } from "react";
import { say } from "@/core/language/say";
import type { ListName } from "@/core/model/profile";
import { Button } from "../kit/button";
import { Dialog } from "../kit/dialog";
import { ItemName } from "../kit/sentence";
import type { Decide } from "./use-decide";

interface Props {
  list: ListName;
  /** As they load now; null: nothing is asked. */
  items: readonly string[] | null;
  onClose: () => void;
  decide: Decide;
}

/** Puts several that meet into an order, each of which wins over all before it. */
export function ChainDialog({ items, ...rest }: Props) {
  return (
    <Dialog
      open={items !== null}
      onClose={rest.onClose}
      title={say("conflicts.putIntoOrder")}
      hint={say("conflicts.chainHint")}
      size="medium"
    >
      {items && <Chain key={items.join(" ")} items={items} {...rest} />}
    </Dialog>
  );
}

function Chain({ list, items, onClose, decide }: Props & { items: readonly string[] }) {
  const [order, setOrder] = useState(items);
  const [at, setAt] = useState(0);
  const rows = useRef<HTMLOListElement>(null);
  // A row that has moved is another place of the page, which had no focus.
  useLayoutEffect(() => {
    if (order !== items) rows.current?.querySelector<HTMLElement>('[tabindex="0"]')?.focus();
  }, [order, items]);
  const move = (from: number, by: number) => {
    const to = from + by;
    if (to < 0 || to >= order.length) return;
    const next = [...order];
    next.splice(to, 0, ...next.splice(from, 1));
    setOrder(next);
    setAt(to);
  };
  const go = (to: number) => {
    const place = Math.max(0, Math.min(order.length - 1, to));
    setAt(place);
    rows.current?.querySelectorAll<HTMLElement>("li > div")[place]?.focus();
  };
  const onKeyDown = (event: KeyboardEvent) => {
    const by = { ArrowUp: -1, ArrowDown: 1 }[event.key];
    if (by === undefined) return;
    event.preventDefault();
    if (event.altKey) move(at, by);
    else go(at + by);
  };
  const store = () => {
    decide.pairs(
      list,
      order.slice(1).map((later, place) => ({ earlier: order[place]!, later })),
    );
    onClose();
  };
  return (
    <>
      <ol ref={rows} aria-label={say("conflicts.loadsInThisOrder")} className="max-h-[50vh] overflow-auto">
        {order.map((id, place) => (
          <li key={id} className="border-line flex items-center gap-2 border-b">
            <div
              tabIndex={place === at ? 0 : -1}
              onFocus={() => setAt(place)}
              onKeyDown={onKeyDown}
              className="min-w-0 grow px-1 py-1.5 break-words"
            >
              <ItemName id={id} />{" "}
              {place === order.length - 1 && <span className="text-pine">{say("conflicts.winsThis")}</span>}
            </div>
            <Button
              small
              look="quiet"
              tabIndex={-1}
              disabled={place === 0}
              aria-label={say("conflicts.earlier", { place })}
              onClick={() => move(place, -1)}
            >
              <ArrowUp size={14} aria-hidden />
            </Button>
            <Button
              small
              look="quiet"
              tabIndex={-1}
              disabled={place === order.length - 1}
              aria-label={say("conflicts.later", { place: place + 2 })}
              onClick={() => move(place, 1)}
            >
              <ArrowDown size={14} aria-hidden />
            </Button>
          </li>
        ))}
      </ol>
      <div className="mt-3 flex justify-end gap-2">
        <Button onClick={onClose}>{say("common.cancel")}</Button>
        <Button look="main" onClick={store}>
          {say("conflicts.decideThisOrder")}
        </Button>
      </div>
    </>
  );
}
