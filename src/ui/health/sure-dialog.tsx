"use client";

import { useState } from "react";
import { say } from "@/core/language/say";
import { findingTitle } from "@/core/messages/finding-titles";
import { sayFinding } from "@/core/messages/findings";
import type { Finding } from "@/core/model/finding";
import { Button } from "../kit/button";
import { Dialog } from "../kit/dialog";
import { LevelMark, levelWord } from "../kit/level";
import { Say } from "../kit/sentence";
import { useWorkspace } from "../workspace/workspace.client";
import { useSureWays } from "./use-ways";

const mostListed = 40;

/** Takes all ways out about which there is no question, after they have been shown. */
export function SureButton() {
  const { editor } = useWorkspace();
  const sure = useSureWays();
  const [isOpen, open] = useState(false);
  const ways = sure && sure !== "none" ? sure : null;
  const take = () => {
    if (ways) editor.dispatch(ways.edit);
    open(false);
  };
  return (
    <>
      <Button look="main" disabled={!ways} onClick={() => open(true)}>
        {say("health.takeSure", { count: ways?.count ?? 0 })}
      </Button>
      <Dialog
        open={isOpen && ways !== null}
        onClose={() => open(false)}
        title={say("health.takeSure", { count: ways?.count ?? 0 })}
        hint={say("health.takeSureHint")}
        size="medium"
        guide={{ page: "when-something-is-wrong" }}
      >
        {ways && (
          <div className="space-y-3">
            <Found title={say("health.whatGoes", { count: ways.goes.length })} findings={ways.goes} />
            <Found title={say("health.whatComes", { count: ways.comes.length })} findings={ways.comes} />
            <div className="flex justify-end gap-2">
              <Button look="quiet" onClick={() => open(false)}>
                {say("common.cancel")}
              </Button>
              <Button look="main" onClick={take}>
                {say("health.takeThem")}
              </Button>
            </div>
          </div>
        )}
      </Dialog>
    </>
  );
}

function Found({ title, findings }: { title: string; findings: readonly Finding[] }) {
  if (findings.length === 0) return null;
  return (
    <section>
      <h3 className="text-ink2 mb-1 text-sm font-semibold">{title}</h3>
      <ul className="border-line max-h-56 overflow-auto rounded-md border">
        {findings.slice(0, mostListed).map((finding, at) => (
          <li key={at} className="border-line flex gap-2 border-b px-2.5 py-1.5 last:border-b-0">
            <span className="pt-1">
              <LevelMark level={finding.level} label={levelWord(finding.level)} />
            </span>
            <span>
              <b>{findingTitle(finding.id)}</b> <Say parts={sayFinding(finding)} />
            </span>
          </li>
        ))}
        {findings.length > mostListed && (
          <li className="text-ink3 px-2.5 py-1.5">
            {say("common.andMore", { count: findings.length - mostListed })}
          </li>
        )}
      </ul>
    </section>
  );
}
