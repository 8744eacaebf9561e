/** Why the game stopped at start, as it says it in its log. */
export class Stopped extends Error {}

/** Something that cannot be read, without the name of what it is. */
export class Unreadable extends Error {}
