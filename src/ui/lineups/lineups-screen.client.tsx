"use client";

import { format } from "date-fns";
import { shortFingerprint } from "@/core/lineup/fingerprint";
import { useEditor } from "../workspace/workspace.client";
import { ExportPanel } from "./export-panel";
import { ImportPanel } from "./import-panel";
import { LineupContents } from "./lineup-contents";

/** Lists out of this machine and into it. */
export function LineupsScreen() {
  const imports = useEditor((state) => state.view.imports);
  return (
    <div className="flex h-full flex-col">
      <header className="border-line flex h-11 shrink-0 items-center border-b px-5">
        <h1 className="text-lg font-bold">Lineups</h1>
      </header>
      <div className="divide-line grid min-h-0 grow grid-cols-2 divide-x">
        <div className="flex min-h-0 flex-col gap-4 p-5">
          <ExportPanel />
          <LineupContents />
        </div>
        <div className="min-h-0 overflow-auto p-5">
          <ImportPanel />
          {imports.length > 0 && (
            <section className="mt-6">
              <h2 className="border-line mb-1 border-b pb-1 font-bold">Imported before</h2>
              <table className="w-full">
                <thead>
                  <tr className="text-ink3 text-left text-sm">
                    <th className="py-1 font-semibold">Lineup</th>
                    <th className="font-semibold">Profile</th>
                    <th className="font-semibold">Fingerprint</th>
                    <th className="text-right font-semibold">When</th>
                  </tr>
                </thead>
                <tbody>
                  {imports.map((each) => (
                    <tr key={each.id} className="border-line border-t">
                      <td className="max-w-40 truncate py-1 font-semibold" title={each.fileName}>
                        {each.title}
                      </td>
                      <td className="max-w-40 truncate">{each.profileName}</td>
                      <td className="text-ink2 font-mono text-sm">{shortFingerprint(each.fingerprint)}</td>
                      <td className="text-ink3 text-right font-mono text-sm" suppressHydrationWarning>
                        {format(new Date(each.at), "d MMM HH:mm")}
                      </td>
                    </tr>
                  ))}
                </tbody>
              </table>
            </section>
          )}
        </div>
      </div>
    </div>
  );
}
