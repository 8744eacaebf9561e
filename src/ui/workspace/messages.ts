import { z } from "zod";
import type { Sentence } from "@/core/messages/parts";
import { listeningTo } from "../kit/listening";

export interface Message {
  readonly id: number;
  /** Milliseconds since 1970. */
  readonly at: number;
  readonly text: string;
  readonly tone: MessageTone;
  /** What can be done about it, as long as it has not been done. */
  readonly act: MessageAct | null;
}

type MessageTone = "plain" | "wrong";

interface MessageAct {
  readonly word: string;
  readonly run: () => void;
}

/** Tells the user one sentence, and what can be done about it; the log keeps it. */
export type Tell = (sentence: Sentence, tone?: MessageTone, act?: MessageAct | null) => void;

export interface MessageState {
  /** Everything that was told in this window, the newest first. */
  readonly all: readonly Message[];
  /** What is said at present, in the order in which it was told. */
  readonly said: readonly Message[];
  /** How many have come since the log was last looked at. */
  readonly unread: number;
}

/** As many are kept. */
export const mostKept = 500;
const key = "seating-messages";
const KeptMessages = z.array(
  z.object({ at: z.number(), text: z.string(), tone: z.enum(["plain", "wrong"]) }),
);

/** What the user is told, and was told: the window keeps it over a reload, but for what could be done about it then. */
export class MessageLog {
  private state: MessageState;
  private next = 0;
  private readonly listeners = new Set<() => void>();

  constructor(
    private readonly storage: Pick<Storage, "getItem" | "setItem">,
    private readonly now: () => number = Date.now,
  ) {
    this.state = { all: this.read(), said: [], unread: 0 };
  }

  readonly getState = (): MessageState => this.state;

  readonly subscribe = listeningTo(this.listeners);

  /** What is told again while it is said is said once, from now on. */
  tell(text: string, tone: MessageTone, act: MessageAct | null = null): void {
    const { all, said, unread } = this.state;
    const message: Message = { id: this.next++, at: this.now(), text, tone, act };
    this.set({
      all: [message, ...all].slice(0, mostKept),
      said: [...said.filter((each) => each.text !== text), message],
      unread: unread + 1,
    });
  }

  /** Stands in the log and is not said: what is seen elsewhere already. */
  readonly note = (text: string): void => {
    const message: Message = { id: this.next++, at: this.now(), text, tone: "plain", act: null };
    this.set({ ...this.state, all: [message, ...this.state.all].slice(0, mostKept) });
  };

  /** It is said no longer, and stays in the log. */
  readonly hush = (id: number): void =>
    this.set({ ...this.state, said: this.state.said.filter((each) => each.id !== id) });

  /** Does what can be done about it, once. */
  readonly act = (id: number): void => {
    const { all, said } = this.state;
    const message = all.find((each) => each.id === id);
    if (!message?.act) return;
    this.set({
      ...this.state,
      all: all.map((each) => (each === message ? { ...each, act: null } : each)),
      said: said.filter((each) => each.id !== id),
    });
    message.act.run();
  };

  /** Forgets everything that was told. */
  readonly empty = (): void => this.set({ all: [], said: [], unread: 0 });

  readonly look = (): void => {
    if (this.state.unread > 0) this.set({ ...this.state, unread: 0 });
  };

  private set(state: MessageState): void {
    this.state = state;
    try {
      const kept = state.all.map(({ at, text, tone }) => ({ at, text, tone }));
      this.storage.setItem(key, JSON.stringify(kept));
    } catch {
      // No room: they last as long as the page.
    }
    for (const listener of this.listeners) listener();
  }

  private read(): Message[] {
    try {
      const kept = KeptMessages.parse(JSON.parse(this.storage.getItem(key) ?? "[]"));
      return kept.map((each) => ({ ...each, id: this.next++, act: null }));
    } catch {
      return [];
    }
  }
}
