import jest from "../../jest.config.mjs";

const ofStates = { tests: ["src/core/{state,compare}/**/*.test.ts"], runs: 300 };

/**
 * What is mutated together, the tests that are to notice, and with how many runs of a property at most: those beside it alone. Of
 * the readers and writers, which reach all of it as well, each mutant that lives would run every test.
 */
export const mutationAreas = {
  state: { mutate: ["src/core/state"], ...ofStates },
  compare: { mutate: ["src/core/compare"], ...ofStates },
  lineup: { mutate: ["src/core/lineup"], tests: ["src/core/lineup/**/*.test.ts"], runs: 30 },
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
        // None of these tests runs a program, and it would be done for every mutant.
        globalSetup: undefined,
        testMatch: tests.map((test) => `<rootDir>/${test}`),
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
