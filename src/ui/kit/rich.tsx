import { Fragment, type ReactNode } from "react";
import { sayPieces, type TextKey } from "@/core/language/say";

/** A text with more than words in it, as links, keys and names of items. */
export const rich = (text: TextKey, values: Readonly<Record<string, ReactNode>>): ReactNode =>
  sayPieces(text, values as Record<string, object>).map((piece, at) => (
    <Fragment key={at}>{piece as ReactNode}</Fragment>
  ));
