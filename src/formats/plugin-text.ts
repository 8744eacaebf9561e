import type { PluginEncoding } from "@/core/model/plugin-layout";

const utf8 = new TextDecoder("utf-8", { fatal: true });

/**
 * Reads the texts of one plugin, whatever their bytes are: as its layout says, else as UTF-8, else as Windows-1252 (WHATWG Encoding:
 * every byte of it is some character). What would end a text elsewhere is shown as a sign that stands for what cannot be read.
 */
export class PluginTexts {
  /** Some text was not UTF-8, though no layout says what else it is. */
  guessed = false;

  constructor(private readonly encoding: PluginEncoding | undefined) {}

  read(bytes: Uint8Array): string {
    return this.decode(bytes).replaceAll("\0", "\uFFFD");
  }

  private decode(bytes: Uint8Array): string {
    if (this.encoding !== undefined) return new TextDecoder(this.encoding).decode(bytes);
    try {
      return utf8.decode(bytes);
    } catch {
      this.guessed = true;
      return new TextDecoder("windows-1252").decode(bytes);
    }
  }
}
