import { label } from "@/core/edit/steps";
import { aPlugin, aProfile } from "@/core/testing/ids";
import { openOutbox, type OutboxPlace } from "./outbox";
import type { Pending } from "./pending";

type Callback = (lock: Lock | null) => unknown;

/** Locks as a browser gives them (Web Locks API, W3C), as far as they are asked for here: exclusive, and had until the promise ends. */
class Locks {
  private readonly held = new Map<string, Promise<unknown>>();

  readonly request = (async (name: string, options: LockOptions, callback: Callback) => {
    const isHeld = this.held.has(name);
    if (isHeld && options.ifAvailable) return callback(null);
    if (isHeld) await Promise.race([this.held.get(name), aborted(options.signal)]);
    const work = Promise.resolve(callback({ name, mode: "exclusive" }));
    this.held.set(name, work);
    return work.finally(() => this.held.delete(name));
  }) as LockManager["request"];

  /** The window that had it is gone. */
  free(name: string): void {
    this.held.delete(name);
  }

  get names(): string[] {
    return [...this.held.keys()];
  }
}

const aborted = (signal?: AbortSignal) =>
  new Promise<never>((_, reject) =>
    signal?.addEventListener("abort", () => reject(new Error("it was not had in time"))),
  );

function storage(room = Infinity): Storage {
  const items = new Map<string, string>();
  return {
    getItem: (name: string) => items.get(name) ?? null,
    setItem: (name: string, value: string) => {
      if (value.length > room) throw new Error("no room");
      items.set(name, value);
    },
    removeItem: (name: string) => void items.delete(name),
    key: (at: number) => [...items.keys()][at] ?? null,
    get length() {
      return items.size;
    },
  } as Storage;
}

const pending = (digit: number): Pending => ({
  id: `00000000-0000-4000-8000-00000000000${digit}`,
  profile: aProfile("p"),
  on: digit,
  edit: {
    label: label("switch-on", { item: "a.plank", count: 1 }),
    steps: [{ kind: "switch", list: "plugins", ids: [aPlugin("a.plank")], on: true }],
  },
});

const place = (items: OutboxPlace["storage"] = storage()) => ({
  storage: items,
  session: storage(),
  locks: new Locks(),
});

test("what a window keeps is there after it is loaded anew, without what it comes to", async () => {
  const at = place();
  const first = await openOutbox(at);
  first.keep([{ ...pending(1), after: {} as never }, pending(2)]);
  at.locks.names.forEach((name) => at.locks.free(name));
  const again = await openOutbox(at);
  expect(again.read()).toEqual([pending(1), pending(2)]);
  again.keep([]);
  expect(at.storage.length).toBe(0);
});

test("what a window has left that is gone is taken over by the next one, once; that of a living one is not", async () => {
  const at = place();
  const gone = await openOutbox(at);
  gone.keep([pending(1)]);
  at.locks.names.forEach((name) => at.locks.free(name));
  const living = await openOutbox({ ...at, session: storage() });
  expect(living.read()).toEqual([pending(1)]);
  living.keep([pending(1), pending(2)]);
  const third = await openOutbox({ ...at, session: storage() });
  expect(third.read()).toEqual([]);
  expect(living.read()).toEqual([pending(1), pending(2)]);
});

test("a window that was doubled keeps its own", async () => {
  const at = place();
  const first = await openOutbox(at);
  const doubled = await openOutbox(at);
  first.keep([pending(1)]);
  doubled.keep([pending(2)]);
  expect([first.read(), doubled.read()]).toEqual([[pending(1)], [pending(2)]]);
});

test("nothing that was left is thrown away for want of room, and what is none of ours is no edit", async () => {
  const items = storage();
  const gone = await openOutbox(place(items));
  gone.keep([pending(1)]);
  const name = items.key(0)!;
  const full = {
    ...items,
    key: (at: number) => items.key(at),
    length: 1,
    setItem: () => {
      throw new Error("no room");
    },
  };
  expect((await openOutbox(place(full))).read()).toEqual([]);
  expect(items.getItem(name)).not.toBeNull();
  items.setItem(name, "{");
  expect((await openOutbox(place(items))).read()).toEqual([]);
});
