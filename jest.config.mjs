/** @type {import("jest").Config} */
const config = {
  testEnvironment: "node",
  globalSetup: "<rootDir>/scripts/lib/jest-setup.mjs",
  testMatch: ["<rootDir>/src/**/*.test.ts", "<rootDir>/src/**/*.test.tsx", "<rootDir>/scripts/**/*.test.ts"],
  moduleNameMapper: {
    "^@/(.*)$": "<rootDir>/src/$1",
    "^server-only$": "<rootDir>/src/core/testing/empty.ts",
  },
  transform: {
    "^.+\\.(t|j|mj)sx?$": [
      "@swc/jest",
      {
        jsc: {
          parser: { syntax: "typescript", tsx: true },
          target: "es2022",
          transform: { react: { runtime: "automatic" } },
        },
      },
    ],
  },
  transformIgnorePatterns: [
    "/node_modules/(?!(@tanstack|@leeoniya|@scure|canonicalize|parse5|entities|intl-messageformat|@formatjs))",
  ],
  modulePathIgnorePatterns: ["<rootDir>/.next", "<rootDir>/dist", "<rootDir>/.seating"],
  // By itself it leaves one core idle, which of two is half of all there is.
  maxWorkers: "100%",
  testTimeout: 30000,
};

export default config;
