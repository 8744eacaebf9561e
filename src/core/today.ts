/** The day as the owner of this machine counts it, in ISO 8601. */
export const today = (): string => new Intl.DateTimeFormat("sv-SE").format(new Date());
