const signs: Record<string, string> = { "&": "&amp;", "<": "&lt;", ">": "&gt;", '"': "&quot;", "'": "&#39;" };

/** HTML that is sound already; everything else is text. */
export class Markup {
  constructor(readonly source: string) {}
}

type Piece = string | number | Markup | null | false | undefined | readonly Piece[];

const sourceOf = (piece: Piece): string => {
  if (piece === null || piece === undefined || piece === false) return "";
  if (piece instanceof Markup) return piece.source;
  if (typeof piece === "object") return piece.map(sourceOf).join("");
  return String(piece).replace(/[&<>"']/g, (sign) => signs[sign]!);
};

/** A template of HTML in which every value that is no markup itself is text, also within a quoted attribute. */
export const markup = (parts: TemplateStringsArray, ...pieces: readonly Piece[]): Markup =>
  new Markup(parts.map((part, at) => part + sourceOf(pieces[at])).join(""));
