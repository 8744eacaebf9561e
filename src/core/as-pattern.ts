/** A text as an expression, with the flag `u` or without, that matches just it. */
export const asPattern = (text: string): string => text.replace(/[.*+?^${}()|[\]\\/]/g, String.raw`\$&`);
