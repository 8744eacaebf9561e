import type { ShelfMod } from "../model/shelf";

/** A plugin and the mod that it comes with. */
interface Patched {
  readonly plugin: string;
  readonly mod: string;
}

/** Mods that are made for two plugins at once: they require both mods, or a plugin of theirs has both as its masters. */
export const patchesFor = <Mod extends Pick<ShelfMod, "id" | "manifest" | "plugins">>(
  mods: readonly Mod[],
  pair: readonly [Patched, Patched],
): Mod[] =>
  mods.filter(({ id, manifest, plugins }) => {
    if (pair.some(({ mod }) => mod === id)) return false;
    const required = new Set((manifest?.requires ?? []).map(({ mod }) => mod));
    return (
      pair.every(({ mod }) => required.has(mod)) ||
      plugins.some(({ header }) => pair.every(({ plugin }) => header?.masters.includes(plugin)))
    );
  });
