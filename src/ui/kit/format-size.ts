import { spokenLanguage } from "@/core/language/say";

const units = ["B", "kB", "MB", "GB", "TB"];

/** Bytes in decimal units, with one digit after the point below ten. */
export function formatSize(bytes: number): string {
  let value = bytes;
  let unit = 0;
  while (value >= 1000 && unit < units.length - 1) {
    value /= 1000;
    unit++;
  }
  const digits = unit > 0 && value < 10 ? 1 : 0;
  return `${numberForm(digits).format(value)} ${units[unit]}`;
}

const forms = new Map<string, Intl.NumberFormat>();

function numberForm(digits: number): Intl.NumberFormat {
  const { tag } = spokenLanguage();
  const key = `${tag} ${digits}`;
  const form =
    forms.get(key) ??
    new Intl.NumberFormat(tag, { minimumFractionDigits: digits, maximumFractionDigits: digits });
  forms.set(key, form);
  return form;
}
