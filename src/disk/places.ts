import { join } from "node:path";

/** The folder that Seating was installed into: the one that the server was told, or the one it was started in. */
export const root = (): string => process.env.SEATING_ROOT ?? process.cwd();

/** The data folder. */
export const home = (): string => process.env.SEATING_HOME ?? join(root(), ".seating");
