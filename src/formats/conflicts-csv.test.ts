import { parse } from "csv-parse/sync";
import { conflictsCsv } from "./conflicts-csv";

test("another program reads the table as it was: quotes, commas, lines and what looks like a formula", () => {
  const rows = [
    { key: 'menus/a "b", c.txt', providers: ["", "x", "y"], equal: false, decided: true },
    { key: "=1+1", providers: ["y", "x"], equal: true, decided: false },
  ];
  const text = conflictsCsv(
    ["File", "Wins", "Providers", "equal", "decided"],
    rows,
    (id) => id || "the game",
  );
  expect(parse(text, { columns: true })).toEqual([
    {
      File: 'menus/a "b", c.txt',
      Wins: "y",
      Providers: "the game; x; y",
      equal: "false",
      decided: "true",
    },
    { File: "'=1+1", Wins: "x", Providers: "y; x", equal: "true", decided: "false" },
  ]);
  expect(text.endsWith("\r\n")).toBe(true);
});
