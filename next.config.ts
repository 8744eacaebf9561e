import type { NextConfig } from "next";

const config: NextConfig = {
  reactStrictMode: true,
  poweredByHeader: false,
  devIndicators: false,
  agentRules: false,
  serverExternalPackages: ["@electric-sql/pglite", "yauzl"],
  outputFileTracingRoot: import.meta.dirname,
  // A whole order of a large profile goes to the server as one edit.
  experimental: { agentUpgrade: false, mcpServer: false, serverActions: { bodySizeLimit: "16mb" } },
};

export default config;
