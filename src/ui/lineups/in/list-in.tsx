"use client";

import { moment } from "../../kit/moment";
import { say } from "@/core/language/say";
import { useEffect } from "react";
import type { ProfileId } from "@/core/model/ids";
import { shortFingerprint } from "@/core/lineup/fingerprint";
import { useEditor } from "../../workspace/workspace.client";
import { offerList, usePendingList } from "../pending-list";
import { Chooser } from "./chooser";
import { PlanView } from "./plan-view";
import { useListIn, type ListSource } from "./use-list-in";

/** A list in: first what it would bring, then the profile, then the proof. */
export function ListIn({
  onAccepted,
  onMerge,
}: {
  onAccepted: () => void;
  onMerge: (list: ListSource, profile: ProfileId) => void;
}) {
  const list = useListIn();
  const pending = usePendingList();
  const { open } = list;
  useEffect(() => {
    if (!pending) return;
    void pending.arrayBuffer().then((bytes) => open({ bytes: new Uint8Array(bytes), name: pending.name }));
    offerList(null);
  }, [pending, open]);
  useEffect(() => {
    // A link that somebody shared holds its code behind the #, which never leaves the browser.
    const code = /^#code=(S[12]-[\w-]+)$/.exec(window.location.hash)?.[1];
    if (!code) return;
    window.history.replaceState(window.history.state, "", window.location.pathname + window.location.search);
    open({ bytes: new TextEncoder().encode(code), name: say("lineups.sharedList") });
  }, [open]);
  const { source } = list;
  if (source && list.resolved)
    return (
      <PlanView
        key={source.name}
        resolved={list.resolved}
        fileName={source.name}
        onAnswer={list.answer}
        onMerge={(profile) => onMerge(source, profile)}
        onLeave={list.close}
        onAccepted={() => {
          list.close();
          onAccepted();
        }}
      />
    );
  return (
    <div className="min-h-0 grow overflow-auto p-5">
      <Chooser busy={list.busy} onSource={open} />
      <ImportedBefore />
    </div>
  );
}

function ImportedBefore() {
  const imports = useEditor((state) => state.view.imports);
  if (imports.length === 0) return null;
  return (
    <section className="mt-6 max-w-4xl">
      <h2 className="border-line mb-1 border-b pb-1 font-bold">{say("lineups.takenInBefore")}</h2>
      <table className="w-full">
        <thead>
          <tr className="text-ink3 text-left text-sm">
            <th className="py-1 font-semibold">{say("lineups.lineup")}</th>
            <th className="font-semibold">{say("lineups.profile")}</th>
            <th className="font-semibold">{say("lineups.fingerprint2")}</th>
            <th className="text-right font-semibold">{say("common.when")}</th>
          </tr>
        </thead>
        <tbody>
          {imports.map((each) => (
            <tr key={each.id} className="border-line border-t">
              <td className="max-w-40 truncate py-1 font-semibold" title={each.fileName}>
                {each.title}
              </td>
              <td className="max-w-40 truncate">{each.profileName}</td>
              <td className="text-ink2 font-mono text-sm">
                {each.fingerprint === null ? "" : shortFingerprint(each.fingerprint)}
              </td>
              <td className="text-ink3 text-right font-mono text-sm" suppressHydrationWarning>
                {moment(each.at)}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}
