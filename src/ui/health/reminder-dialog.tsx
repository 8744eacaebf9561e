"use client";

import { useState, type FormEvent } from "react";
import { dropReminder, writeReminder } from "@/core/edit/reminders";
import { say } from "@/core/language/say";
import { occasionText } from "@/core/messages/advice";
import { Reminder, type Occasion } from "@/core/model/reminder";
import { Button } from "../kit/button";
import { Choice } from "../kit/choice";
import { Dialog } from "../kit/dialog";
import { Field } from "../kit/field";
import { dayOf } from "@/core/day-of";
import { useEditor, useWorkspace } from "../workspace/workspace.client";

/** What one wants to be told later, and the reminders that wait. */
export function ReminderButton() {
  const [isOpen, open] = useState(false);
  return (
    <>
      <Button onClick={() => open(true)}>{say("health.reminders")}</Button>
      <Dialog
        open={isOpen}
        onClose={() => open(false)}
        title={say("health.reminders")}
        hint={say("health.remindersHint")}
        size="medium"
        guide={{ page: "when-something-is-wrong" }}
      >
        <Waiting />
        <ReminderForm onStored={() => open(false)} />
      </Dialog>
    </>
  );
}

function Waiting() {
  const { editor } = useWorkspace();
  const reminders = useEditor((state) => state.profile.state.reminders);
  if (reminders.length === 0) return null;
  return (
    <ul className="border-line mb-4 rounded-md border">
      {reminders.map((reminder) => (
        <li
          key={reminder.id}
          className="border-line flex items-center gap-2 border-b px-2.5 py-1.5 last:border-b-0"
        >
          <span className="grow">
            {reminder.text} <span className="text-ink2">({occasionText(reminder.when)})</span>
          </span>
          <Button small look="quiet" onClick={() => editor.dispatch(dropReminder(reminder))}>
            {say("plan.takeAway")}
          </Button>
        </li>
      ))}
    </ul>
  );
}

const kinds = ["arrives", "updated", "day"] as const satisfies readonly Occasion["kind"][];

function ReminderForm({ onStored }: { onStored: () => void }) {
  const { editor } = useWorkspace();
  const game = useEditor((state) => state.roster.game);
  const [id] = useState(() => crypto.randomUUID());
  const [text, setText] = useState("");
  const [kind, setKind] = useState<Occasion["kind"]>("arrives");
  const [mod, setMod] = useState("");
  const [date, setDate] = useState(() => dayOf(new Date()));
  const when =
    kind === "arrives"
      ? { kind, mod: mod.trim() }
      : kind === "updated"
        ? { kind, version: game.version }
        : { kind, date };
  const reminder = Reminder.safeParse({ id, text, when });
  const store = (event: FormEvent) => {
    event.preventDefault();
    if (!reminder.success) return;
    editor.dispatch(writeReminder(reminder.data));
    onStored();
  };
  return (
    <form onSubmit={store} className="space-y-3">
      <Field
        label={say("health.remindOf")}
        value={text}
        maxLength={500}
        autoFocus
        onChange={(event) => setText(event.target.value)}
      />
      <div role="radiogroup" aria-label={say("health.remindWhen")} className="space-y-1">
        {kinds.map((each) => (
          <Choice key={each} name="occasion" checked={kind === each} onChoose={() => setKind(each)}>
            {say(`health.when.${each}`, { version: game.version })}
          </Choice>
        ))}
      </div>
      {kind === "arrives" && (
        <Field
          label={say("health.whichMod")}
          hint={say("health.whichModHint")}
          value={mod}
          maxLength={300}
          onChange={(event) => setMod(event.target.value)}
        />
      )}
      {kind === "day" && (
        <Field
          label={say("health.whichDay")}
          type="date"
          value={date}
          onChange={(event) => setDate(event.target.value)}
        />
      )}
      <div className="flex justify-end">
        <Button look="main" type="submit" disabled={!reminder.success}>
          {say("health.remindMe")}
        </Button>
      </div>
    </form>
  );
}
