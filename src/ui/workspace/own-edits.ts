import type { EditLabel } from "@/core/model/edit";
import type { ProfileState } from "@/core/model/profile";
import type { EditorHistory } from "./pending";

interface OwnEdit {
  readonly label: EditLabel;
  readonly before: ProfileState;
  readonly after: ProfileState;
}

type Way = "undo" | "redo";

/** So many are known; of older ones the server has to be asked. */
const most = 50;

/**
 * What the edits of this window made of the profile, so that undo and redo can show it before the server answers. Whatever else
 * becomes of the profile ends that.
 */
export class OwnEdits {
  private done: OwnEdit[] = [];
  private undone: OwnEdit[] = [];

  add(edit: OwnEdit): void {
    this.done = [...this.done, edit].slice(-most);
    this.undone = [];
  }

  forget(): void {
    this.done = [];
    this.undone = [];
  }

  /** The profile after that way, and what may be done then; null where that is not known. */
  travel(way: Way, { edits }: EditorHistory): { state: ProfileState; history: EditorHistory } | null {
    const [from, to] = way === "undo" ? [this.done, this.undone] : [this.undone, this.done];
    const edit = from.pop();
    if (!edit) return null;
    to.push(edit);
    return {
      state: way === "undo" ? edit.before : edit.after,
      history: {
        undo: this.done.at(-1)?.label ?? null,
        redo: this.undone.at(-1)?.label ?? null,
        edits: edits + (way === "undo" ? -1 : 1),
      },
    };
  }
}
