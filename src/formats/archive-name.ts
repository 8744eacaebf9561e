/** Of archives of mods. */
export const archiveEndings = [".zip", ".7z", ".rar"] as const;

const ending = new RegExp(`(?:${archiveEndings.join("|").replaceAll(".", "\\.")})$`, "i");

export const isArchiveName = (name: string): boolean => ending.test(name);

/** The name without the ending that says of which kind an archive it is. */
export const withoutEnding = (name: string): string => name.replace(ending, "");

/** That ending with its dot; the one of an archive that Seating makes where there is none. */
export const endingOf = (name: string): string => ending.exec(name)?.[0] ?? ".zip";
