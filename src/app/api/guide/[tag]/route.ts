import { readGuide } from "@/server/guide";
import { findLanguage } from "@/server/languages";

/** The pages of the guide, as they are written in a language. */
export async function GET(_: Request, { params }: { params: Promise<{ tag: string }> }): Promise<Response> {
  const language = findLanguage((await params).tag);
  return language ? Response.json(readGuide(language.tag)) : new Response(null, { status: 404 });
}
