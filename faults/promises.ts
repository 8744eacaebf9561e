import { existsSync } from "node:fs";
import { readFile } from "node:fs/promises";
import { join } from "node:path";
import type { Profile } from "@/core/model/profile";
import { gameFiles } from "@/disk/game-files";
import type { ShownView } from "@/ui/workspace/read-workspace";
import type { Client } from "./client";

interface Note {
  readonly item: string;
  readonly text: string;
}

const notesOf = (profile: Profile): Map<string, string> =>
  new Map(profile.state.notes.filter(({ list }) => list === "mods").map(({ item, text }) => [item, text]));

const same = (a: ReadonlyMap<string, string>, b: ReadonlyMap<string, string>): boolean =>
  a.size === b.size && [...a].every(([item, text]) => b.get(item) === text);

/** What a server has answered, and so has to have when it is started again; and what was under way, which it may have. */
export class Promises {
  private notes = new Map<string, string>();
  private version = 0;
  private underWay: { readonly note: Note | null } | null = null;
  private readonly profiles = new Set<string>();
  /** Paths on the shelf of everything that has to be there, or in the bin. */
  private readonly mods = new Set<string>();
  private texts = 0;
  answered = 0;
  /** The profile that is edited. */
  readonly profile: string;

  constructor(view: ShownView) {
    this.profile = view.profile.id;
    this.take(view.profile);
    for (const { path } of view.stock.shelf) this.mods.add(path);
  }

  nextText = (): string => `note ${++this.texts}`;

  /** An edit that writes a note, or, null, one that may lead to any other. */
  begin(note: Note | null): void {
    this.underWay = { note };
  }

  end(answer: Profile | { readonly version: number; readonly note: Note } | null): void {
    this.underWay = null;
    if (!answer) return;
    this.answered++;
    if (!("state" in answer)) {
      this.notes.set(answer.note.item, answer.note.text);
      this.version = answer.version;
    } else this.take(answer);
  }

  madeProfile(id: string): void {
    this.answered++;
    this.profiles.add(id);
  }

  tookIn(path: string): void {
    this.answered++;
    this.mods.add(path);
  }

  /** What is not kept of all this. */
  async check(client: Client): Promise<string[]> {
    await client.scan();
    const view = await client.workspace();
    const broken = [...this.checkEdits(view.profile), ...this.checkMods(view), ...(await checkOrder(view))];
    const names = new Map(view.profiles.map(({ id, name }) => [id as string, name]));
    for (const id of this.profiles) if (!names.has(id)) broken.push(`a profile that was made is gone: ${id}`);
    for (const { id, name } of view.profiles) {
      const read = await client.read("readProfile", id);
      if (!read.ok) broken.push(`the profile ${name} cannot be read: ${JSON.stringify(read.refusal)}`);
    }
    this.take(view.profile);
    this.underWay = null;
    return broken;
  }

  private take(profile: Profile): void {
    this.notes = notesOf(profile);
    this.version = profile.version;
  }

  private checkEdits(profile: Profile): string[] {
    const stored = notesOf(profile);
    if (profile.version < this.version)
      return [`version ${this.version} was answered, and ${profile.version} is stored`];
    if (same(stored, this.notes)) return [];
    const { underWay } = this;
    const isLater = profile.version > this.version;
    if (underWay?.note && isLater) {
      const { item, text } = underWay.note;
      if (same(stored, new Map(this.notes).set(item, text))) return [];
    }
    if (underWay && !underWay.note && isLater) return [];
    return [
      `other notes are stored than were answered: ${JSON.stringify([...stored])} for ${JSON.stringify([...this.notes])}`,
    ];
  }

  private checkMods({ stock, bin, folders }: ShownView): string[] {
    const shelf = new Set(stock.shelf.map(({ path }) => path));
    const binned = new Map(bin.map(({ path, liesAt }) => [path, liesAt]));
    const absent = bin.filter(({ liesAt }) => !existsSync(liesAt));
    const missing = [...this.mods].flatMap((path) => {
      const liesAt = binned.get(path);
      if (shelf.has(path))
        return existsSync(join(folders.shelves[0]!, path)) ? [] : [`${path} is listed, and is not there`];
      return liesAt === undefined ? [`${path} is in no list`] : [];
    });
    return [...missing, ...absent.map(({ path }) => `${path} is listed in the bin, and is not there`)];
  }
}

/** The file that the game reads, and the one beside it, are whole or not there. */
async function checkOrder({ game, folders }: ShownView): Promise<string[]> {
  const { order, holds } = gameFiles(game, folders);
  const [list, beside] = await Promise.all(
    [order, holds].map((path) => readFile(path, "utf8").catch(() => null)),
  );
  const broken: string[] = [];
  if (list === "") broken.push("the order file is empty");
  try {
    if (beside !== null) JSON.parse(beside!);
  } catch {
    broken.push("what lies beside the order file is cut off");
  }
  return broken;
}
