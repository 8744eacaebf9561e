import { format } from "date-fns";

export const dayAndTime = (at: string): string =>
  Number.isNaN(Date.parse(at)) ? at : format(new Date(at), "d MMM yyyy, HH:mm");

/** An archive of what was there before is called by the time at which it was made. */
export const timeOfKept = (name: string): string =>
  dayAndTime(name.replace(/^before-(.*)T(\d\d)-(\d\d)-(\d\d)-(\d+)Z\..*$/, "$1T$2:$3:$4.$5Z"));
