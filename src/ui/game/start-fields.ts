import type { FieldSpec } from "./field-specs";

/** A way to start the game. */
export const startFields: readonly FieldSpec[] = [
  {
    kind: "rows",
    key: "start",
    label: null,
    hint: "game.startHint",
    one: "game.one.startWay",
    start: { id: "", name: "", starts: "profile", program: "" },
    optional: true,
    fields: [
      { kind: "text", key: "id", label: "game.id" },
      { kind: "text", key: "name", label: "common.name" },
      {
        kind: "choice",
        key: "starts",
        label: "game.starts",
        choices: [
          ["profile", "game.choice.startsProfile"],
          ["bare", "game.choice.startsBare"],
        ],
      },
      { kind: "text", key: "program", label: "game.program", hint: "game.belowItsFolder", wide: true },
      {
        kind: "lines",
        key: "arguments",
        label: "game.arguments",
        hint: "game.argumentsHint",
        optional: true,
      },
      { kind: "text", key: "folder", label: "game.worksIn", hint: "game.worksInHint", optional: true },
      {
        kind: "rows",
        key: "environment",
        label: "game.environment",
        one: "game.one.variable",
        start: { name: "", value: "" },
        optional: true,
        fields: [
          { kind: "text", key: "name", label: "common.name" },
          { kind: "text", key: "value", label: "common.value", wide: true },
        ],
      },
    ],
  },
];
