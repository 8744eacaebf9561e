import { useEffect, useEffectEvent } from "react";
import type { Dropped } from "./dropped-files";

type Take = (mods: readonly Dropped[]) => void;

let take: Take | null = null;

/** Mods that were chosen or pasted somewhere, to be looked at one after another. */
export const offerMods = (mods: readonly Dropped[]): void => take?.(mods);

export function useOfferedMods(onOffer: Take): void {
  const onMods = useEffectEvent(onOffer);
  useEffect(() => {
    const mine: Take = (mods) => onMods(mods);
    take = mine;
    return () => {
      if (take === mine) take = null;
    };
  }, []);
}
