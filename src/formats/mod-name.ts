/** Name and version from `Some Name-1.2.3.zip` or a folder's name, for mods without a manifest. */
export function nameFromPath(path: string): { id: string; name: string; version: string } {
  const stem = path.replace(/\.zip$/i, "");
  const match = /^(.+?)[-_ ]+v?(\d+(?:\.\d+)*[a-z]?(?:-[0-9a-z.-]+)?)$/i.exec(stem);
  const name = (match?.[1] ?? stem).replaceAll("_", " ").trim() || stem;
  const id = name
    .toLowerCase()
    .normalize("NFKD")
    .replace(/[^\p{L}\p{N}]+/gu, "-")
    .replace(/^-+|-+$/g, "");
  return { id: id || stem, name, version: match?.[2] ?? "0" };
}
