import type { WantedFile } from "./wanted";

export type SystemName = "linux" | "macos" | "windows";

/** Why a name cannot be that of a file or folder there. */
type NameFlaw = "character" | "device" | "end" | "long";

/** What a system makes of names, paths and links. */
interface SystemRules {
  readonly nameFlaw: (name: string) => NameFlaw | null;
  /** Names that come to the same are one file there, in a folder as it is set up at first; null where only equal ones are. */
  readonly fold: ((name: string) => string) | null;
  /** Whether a whole path is longer than programs there can be trusted to open. */
  readonly isTooLong: (path: string) => boolean;
  /** Errors by which it says that a file cannot be one with another here; that it is copied then. */
  readonly refusesLink: ReadonlySet<string>;
}

/** A character of UTF-16 takes three bytes of UTF-8 at most, so that few have to be counted. */
const isLongerThan = (text: string, bytes: number): boolean =>
  text.length * 3 > bytes && new TextEncoder().encode(text).length > bytes;

const device = /^(?:con|prn|aux|nul|conin\$|conout\$|(?:com|lpt)[0-9¹²³])(?: *\.|$)/i;

/**
 * Of Windows as Microsoft documents it, "Naming Files, Paths, and Namespaces" and "Maximum Path Length Limitation"; of macOS the Apple File
 * System Reference; of Linux path_resolution(7) and limits.h. All of it recalled, not looked up; which errors refuse a link is common practice.
 */
export const systemRules: Readonly<Record<SystemName, SystemRules>> = {
  linux: {
    nameFlaw: (name) => (/[\0/]/.test(name) ? "character" : isLongerThan(name, 255) ? "long" : null),
    fold: null,
    isTooLong: (path) => isLongerThan(path, 4095),
    refusesLink: new Set(["EXDEV", "EPERM", "EMLINK", "EOPNOTSUPP", "ENOTSUP", "ENOSYS", "EEXIST"]),
  },
  macos: {
    nameFlaw: (name) => (/[\0/:]/.test(name) ? "character" : name.length > 255 ? "long" : null),
    fold: (name) => name.normalize("NFD").toLowerCase(),
    isTooLong: (path) => isLongerThan(path, 1023),
    refusesLink: new Set(["EXDEV", "EPERM", "EMLINK", "EOPNOTSUPP", "ENOTSUP", "EEXIST"]),
  },
  windows: {
    nameFlaw: (name) => {
      if (/[\0-\x1f<>:"/\\|?*]/.test(name)) return "character";
      if (/[. ]$/.test(name)) return "end";
      if (device.test(name)) return "device";
      return name.length > 255 ? "long" : null;
    },
    // By its table of capitals, which holds no letter that becomes two.
    fold: (name) =>
      name.replace(/./gsu, (sign) => (sign.toUpperCase().length === sign.length ? sign.toUpperCase() : sign)),
    isTooLong: (path) => path.length > 259,
    refusesLink: new Set(["EXDEV", "EPERM", "EMLINK", "EISDIR", "ENOTSUP", "EEXIST", "UNKNOWN"]),
  },
};

/** The system that Node.js calls so; what is none of the others is taken for Linux. */
export const systemOf = (platform: string): SystemName =>
  platform === "win32" ? "windows" : platform === "darwin" ? "macos" : "linux";

/** What of a profile a system cannot hold. */
export type SystemFlaw =
  | { readonly kind: "name"; readonly file: WantedFile; readonly why: NameFlaw }
  /** Two files, or two spellings of a folder, that the game tells apart and the system does not. */
  | { readonly kind: "one-place"; readonly file: WantedFile; readonly other: WantedFile };

/** What of these files could not lie below a folder as they are to. */
export function systemFlaws(system: SystemName, folder: string, wanted: readonly WantedFile[]): SystemFlaw[] {
  const { nameFlaw, fold, isTooLong } = systemRules[system];
  const flaws: SystemFlaw[] = [];
  const flawOfFolder = new Map<string, NameFlaw | null>([["", null]]);
  const flawOf = (path: string): NameFlaw | null => {
    const slash = path.lastIndexOf("/");
    return flawAbove(path.slice(0, Math.max(0, slash))) ?? nameFlaw(path.slice(slash + 1));
  };
  const flawAbove = (above: string): NameFlaw | null => {
    let flaw = flawOfFolder.get(above);
    if (flaw === undefined) flawOfFolder.set(above, (flaw = flawOf(above)));
    return flaw;
  };
  for (const file of wanted) {
    const why = flawOf(file.path) ?? (isTooLong(`${folder}/${file.path}`) ? "long" : null);
    if (why) flaws.push({ kind: "name", file, why });
  }
  return fold ? [...flaws, ...onePlace(wanted, fold)] : flaws;
}

function onePlace(wanted: readonly WantedFile[], fold: (name: string) => string): SystemFlaw[] {
  const flaws: SystemFlaw[] = [];
  const places = new Map<string, { readonly path: string; readonly file: WantedFile }>();
  for (const file of wanted) {
    let path = "";
    for (const name of file.path.split("/")) {
      path = path === "" ? name : `${path}/${name}`;
      const before = places.get(fold(path));
      if (!before) places.set(fold(path), { path, file });
      else if (before.path !== path) {
        flaws.push({ kind: "one-place", file, other: before.file });
        break;
      }
    }
  }
  return flaws;
}
