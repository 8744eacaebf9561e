const verdictUsage = `
The verdict is "altered" (the list was changed after it went out), "not-yet" (something of it is not here), "differs" (its
author's fingerprint is another one), "as-far" (it carries none, and what it says holds) or "exact"; with "differences" and
"lacks". Exit 0 for exact and as-far, else 1. With --game-folder the game's own plugins count; without it they are left out.
`;

/** What each command says of itself. */
export const usage = {
  all: `seating: load orders with the fewest moves, explained and proved; lists that others reproduce

  seating order [problem.json]                 the order nearest to the present one that keeps everything
  seating why problem.json ITEM [OTHER]        what holds an item where it is; why one comes before another
  seating seats problem.json ITEM              where an item may stand: earliest, latest, present
  seating verify problem.json result.json      checks a result without the solver

  seating fingerprint list                     what decides how its setup behaves, as one number
  seating compare a b                          in what two lists behave differently
  seating convert list --to FORMAT             the same list in another format
  seating check list --shelf DIR               whether a shelf has everything of it

A file named "-" is standard input. Output is JSON, or with --text a report to read. "seating COMMAND --help" says more.
Exit code: 0 fine, 1 findings of the level asked for, 2 wrong use or a file that cannot be read.
`,
  order: `seating order [problem.json] [--text] [--fail-on LEVEL]

Reads a seating-order-problem/1 (standard input if no file is named) and writes a seating-order-result/1.
--fail-on blocker   exit 1 where needs are missing or go in a circle (the default)
--fail-on problem   or where a must rule was set aside
--fail-on hint      or where anything was set aside, or an item was raised to a later section
--fail-on never     always exit 0
`,
  why: `seating why problem.json ITEM [OTHER] [--text]

With one item: the ties above and below it, the tightest first. With two: the shortest chain by which one must come
before the other, or that they are free. Exit 0; 2 where there is no such item.
`,
  seats: `seating seats problem.json ITEM [--text]

Places count from 1. "staying": while all others stay where they are; "any": in any valid order.
`,
  verify: `seating verify problem.json result.json [--text]

Rebuilds every tie from the problem, less what the result set aside, and checks the permutation, each tie, each chain of
what was set aside, the effective sections, the moves, and each pair of the certificate. Exit 1 where something is wrong.
`,
  fingerprint: `seating fingerprint list [--game GAME] [--shelf DIR] [--game-folder DIR] [--text]

Reads a list in any format. One of names, and a share code, need the shelf that they are matched against. --game is the id of
a game that ships or the file of a definition; a list that names its game needs none, and a whole lineup none at all.
${verdictUsage}`,
  compare: `seating compare a b [--game GAME] [--shelf DIR] [--game-folder DIR] [--text]

Says in what two lists make setups that behave differently, and what else changed from the first to the second.
${verdictUsage}`,
  convert: `seating convert list --to FORMAT [--game GAME] [--shelf DIR]

Writes the list in another format: lineup, yaml, page, csv, xml, bom, markdown-list, markdown-table, marked, lines, keyed,
order-file, code. What the format leaves behind is said on the standard error.
`,
  check: `seating check list --shelf DIR [--game GAME] [--game-folder DIR] [--text]

Whether what the shelf has makes the setup that the list describes.
${verdictUsage}`,
} as const;

export type CommandName = Exclude<keyof typeof usage, "all">;

export const failLevels = ["blocker", "problem", "hint", "never"] as const;
export type FailLevel = (typeof failLevels)[number];
