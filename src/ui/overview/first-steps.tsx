"use client";

import { Check, X } from "lucide-react";
import { say } from "@/core/language/say";
import type { GuidePlace } from "@/core/model/guide";
import { modsOn } from "@/core/roster/roster";
import { isBroken } from "@/core/roster/ties";
import { Button } from "../kit/button";
import { useKept } from "../kit/kept";
import { useStanding } from "../order-file/standing";
import type { EditorState } from "../workspace/editor-state";
import { firstStepsShown, hasShared } from "../workspace/first-steps-kept";
import { useGo } from "../workspace/use-go";
import { useEditor, useWorkspace } from "../workspace/workspace.client";

interface Step {
  readonly id: "fill" | "switch" | "order" | "write" | "start" | "share";
  readonly isDone: boolean;
  /** The view in which it is done. */
  readonly view: string;
  readonly guide: GuidePlace;
}

/** The way from an empty shelf to a list that others have: each step is done once the profile says so. */
function useFirstSteps(): readonly Step[] {
  const state = useEditor((all) => all);
  const { standing } = useStanding();
  const [shared] = useKept(hasShared);
  const isOn = modsOn(state.roster) > 0;
  const evening = (part: number): GuidePlace => ({ page: "first-evening", part: String(part) });
  return [
    { id: "fill", isDone: state.view.stock.shelf.length > 0, view: "/shelf", guide: evening(3) },
    { id: "switch", isDone: isOn, view: "/shelf", guide: evening(4) },
    { id: "order", isDone: isOn && isInOrder(state), view: "/plan", guide: { page: "order-plugins" } },
    { id: "write", isDone: isOn && standing === "current", view: "/plan", guide: evening(6) },
    { id: "start", isDone: hasRun(state), view: "/overview", guide: evening(7) },
    { id: "share", isDone: shared, view: "/lineups", guide: { page: "share" } },
  ];
}

const isInOrder = ({ roster, ties }: EditorState): boolean =>
  roster.game.lists.every((list) => {
    const { itemOf } = roster.lists[list];
    return ties[list].all.every((tie) => !isBroken(tie, (id) => itemOf.get(id)!.place));
  });

const hasRun = ({ view, profile }: EditorState): boolean =>
  view.profiles.some(({ id, ranAt }) => id === profile.id && ranAt !== null);

/** The first steps on the overview, until they are done or put away; the command field brings them back. */
export function FirstSteps() {
  const { panel } = useWorkspace();
  const go = useGo();
  const steps = useFirstSteps();
  const [shown, setShown] = useKept(firstStepsShown);
  const open = steps.filter(({ isDone }) => !isDone);
  if (shown === "never" || (shown === "open" && open.length === 0)) return null;
  const follow = ({ view, guide }: Step) => {
    go(view);
    panel.showGuide(guide);
  };
  return (
    <section aria-labelledby="first-steps" className="border-line bg-sunk rounded-md border px-3 py-2">
      <header className="flex items-center gap-3">
        <h2 id="first-steps" className="font-bold">
          {say("overview.firstSteps")}
        </h2>
        <span className="text-ink2 text-sm">
          {say("overview.stepsDone", { done: steps.length - open.length, count: steps.length })}
        </span>
        <Button
          small
          look="quiet"
          className="ml-auto w-6 !px-0"
          aria-label={say("overview.hideFirstSteps")}
          title={say("overview.hideFirstSteps")}
          onClick={() => setShown("never")}
        >
          <X size={14} aria-hidden />
        </Button>
      </header>
      <ol className="mt-1 grid gap-x-4 gap-y-1 sm:grid-cols-2 xl:grid-cols-3">
        {steps.map((step, at) => (
          <li key={step.id} className="flex items-start gap-2">
            <span
              role="img"
              aria-label={step.isDone ? say("overview.stepDone") : say("overview.stepOpen")}
              className={`mt-0.5 flex size-5 shrink-0 items-center justify-center rounded-full border font-mono text-sm ${step.isDone ? "border-pine text-pine" : "border-line text-ink2"} ${step === open[0] ? "bg-pine !text-on-pine" : ""}`}
            >
              {step.isDone ? <Check size={12} aria-hidden /> : at + 1}
            </span>
            <div>
              <button
                type="button"
                aria-describedby={`step-${step.id}-hint`}
                onClick={() => follow(step)}
                className="hover:text-pine text-left font-semibold"
              >
                {say(`overview.step.${step.id}.title`)}
              </button>
              <p id={`step-${step.id}-hint`} className="text-ink2 text-sm">
                {say(`overview.step.${step.id}.hint`)}
              </p>
            </div>
          </li>
        ))}
      </ol>
    </section>
  );
}
