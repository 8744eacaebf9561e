/** Paul Tol's "muted" scheme for readers with any colour vision (values from memory), in our own order. */
const muted = [
  "#332288",
  "#117733",
  "#44AA99",
  "#88CCEE",
  "#999933",
  "#DDCC77",
  "#CC6677",
  "#882255",
  "#AA4499",
];

export const hueCount = muted.length;

interface SectionHue {
  readonly fill: string;
  readonly ink: string;
  /** From the second round through the scheme on, a letter block is drawn with a second mark. */
  readonly again: boolean;
}

/** Hue of a section by its place among the sections. */
export function sectionHue(index: number): SectionHue {
  const fill = muted[index % muted.length]!;
  return {
    fill,
    ink: contrast(fill, "#ffffff") >= contrast(fill, "#0f151a") ? "#ffffff" : "#0f151a",
    again: index >= muted.length,
  };
}

/** Contrast ratio by WCAG 2.2 (relative luminance of sRGB). */
export function contrast(a: string, b: string): number {
  const [light, dark] = [luminance(a), luminance(b)].sort((x, y) => y - x);
  return (light! + 0.05) / (dark! + 0.05);
}

function luminance(hex: string): number {
  const [r, g, b] = [1, 3, 5].map((at) => {
    const value = parseInt(hex.slice(at, at + 2), 16) / 255;
    return value <= 0.04045 ? value / 12.92 : ((value + 0.055) / 1.055) ** 2.4;
  });
  return 0.2126 * r! + 0.7152 * g! + 0.0722 * b!;
}
