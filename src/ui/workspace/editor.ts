import type { OnDisk } from "@/core/check/check";
import type { Edit } from "@/core/model/edit";
import { done, refuse, type Outcome } from "@/core/model/outcome";
import type { Refusal } from "@/core/model/refusal";
import type { ProfileId } from "@/core/model/ids";
import type { ListName, Profile, ProfileState } from "@/core/model/profile";
import { changesNothing, prepareEdit } from "@/core/edit/prepare-edit";
import { makeRoster } from "@/core/roster/roster";
import type { ProfilesView } from "@/server/views/profile";
import { Derivation } from "./derivation";
import {
  deriveRest,
  lookingAt,
  sameIds,
  startState,
  stateShowing,
  stillThere,
  isOfSameOrder,
  withDriftKnown,
  type EditorState,
} from "./editor-state";
import { isTrouble, storedAfter, type EditorServer, type FollowedNow } from "./editor-server";
import { stateMeeting, type Meeting } from "./meeting";
import { OwnEdits } from "./own-edits";
import {
  historyWith,
  isWhole,
  lostRefusal,
  orderChanged,
  remake,
  withoutEdit,
  type EditorHistory,
  type Pending,
  type StoredProfile,
} from "./pending";
import type { ShownView } from "./read-workspace";
import { Retry } from "./retry";
import { listeningTo } from "../kit/listening";

/**
 * The present profile and everything derived from it, free of React. An edit shows at once and is pending until the server has
 * stored it, one after another. Where the server does not answer, it is tried again and again; where the profile has become
 * another one meanwhile, what is pending is made anew on that; what the server refuses, or what no longer applies, is taken back,
 * and the listeners of `onRefusal` are told which edit it was, and why.
 */
export class ProfileEditor {
  private state: EditorState;
  private readonly listeners = new Set<() => void>();
  private readonly refusalListeners = new Set<(refusal: Refusal) => void>();
  private received: ShownView;
  private stored: StoredProfile;
  private readonly retry = new Retry();
  private queue: Promise<void> = Promise.resolve();
  private keep: (pending: readonly Pending[]) => void = () => undefined;
  private readonly own = new OwnEdits();
  /** Ties and findings of the order that is shown, once it has been painted. */
  private readonly derivation = new Derivation(
    () => this.state,
    (rest) => this.set({ ...this.state, ...rest }),
  );
  /** Of undo and redo that wait for the server to say what they lead to; until it has, nobody knows what the next leads to. */
  private untold = 0;

  constructor(
    view: ShownView,
    private readonly server: EditorServer,
  ) {
    this.received = view;
    this.stored = view;
    this.state = startState(view);
  }

  readonly getState = (): EditorState => this.state;

  readonly subscribe = listeningTo(this.listeners);

  readonly onRefusal = listeningTo(this.refusalListeners);

  /**
   * Takes over what the server shows anew. What has been done here since the server was asked stays: a newer version of the
   * profile, edits that are pending, and what was written for the game.
   */
  receive(received: ShownView): void {
    if (received === this.received) return;
    this.received = received;
    const { profile, history, onDisk, pending, travelling, trouble } = this.state;
    const before = this.state.view;
    const sameProfile = received.profile.id === profile.id;
    // Where the stored one is newer than what is pending here, the server will say so, and then that is made anew.
    const isNewer =
      sameProfile &&
      (profile.version > received.profile.version || pending.some((each) => each.profile === profile.id));
    const view = {
      ...received,
      ...(isNewer ? { profile, history, followed: before.followed } : {}),
      ...(isOfSameOrder(before, received) ? { onDisk } : {}),
    };
    if (!isNewer) this.stored = received;
    if (!isNewer && (!sameProfile || received.profile.version !== profile.version)) this.own.forget();
    if (!sameProfile) {
      // Another profile shows at once; what is found in it follows the painted frame.
      this.set({ ...startState(view), pending, travelling, trouble });
      if (pending.some((each) => each.profile === received.profile.id)) this.remakeOn(received, pending);
      return this.catchUpSoon();
    }
    this.set(stateShowing(this.state, view));
    this.catchUpSoon();
  }

  dispatch(edit: Edit): Outcome<null> {
    const { roster, profile } = this.state;
    const prepared = prepareEdit(roster, (list) => this.derivation.ties()[list], edit);
    if (!prepared.ok) {
      this.refuse(prepared.refusal);
      return prepared;
    }
    if (changesNothing(roster, prepared.value, edit)) return done(null);
    const { state } = prepared.value;
    this.show({ ...profile, version: profile.version + 1, state });
    this.own.add({ label: edit.label, before: profile.state, after: state });
    const made = { id: crypto.randomUUID(), profile: profile.id, on: profile.version, edit, after: state };
    this.setPending([...this.state.pending, made]);
    this.set({ ...this.state, recent: edit });
    void this.settled();
    return done(null);
  }

  /**
   * Undoes the last edit, or does it again: at once where this window knows what that leads to and nothing waits to be stored. It is
   * never made anew on another version, and refused as long as an edit before it could not be stored.
   */
  travel(way: "undo" | "redo"): Promise<void> {
    if (!this.state.history[way]) {
      this.refuse(refuse(`nothing-to-${way}`).refusal);
      return Promise.resolve();
    }
    const { pending, history, profile } = this.state;
    const known = pending.length === 0 && this.untold === 0 ? this.own.travel(way, history) : null;
    if (!known) {
      this.untold++;
      return this.inTurn(() => this.travelAsTold(way, profile.id).finally(() => this.untold--));
    }
    this.show({ ...profile, version: profile.version + 1, state: known.state });
    const travelling = this.state.travelling + 1;
    this.set({ ...this.state, history: known.history, recent: null, travelling });
    return this.inTurn(async () => {
      await this.storeTravel(way, profile, known.state);
      this.set({ ...this.state, travelling: this.state.travelling - 1 });
      await this.deliverAll();
    });
  }

  /** What is shown already, as long as the server comes to the same version. */
  private async storeTravel(way: "undo" | "redo", from: Profile, state: ProfileState): Promise<void> {
    const answer = await this.server.undoOrRedo(from.id, from.version, way, true);
    const isShown = this.state.profile.id === from.id;
    if (!answer.ok) this.refuse(answer.refusal);
    else if (answer.value.version === from.version + 1) {
      if (!isShown) return;
      const { version, history } = answer.value;
      this.stored = { profile: { ...from, version, state }, history };
      if (this.state.travelling === 1) this.setPending(this.state.pending);
      return this.follow(answer.value);
    }
    if (isShown && (await this.readStored(from.id))) this.take(this.stored);
  }

  private async travelAsTold(way: "undo" | "redo", id: ProfileId): Promise<void> {
    await this.deliverAll();
    if (this.stored.profile.id !== id) return;
    if (this.state.pending.length > 0) return this.refuse(refuse("undo-waits").refusal);
    const { stored } = this;
    const answer = await this.server.undoOrRedo(id, stored.profile.version, way, false);
    if (!answer.ok) this.refuse(answer.refusal);
    const after = answer.ok ? storedAfter(stored, answer.value) : null;
    if (!answer.ok || !after) return void (await this.readStored(id));
    this.take(after);
    this.follow(answer.value);
  }

  /**
   * Keeps what is pending outside of the window's memory as well, and sends what is kept there of an earlier window; returns how
   * to end that, whereupon another editor may go on with what is kept.
   */
  keepPending(earlier: readonly Pending[], keep: (pending: readonly Pending[]) => void): () => void {
    this.keep = keep;
    const known = new Set(this.state.pending.map(({ id }) => id));
    // The server knows whether it has stored them; until it has said so they are not shown.
    this.setPending([...earlier.filter(({ id }) => !known.has(id)), ...this.state.pending]);
    void this.settled();
    return () => {
      this.keep = () => undefined;
      this.retry.stop();
    };
  }

  /** Gives up all that is pending: what is stored shows again. */
  giveUpPending(): void {
    this.retry.stop();
    this.set({ ...this.state, trouble: null });
    this.remakeOn(this.stored, []);
  }

  private follow({ followed }: FollowedNow): void {
    if (followed !== undefined) this.set({ ...this.state, view: { ...this.state.view, followed } });
  }

  /** Tries to store all that is pending; resolves once it is stored or refused, or cannot be stored now. */
  settled(): Promise<void> {
    return this.inTurn(() => this.deliverAll());
  }

  /** Lets the server change the profile, once all that is pending is stored, and takes over what came of it. */
  async changedBy<T>(act: (profile: Profile) => Promise<Outcome<T>>): Promise<Outcome<T>> {
    let outcome!: Outcome<T>;
    await this.inTurn(async () => {
      await this.deliverAll();
      outcome = await act(this.state.profile);
      const refusal = outcome.ok ? await this.readStored(this.state.profile.id) : null;
      if (refusal) this.refuse(refusal);
    });
    return outcome;
  }

  /** Elsewhere the profile has become this version, or, where that is null, something that counts in it has changed. */
  async hearOf(version: number | null): Promise<boolean> {
    await this.settled();
    const { profile } = this.state;
    if (version !== null && version <= profile.version) return false;
    const stored = await this.server.readProfile(profile.id);
    const now = this.state;
    const isMeant = now.profile.id === profile.id && now.pending.length === 0;
    if (!stored.ok || !isMeant || stored.value.profile.version < now.profile.version) return false;
    this.take(stored.value);
    return true;
  }

  setOnDisk(onDisk: OnDisk): void {
    this.set({ ...this.state, onDisk: withDriftKnown(onDisk, this.state.onDisk) });
    this.catchUpSoon();
  }

  /** What its user has set for the game; the caller stores it. */
  setPreference(key: string, value: unknown): void {
    const { view } = this.state;
    this.set({ ...this.state, view: { ...view, preferences: { ...view.preferences, [key]: value } } });
  }

  /** What is told of all profiles of the game, as it has become since. */
  setProfiles(profiles: ProfilesView): void {
    this.set({ ...this.state, view: { ...this.state.view, ...profiles } });
  }

  /** There is nothing more to say of the last edit. */
  forgetRecent(): void {
    this.set({ ...this.state, recent: null });
  }

  /** Of the order that is looked at, or of another one, which is looked at then. */
  select(selected: readonly string[], focused: string | null, lens: ListName = this.state.lens): void {
    this.set({ ...this.state, lens, selected, focused });
  }

  /** Looks at the other order; what belongs to the selection there is selected. */
  lookAt(lens: ListName): void {
    if (lens !== this.state.lens) this.set(lookingAt(this.state, lens));
  }

  private inTurn(work: () => Promise<void>): Promise<void> {
    this.queue = this.queue.then(work);
    return this.queue;
  }

  private async deliverAll(): Promise<void> {
    this.retry.stop();
    if (this.state.travelling > 0) return;
    for (let first = this.state.pending[0]; first; first = this.state.pending[0]) {
      const trouble = await this.deliver(first);
      if (trouble) return this.tryLater(trouble);
      if (this.state.trouble) this.set({ ...this.state, trouble: null });
      this.retry.wentWell();
    }
  }

  private tryLater(trouble: Refusal): void {
    if (this.state.trouble?.code !== trouble.code) this.refuse(trouble);
    this.set({ ...this.state, trouble });
    this.retry.later(() => void this.settled());
  }

  /** Sends one edit; answers with what is in the way, or with null where it is stored, taken back, or made anew to be sent again. */
  private async deliver(sent: Pending): Promise<Refusal | null> {
    const base = await this.baseOf(sent);
    if (!base.ok) return isTrouble(base.refusal) ? base.refusal : this.lose(sent, base.refusal);
    const answer = await this.server.editProfile(sent.profile, base.value, sent.edit, sent.id);
    if (answer.ok) return this.accept(sent, base.value, answer.value);
    if (isTrouble(answer.refusal)) return answer.refusal;
    if (answer.refusal.code !== "stale") this.lose(sent, answer.refusal);
    else if (isWhole(sent)) this.lose(sent, orderChanged());
    return this.readStored(sent.profile);
  }

  /** The version to send it against; one that is not shown needs no more than the newest, unless it says how everything is to be. */
  private async baseOf(sent: Pending): Promise<Outcome<number>> {
    if (isWhole(sent)) return done(sent.on);
    if (sent.profile === this.state.profile.id) return done(this.stored.profile.version);
    const read = await this.server.readProfile(sent.profile);
    return read.ok ? done(read.value.profile.version) : read;
  }

  private async accept(
    sent: Pending,
    base: number,
    { version, history, ...rest }: { version: number; history: EditorHistory } & FollowedNow,
  ): Promise<Refusal | null> {
    const isShown = sent.profile === this.state.profile.id;
    const isNext = version === base + 1 && sent.after;
    if (isShown && isNext)
      this.stored = { profile: { ...this.stored.profile, version, state: sent.after }, history };
    this.setPending(withoutEdit(this.state.pending, sent));
    if (!isShown) return null;
    this.follow(rest);
    return isNext ? null : this.readStored(sent.profile);
  }

  /** Takes back what can never be stored. */
  private lose(lost: Pending, why: Refusal): null {
    this.setPending(withoutEdit(this.state.pending, lost));
    this.refuse(lostRefusal(this.state.roster, lost.edit, why));
    return null;
  }

  private refuse(refusal: Refusal): void {
    for (const listener of this.refusalListeners) listener(refusal);
  }

  /** Where the profile is shown: takes over what the server has stored of it. Answers with what is in the way, or null. */
  private async readStored(id: ProfileId): Promise<Refusal | null> {
    if (id !== this.state.profile.id) return null;
    const read = await this.server.readProfile(id);
    if (!read.ok) return read.refusal;
    if (id === this.state.profile.id) this.take(read.value);
    return null;
  }

  private take(stored: StoredProfile): void {
    this.remakeOn(stored, this.state.pending);
    this.set({ ...this.state, recent: null });
  }

  /** What is stored shows, with all of these edits that apply to it; of others it is told that they do not any more. */
  private remakeOn(stored: StoredProfile, pending: readonly Pending[]): void {
    this.own.forget();
    this.stored = stored;
    const { profile, kept, lost } = remake(this.state.view, stored.profile, pending);
    this.show(profile);
    this.setPending(kept);
    for (const { edit, why } of lost) this.refuse(lostRefusal(this.state.roster, edit.edit, why));
  }

  private setPending(pending: readonly Pending[]): void {
    const history = historyWith(this.stored, pending);
    this.set({ ...this.state, pending, history });
    this.keep(pending);
  }

  /**
   * The order is shown at once; ties and findings follow as soon as it has been painted, or are asked for. Where plugins
   * came or went they are derived before, for what is drawn looks up the ends of ties among the plugins.
   */
  private show(profile: Profile): void {
    const { view, onDisk, lens, selected, focused, roster: before } = this.state;
    const roster = makeRoster(view.game, profile, view.stock, before);
    const rest = sameIds(before, roster) ? {} : deriveRest(roster, onDisk, this.state);
    const still = stillThere(roster.lists[lens], selected, focused);
    this.set({ ...this.state, ...rest, roster, profile, ...still });
    this.catchUpSoon();
  }

  /** Who meets whom in what is shown, which was worked out meanwhile; what is not said stays. */
  meet(told: Meeting): void {
    this.set(stateMeeting(this.state, told));
    this.catchUpSoon();
  }

  catchUpSoon(): void {
    this.derivation.soon();
  }

  /** With ties and findings of the order that is shown. */
  catchUp(): EditorState {
    this.derivation.finish();
    return this.state;
  }

  private set(state: EditorState): void {
    this.state = state;
    for (const listener of this.listeners) listener();
  }
}
