import type { NextConfig } from "next";

const config: NextConfig = {
  reactStrictMode: true,
  poweredByHeader: false,
  devIndicators: false,
  agentRules: false,
  serverExternalPackages: ["@electric-sql/pglite", "yauzl"],
  // Its variant for browsers asks the document, and the web worker that reads lists has none.
  turbopack: {
    resolveAlias: {
      "decode-named-character-reference": "./node_modules/decode-named-character-reference/index.js",
    },
  },
  outputFileTracingRoot: import.meta.dirname,
  images: { unoptimized: true },
  experimental: { agentUpgrade: false, mcpServer: false },
};

export default config;
