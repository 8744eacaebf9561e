import { build, install } from "./lib/prepare.mjs";
import { main } from "./lib/steps.mjs";

await main(async () => {
  await install();
  await build();
});
