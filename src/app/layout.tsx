import "@fontsource-variable/atkinson-hyperlegible-next";
import "@fontsource-variable/jetbrains-mono";
import type { Metadata } from "next";
import { connection } from "next/server";
import type { ReactNode } from "react";
import { spokenLanguage, standardLanguage } from "@/core/language/say";
import { themeScript } from "@/server/theme-script";
import { Spoken } from "@/ui/language/spoken.client";
import "./globals.css";

export const metadata: Metadata = { title: { default: "Seating", template: "%s · Seating" } };

export default async function RootLayout({ children }: { children: ReactNode }) {
  // Of a page that was made beforehand no script would bear the nonce of its request.
  await connection();
  const language = spokenLanguage();
  return (
    <html lang={language.tag} suppressHydrationWarning>
      <head>
        <script dangerouslySetInnerHTML={{ __html: themeScript }} />
      </head>
      <body>
        <Spoken language={language.tag === standardLanguage.tag ? null : language}>{children}</Spoken>
      </body>
    </html>
  );
}
