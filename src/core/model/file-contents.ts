/** What is looked at of a file: a text or a picture whole, of everything else how it begins. */
export type FileContents = {
  /** In bytes. */
  readonly size: number;
  readonly sha256: string;
} & (
  | { readonly kind: "text"; readonly text: string }
  | { readonly kind: "picture"; readonly type: string; readonly base64: string }
  /** The first bytes in hexadecimal; empty of a file that is too large to be held. */
  | { readonly kind: "bytes"; readonly first: string }
);
