import { say } from "@/core/language/say";
import { useMemo } from "react";
import { compareRosters } from "@/core/compare/rosters";
import { sidesOfEdit } from "@/core/messages/profile-differences";
import type { ProfileId } from "@/core/model/ids";
import type { StateSource } from "@/server/operations/profiles";
import { Dialog } from "../kit/dialog";
import { DifferenceGrid } from "../profiles/difference-grid";
import { Comparison } from "../profiles/differences";
import { tiedPairs, useOther } from "../profiles/use-other";
import { useEditor } from "../workspace/workspace.client";
import { nameOfMoment, type Moment } from "./moments";

/** A state, beside the profile as it is now or beside the state before it. */
export interface Compared {
  readonly then: Moment;
  readonly with: "now" | "before";
}

export function ComparisonDialog({
  compared: { then, with: other },
  profile,
  onClose,
}: {
  compared: Compared;
  profile: ProfileId;
  onClose: () => void;
}) {
  const source = useMemo(
    (): StateSource => (then.kind === "point" ? { point: then.id } : { edit: then.number, of: profile }),
    [then, profile],
  );
  const title =
    other === "now"
      ? say("history.nowAnd", { nameOfMoment: nameOfMoment(then) })
      : say("history.whatItChanged", { what: then.what });
  return (
    <Dialog open onClose={onClose} title={title} size="large">
      {other === "now" ? (
        <Comparison source={source} />
      ) : (
        then.kind === "edit" && <WhatItChanged number={then.number} profile={profile} />
      )}
    </Dialog>
  );
}

/** From the state before an edit to the one after it. */
function WhatItChanged({ number, profile }: { number: number; profile: ProfileId }) {
  const [before, after] = useMemo(
    () => [number - 1, number].map((edit): StateSource => ({ edit, of: profile })),
    [number, profile],
  );
  const [here, there] = [useOther(before!), useOther(after!)];
  const ties = useEditor((state) => state.ties);
  const sides = useMemo(() => sidesOfEdit(), []);
  const differences = useMemo(
    () => here && there && compareRosters(here, there, tiedPairs(here, ties)),
    [here, there, ties],
  );
  if (!here || !there || !differences) return <p className="text-ink2 py-3">{say("common.readingIt")}</p>;
  if (differences.length === 0)
    return <p className="text-ink2">{say("history.nothingThatIsComparedItLed")}</p>;
  return <DifferenceGrid here={here} there={there} sides={sides} differences={differences} />;
}
