import type { ProfileId } from "@/core/model/ids";
import type { Stock } from "@/core/roster/roster";
import { changedStock, stockChange } from "@/core/roster/stock-change";
import type { StockView } from "@/server/views/stock";
import type { StartView, WorkspaceView } from "@/server/views/workspace";
import { largeRead } from "./address";

/** Everything that a window shows of its profile and game. */
export type ShownView = WorkspaceView & { readonly stock: Stock };

/** What a window has of the disk; the revision is that of `stock`. */
type HeldStock = Pick<ShownView, "game" | "stock" | "stockRevision">;

/**
 * What a window shows of a profile, or of the one that was last chosen. What lies on the disk is read only where it is not what the
 * window has, and only what is otherwise; all that did not change stays the same object. Throws where the server gives no answer.
 */
export async function readWorkspace(
  profile: ProfileId | null,
  token: string,
  before: HeldStock | null,
): Promise<ShownView | StartView> {
  // Without anything to come from both are on their way at once.
  const [view, first] = await Promise.all([
    readAt<WorkspaceView | StartView>(largeRead("/api/workspace", profile, token)),
    before ? null : readStock(profile, token),
  ]);
  if (!("profile" in view)) return view;
  const { stock, stockRevision } = await stockFor(view, token, first, before);
  return { ...view, stock, stockRevision };
}

async function stockFor(
  { game, profile, stockRevision }: WorkspaceView,
  token: string,
  first: StockView | null,
  before: HeldStock | null,
): Promise<Pick<HeldStock, "stock" | "stockRevision">> {
  const held = before?.game.id === game.id ? before : null;
  if (held?.stockRevision === stockRevision) return held;
  // The profile that was last chosen may have become another one meanwhile.
  const isMeant = first?.game === game.id;
  return stockOf(isMeant ? first : await readStock(profile.id, token, held?.stockRevision), held);
}

function stockOf(read: StockView | null, held: HeldStock | null): Pick<HeldStock, "stock" | "stockRevision"> {
  if (!read) throw new Error("the game is not there any more");
  const { revision } = read;
  if (!("stock" in read)) return { stock: changedStock(held!.stock, read.change), stockRevision: revision };
  const stock = held ? changedStock(held.stock, stockChange(held.stock, read.stock)) : read.stock;
  return { stock, stockRevision: revision };
}

const readStock = (profile: ProfileId | null, token: string, since?: string): Promise<StockView | null> =>
  readAt(largeRead("/api/stock", profile, token, since === undefined ? {} : { since }));

async function readAt<T>(address: string): Promise<T> {
  const response = await fetch(address).catch(() => {
    throw new Error("its server does not answer; see whether it still runs");
  });
  if (!response.ok) throw new Error(`the server answered with ${response.status}`);
  return (await response.json()) as T;
}
