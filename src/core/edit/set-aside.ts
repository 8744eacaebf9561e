import type { Edit } from "../model/edit";
import type { SetAside } from "../model/set-aside";
import { label } from "./steps";

/** Lives with findings from now on. */
export const setAside = (findings: readonly SetAside[]): Edit => ({
  label: label("set-aside", { count: findings.length }),
  steps: findings.map((item) => ({ kind: "decide", facet: "setAside", key: item.finding, item })),
});

/** Tells findings again, by their ids. */
export const tellAgain = (ids: readonly string[]): Edit => ({
  label: label("tell-again", { count: ids.length }),
  steps: ids.map((key) => ({ kind: "decide", facet: "setAside", key, item: null })),
});
