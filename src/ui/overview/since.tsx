"use client";

import { say } from "@/core/language/say";
import type { Difference } from "@/core/compare/states";
import { differenceItem, differenceName, groupChanges } from "@/core/messages/profile-differences";
import { ItemName } from "../kit/sentence";
import { useEditor } from "../workspace/workspace.client";

const mostNamed = 8;

/** What has changed since an earlier state, by kind. */
export function Since({ changes }: { changes: readonly Difference[] }) {
  const roster = useEditor((state) => state.roster);
  return (
    <div className="text-ink2 w-full space-y-0.5 py-1" role="status">
      {changes.length === 0 && <p>{say("overview.nothingHasChangedSince")}</p>}
      {groupChanges(changes).map(({ title, members }) => (
        <p key={title}>
          <b className="text-ink">
            {title}, {members.length}:
          </b>{" "}
          {members.slice(0, mostNamed).map((each) => {
            const item = differenceItem(each);
            return (
              <span key={`${each.kind} ${each.key}`} className="mr-2 inline-block">
                {item === null ? differenceName(roster, roster, each) : <ItemName id={item} />}
              </span>
            );
          })}
          {members.length > mostNamed && say("common.andMore", { count: members.length - mostNamed })}
        </p>
      ))}
    </div>
  );
}
