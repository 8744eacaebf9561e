import { z } from "zod";
import { spokenLanguage } from "@/core/language/say";
import { Kept } from "./kept";

/** Whether a time is said as it is, or by how long ago it was. */
export const dateForm = new Kept("seating-dates", z.enum(["absolute", "relative"]), "absolute");

/** Of the English that is understood everywhere: the day before the month, 24 hours. */
const tag = (): string => (spokenLanguage().tag === "en" ? "en-GB" : spokenLanguage().tag);

const date = { day: "numeric", month: "short", year: "numeric" } as const;
const time = { hour: "2-digit", minute: "2-digit", hourCycle: "h23" } as const;
const forms = { day: date, moment: { ...date, ...time }, second: { ...time, second: "2-digit" } } as const;

type Moment = string | number | Date;

function told(at: Moment, form: keyof typeof forms): string {
  const when = new Date(at);
  if (Number.isNaN(when.getTime())) return String(at);
  if (dateForm.get() === "relative") return ago(when);
  return new Intl.DateTimeFormat(tag(), forms[form]).format(when);
}

const steps = [
  ["year", 31_557_600],
  ["month", 2_629_800],
  ["day", 86_400],
  ["hour", 3600],
  ["minute", 60],
] as const;

function ago(when: Date): string {
  const seconds = (when.getTime() - Date.now()) / 1000;
  const [unit, length] = steps.find(([, each]) => Math.abs(seconds) >= each) ?? (["second", 1] as const);
  return new Intl.RelativeTimeFormat(tag(), { numeric: "auto" }).format(Math.trunc(seconds / length), unit);
}

/** A day and the time of it; what is no time is told as it is. */
export const moment = (at: Moment): string => told(at, "moment");
export const day = (at: Moment): string => told(at, "day");
/** A day (ISO 8601) of a year that is known. */
export const shortDay = (at: string): string =>
  new Intl.DateTimeFormat(tag(), { day: "numeric", month: "short", timeZone: "UTC" }).format(new Date(at));
/** The time of a day to the second. */
export const second = (at: Moment): string => told(at, "second");

/** An archive of what was there before is called by the time at which it was made. */
export const timeOfKept = (name: string): string =>
  moment(name.replace(/^before-(.*)T(\d\d)-(\d\d)-(\d\d)-(\d+)Z\..*$/, "$1T$2:$3:$4.$5Z"));
