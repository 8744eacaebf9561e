"use client";

import { FaultNote } from "@/ui/kit/floor";
import "./globals.css";

/** Where not even the frame could be made. */
export default function Fault({ error, reset }: { error: Error & { digest?: string }; reset: () => void }) {
  return (
    <html lang="en">
      <body>
        <FaultNote what={"Seating"} error={error} onAgain={reset} />
      </body>
    </html>
  );
}
