import type { OrderDialect } from "@/core/model/game";
import { done, type Outcome } from "@/core/model/outcome";
import { decodeText } from "./text";

/** How a file was written, so that it can be written the same way again. */
export interface OrderFileStyle {
  readonly mark: boolean;
  readonly lineEnd: "\n" | "\r\n";
}

export interface OrderFile {
  readonly names: readonly string[];
  readonly style: OrderFileStyle;
}

interface Dialect {
  readonly read: (lines: readonly string[]) => string[];
  readonly write: (names: readonly string[]) => string[];
}

const dialects: Record<OrderDialect, Dialect> = {
  lines: {
    read: (lines) => lines.map((line) => line.trim()).filter((line) => line !== ""),
    write: (names) => [...names],
  },
};

export const plainStyle: OrderFileStyle = { mark: false, lineEnd: "\n" };

export function readOrderFile(bytes: Uint8Array, dialect: OrderDialect, name: string): Outcome<OrderFile> {
  const decoded = decodeText(bytes, name);
  if (!decoded.ok) return decoded;
  const { text, mark } = decoded.value;
  const lineEnd = text.includes("\r\n") ? "\r\n" : "\n";
  return done({ names: dialects[dialect].read(text.split(/\r\n|\n|\r/)), style: { mark, lineEnd } });
}

export function writeOrderFile(names: readonly string[], dialect: OrderDialect, style = plainStyle): string {
  const lines = dialects[dialect].write(names);
  return (style.mark ? "\uFEFF" : "") + lines.map((line) => line + style.lineEnd).join("");
}
