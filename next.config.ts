import type { NextConfig } from "next";

const config: NextConfig = {
  reactStrictMode: true,
  poweredByHeader: false,
  serverExternalPackages: ["sharp", "pg", "pdfkit", "wawoff2", "piscina"],
  devIndicators: false,
  // `npm run lint` checks the types of everything, tests included; a visitor's first start need not wait for it.
  typescript: { ignoreBuildErrors: true },
};

export default config;
