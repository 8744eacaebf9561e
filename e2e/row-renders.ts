import type { Page } from "@playwright/test";

interface Fiber {
  readonly tag: number;
  readonly flags: number;
  readonly memoizedProps: { readonly item?: { readonly id: string } } | null;
  readonly child: Fiber | null;
  readonly sibling: Fiber | null;
}

/**
 * Counts from now on how often React has rendered each row of the plan; to be called before the page is opened. React
 * tells its developer tools of every commit, in the production build too; a component was rendered in it if its fiber is
 * another one than before and bears the flag "performed work".
 */
export async function watchRowRenders(page: Page): Promise<void> {
  await page.addInitScript(() => {
    const simpleMemoComponent = 15;
    const performedWork = 1;
    const counts: Record<string, number> = {};
    let before = new Map<string, Fiber>();
    const onCommitFiberRoot = (_: number, root: { readonly current: Fiber }) => {
      const now = new Map<string, Fiber>();
      const open: Fiber[] = [root.current];
      for (let fiber = open.pop(); fiber; fiber = open.pop()) {
        if (fiber.sibling) open.push(fiber.sibling);
        if (fiber.child) open.push(fiber.child);
        const id = fiber.tag === simpleMemoComponent ? fiber.memoizedProps?.item?.id : undefined;
        if (id === undefined) continue;
        now.set(id, fiber);
        const old = before.get(id);
        if (old && old !== fiber && (fiber.flags & performedWork) !== 0) counts[id] = (counts[id] ?? 0) + 1;
      }
      before = now;
    };
    const hook = {
      supportsFiber: true,
      inject: () => 1,
      onCommitFiberRoot,
      onCommitFiberUnmount: () => undefined,
    };
    Object.assign(window, { __REACT_DEVTOOLS_GLOBAL_HOOK__: hook, rowRenders: counts });
  });
}

/** How often each row was rendered again since the last time that this was asked. */
export const takeRowRenders = (page: Page): Promise<Record<string, number>> =>
  page.evaluate(() => {
    const { rowRenders } = window as unknown as { rowRenders: Record<string, number> };
    const taken = { ...rowRenders };
    for (const id of Object.keys(rowRenders)) delete rowRenders[id];
    return taken;
  });
