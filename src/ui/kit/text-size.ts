import { z } from "zod";
import { Kept } from "./kept";

/** Per cent of the browser's own size of text; a page has it before it is drawn (server/theme-script). */
export const textSize = new Kept("seating-text-size", z.enum(["90", "100", "115", "130"]), "100");

textSize.subscribe(() => {
  document.documentElement.style.fontSize = `${textSize.get()}%`;
});
