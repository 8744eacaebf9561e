import { listLanguages } from "@/server/languages";

export const dynamic = "force-dynamic";

/** The languages of which there is a catalogue. */
export const GET = (): Response => Response.json(listLanguages());
