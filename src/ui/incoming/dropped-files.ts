import { isArchiveName } from "@/formats/archive-name";
import { isListName } from "../lineups/pending-list";
import { zip, type AsyncZippable } from "fflate";

/** An archive to be sent, under the name that it is to have on the shelf. */
export interface Dropped {
  readonly name: string;
  readonly archive: Blob;
}

/** What can be taken in of a drop: archives as they are, folders packed; files of other kinds are passed over. */
export async function readDrop({ items }: DataTransfer): Promise<Dropped[]> {
  // The list is only good until the event has been handled: everything is asked of it before anything is waited for.
  const entries = [...items].map((item) => ({ entry: item.webkitGetAsEntry(), file: item.getAsFile() }));
  const found: Dropped[] = [];
  for (const { entry, file } of entries) {
    if (entry?.isDirectory) found.push(await packFolder(entry as FileSystemDirectoryEntry));
    else if (file && isArchiveName(file.name)) found.push({ name: file.name, archive: file });
  }
  return found;
}

/** A file of the drop that may be a list of mods; null where none is. */
export const listInDrop = ({ files }: DataTransfer): File | null =>
  [...files].find(({ name }) => isListName(name)) ?? null;

async function packFolder(folder: FileSystemDirectoryEntry): Promise<Dropped> {
  const files = new Map<string, File>();
  await collect(folder, "", files);
  return packFiles(folder.name, files);
}

/** Files of folders that were chosen: those below each folder, by their paths there. */
export function foldersOfFiles(files: readonly File[]): ReadonlyMap<string, ReadonlyMap<string, File>> {
  const folders = new Map<string, Map<string, File>>();
  for (const file of files) {
    const [top = "", ...below] = file.webkitRelativePath.split("/");
    const inside = folders.get(top) ?? new Map<string, File>();
    folders.set(top, inside.set(below.join("/"), file));
  }
  return folders;
}

/** An archive of these files. */
export async function packFiles(name: string, files: ReadonlyMap<string, File>): Promise<Dropped> {
  const contents: AsyncZippable = {};
  for (const [path, file] of files) contents[path] = new Uint8Array(await file.arrayBuffer());
  const bytes = await new Promise<Uint8Array>((done, fail) =>
    zip(contents, { level: 1 }, (error, data) => (error ? fail(error) : done(data))),
  );
  return { name: `${name}.zip`, archive: new Blob([bytes as Uint8Array<ArrayBuffer>]) };
}

async function collect(
  folder: FileSystemDirectoryEntry,
  below: string,
  files: Map<string, File>,
): Promise<void> {
  for (const entry of await listEntries(folder.createReader())) {
    const path = `${below}${entry.name}`;
    if (entry.isDirectory) await collect(entry as FileSystemDirectoryEntry, `${path}/`, files);
    else files.set(path, await fileOf(entry as FileSystemFileEntry));
  }
}

/** A reader answers with a part at a time, and with none in the end. */
async function listEntries(reader: FileSystemDirectoryReader): Promise<FileSystemEntry[]> {
  const all: FileSystemEntry[] = [];
  for (;;) {
    const part = await new Promise<FileSystemEntry[]>((done, fail) => reader.readEntries(done, fail));
    if (part.length === 0) return all;
    all.push(...part);
  }
}

const fileOf = (entry: FileSystemFileEntry): Promise<File> =>
  new Promise((done, fail) => entry.file(done, fail));
