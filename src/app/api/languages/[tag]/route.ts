import { findLanguage } from "@/server/languages";

/** All texts in a language. */
export async function GET(_: Request, { params }: { params: Promise<{ tag: string }> }): Promise<Response> {
  const language = findLanguage((await params).tag);
  return language ? Response.json(language) : new Response(null, { status: 404 });
}
