import { build as bundle } from "./bundle.mjs";
import { hashOf, mustRun, nextBin, root, say, unlessUnchanged } from "./steps.mjs";
import { rm } from "node:fs/promises";
import { join } from "node:path";

const minimumNode = [20, 15];

function checkNode() {
  const [major, minor] = process.versions.node.split(".").map(Number);
  if (major > minimumNode[0] || (major === minimumNode[0] && minor >= minimumNode[1])) return;
  throw new Error(
    `Seating needs Node.js ${minimumNode.join(".")} or newer; this is ${process.versions.node}.`,
  );
}

export async function install() {
  checkNode();
  await unlessUnchanged(
    "node_modules/.seating-installed",
    hashOf(["package-lock.json", "package.json"]),
    "Packages are installed, and the lockfile is unchanged",
    async () => {
      say("Installing packages from the lockfile (about a minute) …");
      const npm = process.platform === "win32" ? "npm.cmd" : "npm";
      await mustRun("npm ci", npm, ["ci", "--include=dev", "--no-audit", "--no-fund", "--loglevel=error"]);
    },
  );
}

export async function build() {
  const sources = [
    "src",
    "scripts/lib/bundle.mjs",
    "package-lock.json",
    "next.config.ts",
    "postcss.config.mjs",
  ];
  await unlessUnchanged(
    ".next/seating-built",
    hashOf([...sources, "tsconfig.json"]),
    "The build is current: no source has changed",
    async () => {
      await rm(join(root, ".next/seating-built"), { force: true });
      say("Bundling the programs beside the server …");
      await bundle();
      say("Building the application (about half a minute) …");
      await mustRun("The build", process.execPath, [nextBin(), "build"]);
    },
  );
}
