import "@fontsource-variable/atkinson-hyperlegible-next";
import "@fontsource-variable/jetbrains-mono";
import type { Metadata } from "next";
import type { ReactNode } from "react";
import { themeScript } from "@/ui/frame/theme-script";
import "./globals.css";

export const metadata: Metadata = { title: { default: "Seating", template: "%s · Seating" } };

export default function RootLayout({ children }: { children: ReactNode }) {
  return (
    <html lang="en" suppressHydrationWarning>
      <head>
        <script dangerouslySetInnerHTML={{ __html: themeScript }} />
      </head>
      <body>{children}</body>
    </html>
  );
}
