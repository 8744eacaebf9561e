import { say } from "@/core/language/say";
import { archiveEndings, isArchiveName } from "@/formats/archive-name";
import { foldersOfFiles, packFiles, type Dropped } from "./dropped-files";
import { offerMods } from "./offered-mods";

/** Lets its user choose archives, several at once, or a folder that is a mod; they are taken in as if they had been dropped. */
export function chooseMods(what: "archives" | "folder"): void {
  const input = document.createElement("input");
  input.type = "file";
  input.setAttribute(
    "aria-label",
    what === "folder" ? say("incoming.folderOfAMod") : say("incoming.archivesOfMods"),
  );
  if (what === "folder") input.webkitdirectory = true;
  else {
    input.multiple = true;
    input.accept = archiveEndings.join(",");
  }
  input.hidden = true;
  const end = () => input.remove();
  input.addEventListener("cancel", end);
  input.addEventListener("change", () => {
    const files = [...(input.files ?? [])];
    end();
    void (what === "folder" ? packed(files) : Promise.resolve(asDropped(files))).then(offerMods);
  });
  document.body.append(input);
  input.click();
}

const asDropped = (files: readonly File[]): Dropped[] =>
  files.filter(({ name }) => isArchiveName(name)).map((file) => ({ name: file.name, archive: file }));

const packed = (files: readonly File[]): Promise<Dropped[]> =>
  Promise.all([...foldersOfFiles(files)].map(([name, below]) => packFiles(name, below)));
