/** @type {import("jest").Config} */
const config = {
  testEnvironment: "node",
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
  transformIgnorePatterns: ["/node_modules/(?!(@tanstack|@leeoniya|@scure|canonicalize|parse5|entities))"],
  modulePathIgnorePatterns: ["<rootDir>/.next", "<rootDir>/dist", "<rootDir>/.seating"],
  testTimeout: 30000,
};

export default config;
