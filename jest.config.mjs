export default {
  testEnvironment: "node",
  maxWorkers: "100%",
  setupFiles: ["<rootDir>/scripts/steady-tests.ts"],
  testMatch: ["<rootDir>/{core,compute,sim,store,ui,demo,workers,scripts}/**/*.test.{ts,tsx}"],
  moduleNameMapper: { "^@/(.*)$": "<rootDir>/$1" },
  modulePathIgnorePatterns: ["<rootDir>/.next/", "<rootDir>/tmp/"],
  extensionsToTreatAsEsm: [".ts", ".tsx"],
  transformIgnorePatterns: ["/node_modules/(?!(culori|react-hotkeys-hook|comlink)/)"],
  transform: {
    "^.+\\.(t|m?j)sx?$": [
      "@swc/jest",
      {
        jsc: {
          target: "es2022",
          parser: { syntax: "typescript", tsx: true, decorators: true },
          transform: { legacyDecorator: true, decoratorMetadata: true, react: { runtime: "automatic" } },
        },
      },
    ],
  },
};
