import type { NextConfig } from "next";

const config: NextConfig = {
  reactStrictMode: true,
  poweredByHeader: false,
  serverExternalPackages: ["sharp", "pg", "pdfkit", "wawoff2"],
  devIndicators: false,
};

export default config;
