import { parseArgs } from "node:util";
import { makeDemo } from "./make-demo";

const help = `Writes the demo: the stand-in games, each with a shelf of mods and profiles.

  --out DIR    where to write it (needed)
  --seed N     which demo; the same seed gives the same bytes (7)
  --mods N     how many sound mods for the big game, 30 or more (320)
  --files N    how many small files more each of them brings (0)
`;

async function main(): Promise<void> {
  const { values } = parseArgs({
    options: {
      out: { type: "string" },
      seed: { type: "string" },
      mods: { type: "string" },
      files: { type: "string" },
      help: { type: "boolean" },
    },
  });
  if (values.help || !values.out) {
    process.stdout.write(help);
    process.exitCode = values.help ? 0 : 2;
    return;
  }
  const { out, seed = 7, mods = 320, files = 0 } = values;
  const size = await makeDemo(out, Number(seed), Number(mods), Number(files));
  process.stdout.write(`  ${size.mods} mods with ${size.plugins} plugins in ${out}\n`);
}

main().catch((error: unknown) => {
  process.stderr.write(`${error instanceof Error ? error.message : String(error)}\n`);
  process.exitCode = 1;
});
