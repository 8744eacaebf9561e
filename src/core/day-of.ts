/** The day of a moment as the owner of this machine counts days, in ISO 8601. */
export const dayOf = (at: Date): string =>
  [at.getFullYear(), at.getMonth() + 1, at.getDate()].map((part) => String(part).padStart(2, "0")).join("-");
