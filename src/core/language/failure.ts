import { say } from "./say";

/** Codes of POSIX errors (IEEE Std 1003.1, errno.h) by what they mean to whoever reads them. */
const meanings = {
  ENOENT: "absent",
  ENOTDIR: "absent",
  EACCES: "forbidden",
  EPERM: "forbidden",
  EROFS: "readOnly",
  EISDIR: "folder",
  ENOSPC: "full",
  EDQUOT: "full",
  EBUSY: "busy",
  ETXTBSY: "busy",
  EMFILE: "tooMany",
  ENFILE: "tooMany",
  EIO: "broken",
  ENAMETOOLONG: "longName",
  ELOOP: "circle",
} as const;

/** Why something could not be done on the disk, by what the system says of it: "EACCES: permission denied, open '…'". */
export function failureText(detail: string): string {
  const code = /^[A-Z][A-Z0-9]+\b/.exec(detail)?.[0] ?? "";
  return code in meanings ? say(`failure.${meanings[code as keyof typeof meanings]}`) : detail;
}
