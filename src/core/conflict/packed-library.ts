import { unpackFiles, type PackedFiles } from "../model/packed-files";
import type { ModManifest } from "../model/shelf";
import type { ContentLibrary, ReadContents } from "./content-library";

interface PackedContents extends PackedFiles, Pick<ReadContents, "content" | "records"> {}

/** Contents as they come from the store, and what the game itself brings. */
export interface PackedLibrary {
  readonly contents: readonly PackedContents[];
  readonly own: {
    readonly folders: readonly (PackedFiles & { readonly expansion: string | null })[];
    readonly plugins: ReadContents["records"];
  };
}

/** Takes them into a library; `manifestOf` knows what a package of these contents says of itself. */
export function learnPacked(
  library: ContentLibrary,
  { contents, own }: PackedLibrary,
  manifestOf: (content: string) => ModManifest | null,
): void {
  for (const { content, records, ...files } of contents)
    library.learn({ content, records, files: unpackFiles(files) }, manifestOf(content));
  const folders = own.folders.map(({ expansion, ...files }) => ({ expansion, files: unpackFiles(files) }));
  library.learnOwn(folders, own.plugins);
}
