/** Something that is missing here and may be got: a mod, in certain contents or versions where that counts, or whatever brings a plugin. */
export type Want =
  | {
      readonly kind: "mod";
      readonly id: string;
      readonly content: string | null;
      /** A range; null: any. */
      readonly versions: string | null;
      /** One version and no other. */
      readonly version?: string;
    }
  /** `unlike`: in another file than the one of this SHA-256. */
  | { readonly kind: "plugin"; readonly name: string; readonly unlike?: string };
