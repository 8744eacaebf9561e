import { build } from "./lib/bundle.mjs";
import { main } from "./lib/steps.mjs";

await main(build);
