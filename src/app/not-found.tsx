import { say } from "@/core/language/say";
import type { Metadata } from "next";
import Link from "next/link";

export const generateMetadata = (): Metadata => ({ title: say("app.notFound") });

export default function NotFound() {
  return (
    <main className="space-y-2 p-8">
      <h1 className="text-xl font-bold">{say("app.thereIsNothingAtThisAddress")}</h1>
      <p>
        <Link href="/overview" className="text-pine underline">
          {say("app.goToTheOverview")}
        </Link>
      </p>
    </main>
  );
}
