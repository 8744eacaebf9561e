import type { Edit } from "../model/edit";
import type { Reminder } from "../model/reminder";
import { label } from "./steps";

export const writeReminder = (reminder: Reminder): Edit => ({
  label: label("remind", { name: reminder.text.slice(0, 60) }),
  steps: [{ kind: "decide", facet: "reminders", key: reminder.id, item: reminder }],
});

export const dropReminder = ({ id, text }: Pick<Reminder, "id" | "text">): Edit => ({
  label: label("drop-reminder", { name: text.slice(0, 60) }),
  steps: [{ kind: "decide", facet: "reminders", key: id, item: null }],
});
