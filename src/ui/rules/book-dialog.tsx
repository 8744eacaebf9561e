"use client";

import type { ReactNode } from "react";
import { say } from "@/core/language/say";
import { adviceSubject, adviceText } from "@/core/messages/advice";
import { ruleText } from "@/core/messages/rules";
import type { Advice } from "@/core/model/advice";
import type { BookRule, Rulebook } from "@/core/model/rulebook";
import { compareBooks, openBooks } from "@/core/roster/books";
import { Button } from "../kit/button";
import { Dialog } from "../kit/dialog";
import { Say } from "../kit/sentence";
import { useEditor } from "../workspace/workspace.client";

/** What a rulebook would bring, or what its other version changes, before it is taken over. */
export function BookDialog({
  chosen,
  onClose,
  onAccept,
}: {
  chosen: Rulebook | null;
  onClose: () => void;
  onAccept: () => void;
}) {
  const roster = useEditor((state) => state.roster);
  const old = openBooks(roster).find(({ book }) => book.id === chosen?.id)?.book ?? null;
  const title = old
    ? say("rules.fromTo", { name: old.name, version: old.version, version2: chosen?.version })
    : `${chosen?.name ?? ""} ${chosen?.version ?? ""}`;
  return (
    <Dialog
      open={chosen !== null}
      onClose={onClose}
      title={title}
      hint={old ? say("rules.nothingIsChangedUntilYouTake") : say("rules.whatThisRulebookBringsToThe")}
      size="medium"
    >
      {chosen && (
        <>
          <BookDifference old={old} next={chosen} />
          <div className="flex justify-end gap-2 pt-3">
            <Button look="quiet" onClick={onClose}>
              {say("common.cancel")}
            </Button>
            <Button look="main" onClick={onAccept}>
              {old ? say("rules.use", { version: chosen.version }) : say("common.use")}
            </Button>
          </div>
        </>
      )}
    </Dialog>
  );
}

export function BookDifference({ old, next }: { old: Rulebook | null; next: Rulebook }) {
  const roster = useEditor((state) => state.roster);
  const { mods, plugins } = roster.profile.state;
  const { added, changed, gone, adviceAdded, adviceGone, changelog, ...more } = compareBooks(old, next, [
    ...mods.sections,
    ...plugins.sections,
  ]);
  const isSame = [added, changed, gone, more.sections, adviceAdded, adviceGone].every(
    (list) => list.length === 0,
  );
  return (
    <div className="space-y-3">
      {changelog.map((entry) => (
        <p key={entry.version}>
          <b className="font-mono text-sm">{entry.version}</b> {entry.text}
        </p>
      ))}
      {isSame && <p>{say("rules.itSaysTheSameAsThe")}</p>}
      <RuleList title={say("rules.newRules")} rules={added} />
      <RuleList title={say("rules.changedRules")} rules={changed} before={old} />
      <RuleList title={say("rules.rulesThatGo")} rules={gone} />
      <AdviceList title={say("rules.newAdvice")} advice={adviceAdded} />
      <AdviceList title={say("rules.adviceThatGoes")} advice={adviceGone} />
      {more.sections.length > 0 && (
        <p>
          {say("rules.newSections", { sections: more.sections.map((section) => section.name).join(", ") })}
        </p>
      )}
    </div>
  );
}

function AdviceList({ title, advice }: { title: string; advice: readonly Advice[] }) {
  const roster = useEditor((state) => state.roster);
  return (
    <Told title={title} count={advice.length}>
      {advice.map((each) => (
        <li key={JSON.stringify(each)} className={row}>
          {adviceSubject(roster, each.on)}: {adviceText(roster, each)}
          {each.text && <span className="text-ink2 block text-sm">{each.text}</span>}
        </li>
      ))}
    </Told>
  );
}

const row = "border-line border-b px-2.5 py-1.5 last:border-b-0";

/** A list under its title and count; nothing where it is empty. */
function Told({ title, count, children }: { title: string; count: number; children: ReactNode }) {
  if (count === 0) return null;
  return (
    <section>
      <h3 className="text-ink2 mb-1 text-sm font-semibold">
        {title} <span className="font-mono font-normal">{count}</span>
      </h3>
      <ul className="border-line max-h-52 overflow-auto rounded-md border">{children}</ul>
    </section>
  );
}

function RuleList({
  title,
  rules,
  before,
}: {
  title: string;
  rules: readonly BookRule[];
  before?: Rulebook | null;
}) {
  return (
    <Told title={title} count={rules.length}>
      {rules.map((rule) => {
        const old = before?.rules.find((each) => each.id === rule.id);
        return (
          <li key={rule.id} className={row}>
            {old && (
              <span className="text-ink3 block line-through">
                <Say parts={ruleText(old.rule)} />
              </span>
            )}
            <Say parts={ruleText(rule.rule)} /> <span className="text-ink3">({rule.rule.strength})</span>
            {rule.note && (
              <span className="text-ink2 block text-sm">{say("rules.because2", { note: rule.note })}</span>
            )}
          </li>
        );
      })}
    </Told>
  );
}
