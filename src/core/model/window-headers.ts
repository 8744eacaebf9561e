/** A window says with each call on which profile it works; the address of a view says it where that is loaded. */
export const profileHeader = "x-seating-profile";
/** And, with large reads, that it is a window of this Seating. */
export const tokenHeader = "x-seating-token";

/** In which language a browser wants to be answered, as a BCP 47 tag. */
export const languageCookie = "seating-language";
