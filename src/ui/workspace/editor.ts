import type { OnDisk } from "@/core/check/check";
import { runChecks } from "@/core/check/run-checks";
import type { Edit, EditLabel } from "@/core/model/edit";
import type { Finding } from "@/core/model/finding";
import { done, refuse, type Outcome } from "@/core/model/outcome";
import type { Refusal } from "@/core/model/refusal";
import { mainList } from "@/core/model/game";
import type { ProfileId } from "@/core/model/ids";
import type { ListName, Profile } from "@/core/model/profile";
import { changesNothing, prepareEdit } from "@/core/edit/prepare-edit";
import { counterparts } from "@/core/roster/counterparts";
import { makeRoster, type Roster, type SeatedList } from "@/core/roster/roster";
import { allTies, indexTies, type Ties } from "@/core/roster/ties";
import type { ProfilesView } from "@/server/views/profile";
import type { WorkspaceView } from "@/server/views/workspace";

/** How the editor reaches the server; a test gives it one of its own. */
export interface EditorServer {
  editProfile(
    profileId: ProfileId,
    base: number,
    edit: Edit,
  ): Promise<Outcome<{ version: number; history: EditorHistory } & FollowedNow>>;
  undoOrRedo(
    profileId: ProfileId,
    base: number,
    way: "undo" | "redo",
  ): Promise<Outcome<{ profile: Profile; history: EditorHistory } & FollowedNow>>;
  readProfile(profileId: ProfileId): Promise<Outcome<{ profile: Profile; history: EditorHistory }>>;
}

/** The list that is followed, only there if that has changed. */
interface FollowedNow {
  readonly followed?: WorkspaceView["followed"];
}

interface EditorHistory {
  readonly undo: EditLabel | null;
  readonly redo: EditLabel | null;
  readonly edits: number;
}

export interface EditorState {
  readonly view: WorkspaceView;
  readonly profile: Profile;
  readonly history: EditorHistory;
  readonly onDisk: OnDisk;
  readonly roster: Roster;
  /** Of `derivedFrom`, which is `roster` but for the moment after an edit. */
  readonly ties: Ties;
  readonly findings: readonly Finding[];
  /** False before the first check, which waits until the screen has been painted. */
  readonly checked: boolean;
  readonly derivedFrom: Roster;
  /** Edits that the server has not answered yet. */
  readonly saving: number;
  /** Which of the two orders is looked at. */
  readonly lens: ListName;
  /** Ids of its items that are selected, and the one that the keyboard stands on. */
  readonly selected: readonly string[];
  readonly focused: string | null;
  /** The last edit of this window, as long as nothing else has been done since. */
  readonly recent: Edit | null;
}

/** Milliseconds; a frame is painted by then. */
const catchUpAfter = 30;

/**
 * The present profile and everything derived from it, free of React. An edit shows at once and is then stored, one
 * after another, each against the version that it was made on; one that the server refuses takes the state back to
 * what is stored, and the listeners of `onRefusal` are told why.
 */
export class ProfileEditor {
  private state: EditorState;
  private readonly listeners = new Set<() => void>();
  private readonly refusalListeners = new Set<(refusal: Refusal) => void>();
  private received: WorkspaceView;
  private catchingUp: ReturnType<typeof setTimeout> | undefined;
  private queue: Promise<void> = Promise.resolve();

  constructor(
    view: WorkspaceView,
    private readonly server: EditorServer,
  ) {
    this.received = view;
    this.state = startState(view);
  }

  readonly getState = (): EditorState => this.state;

  readonly subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };

  readonly onRefusal = (listener: (refusal: Refusal) => void): (() => void) => {
    this.refusalListeners.add(listener);
    return () => this.refusalListeners.delete(listener);
  };

  /**
   * Takes over what the server shows anew; edits under way are waited for by the caller's refresh. What has been done here
   * since the server was asked stays: a newer version of the profile, and what was written for the game.
   */
  receive(received: WorkspaceView): void {
    if (received === this.received) return;
    this.received = received;
    const { profile, history, onDisk, selected, focused, lens, saving, view: before } = this.state;
    const sameProfile = received.profile.id === profile.id;
    if (sameProfile && saving > 0) return;
    const isNewer = sameProfile && profile.version > received.profile.version;
    const view = {
      ...received,
      ...(isNewer ? { profile, history, followed: before.followed } : {}),
      ...(received.game.id === before.game.id ? { onDisk } : {}),
    };
    const start = startState(view);
    if (!sameProfile) {
      // Another profile shows at once; what is found in it follows the painted frame.
      this.set(start);
      return this.catchUpSoon();
    }
    const next = { ...start, ...deriveRest(start.roster, start.onDisk), lens };
    this.set({ ...next, ...stillThere(next.roster.lists[lens], selected, focused) });
  }

  dispatch(edit: Edit): Outcome<null> {
    const { roster, profile } = this.state;
    const prepared = prepareEdit(roster, (list) => this.catchUp().ties[list], edit);
    if (!prepared.ok) {
      this.refuse(prepared.refusal);
      return prepared;
    }
    if (changesNothing(roster, prepared.value, edit)) return done(null);
    const base = profile.version;
    this.show({ ...profile, version: base + 1, state: prepared.value.state });
    this.set({
      ...this.state,
      history: { undo: edit.label, redo: null, edits: this.state.history.edits + 1 },
      saving: this.state.saving + 1,
      recent: edit,
    });
    void this.send(async () => {
      const stored = await this.server.editProfile(profile.id, base, edit);
      this.set({ ...this.state, saving: this.state.saving - 1 });
      if (stored.ok) this.follow(stored.value);
      else await this.goBackToStored(profile.id, stored.refusal);
    });
    return done(null);
  }

  /** Undoes the last edit, or does it again; waits for edits that are still being stored. */
  travel(way: "undo" | "redo"): Promise<void> {
    if (!this.state.history[way]) {
      this.refuse(refuse(`nothing-to-${way}`).refusal);
      return Promise.resolve();
    }
    return this.send(async () => {
      const { profile } = this.state;
      const returned = await this.server.undoOrRedo(profile.id, profile.version, way);
      if (!returned.ok) return this.goBackToStored(profile.id, returned.refusal);
      this.take(returned.value.profile, returned.value.history);
      this.follow(returned.value);
    });
  }

  private follow({ followed }: FollowedNow): void {
    if (followed !== undefined) this.set({ ...this.state, view: { ...this.state.view, followed } });
  }

  /** Resolves once everything dispatched so far is stored or refused. */
  settled(): Promise<void> {
    return this.queue;
  }

  /** Resolves with the state as soon as it is as asked; with null where it has not become so within some seconds. */
  once(isSo: (state: EditorState) => boolean, seconds = 20): Promise<EditorState | null> {
    if (isSo(this.state)) return Promise.resolve(this.state);
    return new Promise((resolve) => {
      const end = (state: EditorState | null) => {
        clearTimeout(timer);
        stop();
        resolve(state);
      };
      const timer = setTimeout(() => end(null), seconds * 1000);
      const stop = this.subscribe(() => {
        if (isSo(this.state)) end(this.state);
      });
    });
  }

  /** Takes over what the server has stored, as after going back to a restore point. */
  async reload(): Promise<void> {
    const { id } = this.state.profile;
    const stored = await this.server.readProfile(id);
    if (stored.ok) this.take(stored.value.profile, stored.value.history);
    else this.refuse(stored.refusal);
  }

  /** Elsewhere the profile has become this version, or, where that is null, something that counts in it has changed. */
  async hearOf(version: number | null): Promise<void> {
    await this.queue;
    const { profile } = this.state;
    if (version !== null && version <= profile.version) return;
    const stored = await this.server.readProfile(profile.id);
    const now = this.state;
    const isMeant = now.profile.id === profile.id && now.saving === 0;
    if (stored.ok && isMeant && stored.value.profile.version >= now.profile.version)
      this.take(stored.value.profile, stored.value.history);
  }

  setOnDisk(onDisk: OnDisk): void {
    const { roster } = this.state;
    this.set({ ...this.state, onDisk, ...deriveRest(roster, onDisk, this.state) });
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
    const { roster, selected, focused } = this.state;
    if (lens === this.state.lens) return;
    const there = counterparts(roster, lens, selected);
    const [first = null] = counterparts(roster, lens, focused === null ? [] : [focused]);
    this.select(there, first ?? there[0] ?? null, lens);
  }

  private send(work: () => Promise<void>): Promise<void> {
    this.queue = this.queue.then(work).catch((error: unknown) => {
      const detail = error instanceof Error ? error.message : String(error);
      this.refuse(refuse("unreachable", { detail }).refusal);
      this.set({ ...this.state, saving: 0 });
    });
    return this.queue;
  }

  private refuse(refusal: Refusal): void {
    for (const listener of this.refusalListeners) listener(refusal);
  }

  private async goBackToStored(profileId: ProfileId, refusal: Refusal): Promise<void> {
    this.refuse(refusal);
    if (this.state.saving > 0) return;
    const stored = await this.server.readProfile(profileId);
    if (stored.ok) this.take(stored.value.profile, stored.value.history);
  }

  private take(profile: Profile, history: EditorHistory): void {
    this.show(profile);
    this.set({ ...this.state, history, recent: null });
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

  private catchUpSoon(): void {
    clearTimeout(this.catchingUp);
    this.catchingUp = setTimeout(() => this.catchUp(), catchUpAfter);
  }

  /** Derives ties and findings if they are of an older order than the one that is shown, or if nothing was checked yet. */
  catchUp(): EditorState {
    clearTimeout(this.catchingUp);
    const { roster, onDisk, derivedFrom, checked } = this.state;
    if (derivedFrom !== roster || !checked)
      this.set({ ...this.state, ...deriveRest(roster, onDisk, this.state) });
    return this.state;
  }

  private set(state: EditorState): void {
    this.state = state;
    for (const listener of this.listeners) listener();
  }
}

function startState(view: WorkspaceView): EditorState {
  const { profile, history, onDisk } = view;
  return {
    view,
    profile,
    history,
    onDisk,
    ...deriveFirst(view),
    saving: 0,
    lens: mainList(view.game),
    selected: [],
    focused: null,
    recent: null,
  };
}

function deriveFirst({ game, profile, stock }: WorkspaceView) {
  const roster = makeRoster(game, profile, stock);
  return { roster, ties: allTies(roster), findings: [], checked: false, derivedFrom: roster };
}

/** The ties of the mods are taken over from what was derived before where nothing that they come from has changed. */
function deriveRest(roster: Roster, onDisk: OnDisk, before?: Pick<EditorState, "ties" | "derivedFrom">) {
  if (before?.derivedFrom === roster)
    return {
      ties: before.ties,
      findings: runChecks({ roster, ties: before.ties, onDisk }),
      checked: true,
      derivedFrom: roster,
    };
  const sameMods =
    before?.derivedFrom.lists.mods === roster.lists.mods &&
    before.derivedFrom.profile.state.rules === roster.profile.state.rules;
  const ties: Ties = {
    mods: sameMods ? before.ties.mods : indexTies(roster, "mods"),
    plugins: indexTies(roster, "plugins"),
  };
  return { ties, findings: runChecks({ roster, ties, onDisk }), checked: true, derivedFrom: roster };
}

const sameIds = (before: Roster, now: Roster): boolean =>
  holdsSame(before.lists.mods, now.lists.mods) && holdsSame(before.lists.plugins, now.lists.plugins);

const holdsSame = (before: SeatedList, now: SeatedList): boolean =>
  before === now ||
  (before.items.length === now.items.length && now.items.every(({ id }) => before.itemOf.has(id)));

function stillThere({ itemOf }: SeatedList, selected: readonly string[], focused: string | null) {
  return {
    selected: selected.every((id) => itemOf.has(id)) ? selected : selected.filter((id) => itemOf.has(id)),
    focused: focused !== null && itemOf.has(focused) ? focused : null,
  };
}
