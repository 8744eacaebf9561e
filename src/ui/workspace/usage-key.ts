/** A mod and the contents in which it is held, as one key. */
export const usageKey = (id: string, content: string | null | undefined): string => `${id} ${content ?? ""}`;
