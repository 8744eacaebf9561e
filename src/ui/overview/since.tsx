"use client";

import { plural } from "@/core/messages/parts";
import type { Changes } from "@/core/compare/changes";
import { ItemName } from "../kit/sentence";

const mostNamed = 8;

const kindsOfChange = [
  ["Moved", "moved"],
  ["New", "added"],
  ["Gone", "gone"],
  ["Switched on", "switchedOn"],
  ["Switched off", "switchedOff"],
] as const;

/** What has changed since an earlier state, by kind. */
export function Since({ changes }: { changes: Changes }) {
  const lists = (["plugins", "mods"] as const).flatMap((list) =>
    kindsOfChange.map(([title, kind]) => [`${title} ${list}`, changes[list][kind]] as const),
  );
  const rules = changes.rulesAdded + changes.rulesGone;
  const isSame = rules === 0 && lists.every(([, ids]) => ids.length === 0);
  return (
    <div className="text-ink2 w-full space-y-0.5 py-1" role="status">
      {isSame && <p>Nothing has changed since.</p>}
      {lists.map(([title, ids]) =>
        ids.length === 0 ? null : (
          <p key={title}>
            <b className="text-ink">
              {title}, {ids.length}:
            </b>{" "}
            {ids.slice(0, mostNamed).map((id) => (
              <span key={id} className="mr-2 inline-block">
                <ItemName id={id} />
              </span>
            ))}
            {ids.length > mostNamed && `and ${ids.length - mostNamed} more`}
          </p>
        ),
      )}
      {rules > 0 && (
        <p>
          {plural(changes.rulesAdded, "rule")} new, {changes.rulesGone} gone.
        </p>
      )}
    </div>
  );
}
