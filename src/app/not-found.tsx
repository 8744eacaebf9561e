import type { Metadata } from "next";
import Link from "next/link";

export const metadata: Metadata = { title: "Not found" };

export default function NotFound() {
  return (
    <main className="space-y-2 p-8">
      <h1 className="text-xl font-bold">There is nothing at this address</h1>
      <p>
        <Link href="/overview" className="text-pine underline">
          Go to the overview
        </Link>
      </p>
    </main>
  );
}
