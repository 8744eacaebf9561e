import { EventEmitter } from "node:events";
import type { ProfileId } from "@/core/model/ids";

/** What lies on the disk otherwise than it was last read, by path. */
export interface ShelfChanges {
  readonly game: string;
  readonly added: readonly string[];
  readonly changed: readonly string[];
  readonly gone: readonly string[];
}

/** What has happened that windows show; each reads anew what it says. */
export type ServerEvent =
  /** An edit was stored; `shared` where it changed what all profiles of the game share. */
  | {
      readonly kind: "edited";
      readonly game: string;
      readonly profile: ProfileId;
      readonly version: number;
      readonly shared: boolean;
    }
  /** What is known of the shelf, or of the game, has changed. */
  | { readonly kind: "stock"; readonly game: string }
  /** Profiles came, went, or are called otherwise. */
  | { readonly kind: "profiles" }
  /** Somebody may have written the order file. */
  | { readonly kind: "order-file"; readonly game: string }
  /** A game was started, or has ended. */
  | { readonly kind: "trial"; readonly game: string }
  /** How the shelf folders differ from what was last read of them. */
  | ({ readonly kind: "shelf-changes" } & ShelfChanges)
  /** The queue of what is got from the depot is further, or stands still. */
  | { readonly kind: "depot"; readonly game: string }
  /** Everything may have changed. */
  | { readonly kind: "all" };

/** What a stream of events says: that it is there, and then each event. */
export type StreamEvent = ServerEvent | { readonly kind: "here" };

/** Tells everybody who listens what has happened. */
export class Events {
  private readonly emitter = new EventEmitter().setMaxListeners(0);
  private readonly began = crypto.randomUUID();
  private count = 0;

  /** A name of the present moment: as long as it is the same, nothing has happened. */
  get at(): string {
    return `${this.began}.${this.count}`;
  }

  readonly publish = (event: ServerEvent): void => {
    this.count += 1;
    this.emitter.emit("event", event);
  };

  /** Tells of what other programs did to files: it leads to no other moment. */
  readonly hint = (event: Extract<ServerEvent, { kind: "order-file" | "shelf-changes" }>): void =>
    void this.emitter.emit("event", event);

  /** Answers how to stop listening. */
  subscribe(listener: (event: ServerEvent) => void): () => void {
    this.emitter.on("event", listener);
    return () => void this.emitter.off("event", listener);
  }
}
