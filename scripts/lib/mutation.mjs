import jest from "../../jest.config.mjs";

/** What is mutated together, and the tests that are to notice. */
export const mutationAreas = {
  state: { mutate: ["src/core/state"], tests: ["src/core/{state,compare}"] },
  compare: { mutate: ["src/core/compare"], tests: ["src/core/{state,compare}"] },
  lineup: { mutate: ["src/core/lineup"], tests: ["src/core/lineup", "src/formats/lineup"] },
};

/** @returns {import("@stryker-mutator/api/core").PartialStrykerOptions} */
export const mutationOf = (area) => {
  const { mutate, tests } = mutationAreas[area];
  return {
    mutate: [...mutate.map((folder) => `${folder}/**/*.ts`), "!**/*.test.ts"],
    testRunner: "jest",
    testRunnerNodeArgs: ["--experimental-vm-modules", "--no-warnings"],
    coverageAnalysis: "perTest",
    jest: {
      projectType: "custom",
      config: {
        ...jest,
        testMatch: tests.map((folder) => `<rootDir>/${folder}/**/*.test.ts`),
        moduleNameMapper: {
          ...jest.moduleNameMapper,
          "^fast-check$": "<rootDir>/scripts/lib/few-runs.mjs",
          "^fast-check-whole$": "<rootDir>/node_modules/fast-check/lib/cjs/fast-check.js",
        },
      },
    },
    ignoreStatic: true,
    ignorePatterns: [".next", ".seating", "dist", "docs/screenshots", "e2e", "test-results"],
    disableTypeChecks: false,
    concurrency: 2,
    timeoutMS: 20_000,
    tempDirName: ".cache/mutate",
    reporters: ["clear-text", "json"],
    clearTextReporter: { allowColor: false, logTests: false, reportTests: false },
    jsonReporter: { fileName: `.cache/mutation-${area}.json` },
    thresholds: { high: 95, low: 90, break: 85 },
  };
};
