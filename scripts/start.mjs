import { build, install } from "./lib/prepare.mjs";
import { address, refuseSecondServer, startServer } from "./lib/serve.mjs";
import { main, say } from "./lib/steps.mjs";

await main(async () => {
  await refuseSecondServer();
  await install();
  await build();
  const { ended } = await startServer();
  say(`Seating is ready: ${address}   (Ctrl+C stops it)`);
  process.exitCode = await ended;
});
