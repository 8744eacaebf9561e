import type { NextConfig } from "next";

const config: NextConfig = {
  reactStrictMode: true,
  poweredByHeader: false,
  devIndicators: false,
  agentRules: false,
  serverExternalPackages: ["@electric-sql/pglite", "yauzl"],
  outputFileTracingRoot: import.meta.dirname,
  images: { unoptimized: true },
  experimental: { agentUpgrade: false, mcpServer: false },
};

export default config;
