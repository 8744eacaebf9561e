import { bom } from "./bom";
import { csv } from "./csv";
import type { LineupFormat } from "./format";
import { json } from "./json";
import { markdownList, markdownTable } from "./markdown";
import { gameOrder } from "./order-file";
import { pageHolding } from "./page";
import { keyedLines, markedLines, plainLines } from "./text-lists";
import { xml } from "./xml";
import { yaml } from "./yaml";

const whole = [json, yaml];
const parts = [csv, xml, bom, markdownList, markdownTable, markedLines, plainLines, keyedLines, gameOrder];

/** Every way in which a lineup goes out as a file, the whole ones first. */
export const lineupFormats: readonly LineupFormat[] = [...whole, pageHolding([...whole, ...parts]), ...parts];

export const formatOf = (id: string): LineupFormat | undefined =>
  lineupFormats.find((format) => format.id === id);
