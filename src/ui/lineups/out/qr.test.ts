import jsQR from "jsqr";
import { mostInPicture, qrModules } from "./qr";

/** The modules as a camera sees them: dots of some size, with the quiet zone of four that ISO/IEC 18004 asks for. */
function photograph(modules: readonly (readonly boolean[])[], dot = 4) {
  const size = (modules.length + 8) * dot;
  const pixels = new Uint8ClampedArray(size * size * 4).fill(255);
  modules.forEach((row, y) =>
    row.forEach((dark, x) => {
      if (!dark) return;
      for (let dy = 0; dy < dot; dy++)
        for (let dx = 0; dx < dot; dx++) {
          const at = (((y + 4) * dot + dy) * size + (x + 4) * dot + dx) * 4;
          pixels.fill(0, at, at + 3);
        }
    }),
  );
  return { pixels, size };
}

test.each(["S1-abc", "S1-".padEnd(400, "x7_"), "S1-".padEnd(1900, "Qz-9")])(
  "a reader of others reads the picture of %#",
  (text) => {
    const { pixels, size } = photograph(qrModules(text)!);
    expect(jsQR(pixels, size, size)?.data).toBe(text);
  },
);

test("as much as the standard's table has for version 40 at level L fits, and not one byte more", () => {
  expect(mostInPicture).toBe(2953);
  expect(qrModules("a".repeat(mostInPicture))).toHaveLength(177);
  expect(qrModules("a".repeat(mostInPicture + 1))).toBeNull();
});
