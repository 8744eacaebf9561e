import qrcode from "qrcode-generator";

/** Bytes that the largest picture of ISO/IEC 18004 holds, at the lowest level of correction. */
export const mostInPicture = 2953;

/** The dark modules of a picture that says the text, as rows; null where the text does not fit. */
export function qrModules(text: string): boolean[][] | null {
  if (new TextEncoder().encode(text).length > mostInPicture) return null;
  const picture = qrcode(0, "L");
  picture.addData(text, "Byte");
  picture.make();
  const size = picture.getModuleCount();
  return Array.from({ length: size }, (_, row) =>
    Array.from({ length: size }, (_each, column) => picture.isDark(row, column)),
  );
}

/** A path over dark modules, one unit each. */
export const qrPath = (modules: readonly (readonly boolean[])[]): string =>
  modules.flatMap((row, y) => row.map((dark, x) => (dark ? `M${x} ${y}h1v1h-1z` : ""))).join("");
