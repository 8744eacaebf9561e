import type { Files } from "./pack";
import { zip } from "./pack";

/** Archives of the demo's shelf that no sound mind would install, by file name. */
export function unsoundArchives(): Record<string, Uint8Array> {
  const text = (words: string) => new TextEncoder().encode(words);
  const sound = zip({
    "textures/barnacle/hull.dat": text("barnacle ".repeat(400)),
    "readme.txt": text("read me"),
  });
  return {
    "Broken Barnacles-0.9.zip": sound.subarray(0, Math.floor(sound.length * 0.6)),
    "Wandering Wreck-1.0.zip": zip({
      "textures/wreck.dat": text("wreck"),
      "../../saves/lading.lst": text("mine"),
    }),
    "Holiday Pictures-3.zip": zip({ "pictures/shore.txt": text("not a mod") }),
  };
}

/** A plugin that declares more than it holds. */
export function cutShort(files: Files, name: string): Files {
  const bytes = files[name]!;
  return { ...files, [name]: bytes.subarray(0, bytes.length - 10) };
}
