export default {
  testEnvironment: "node",
  // Without these the sandbox looks every global up in its own context, and the core's loops run ten times slower.
  sandboxInjectedGlobals: [
    "Math",
    "Float64Array",
    "Float32Array",
    "Uint8Array",
    "Uint8ClampedArray",
    "Uint16Array",
    "Int16Array",
    "Uint32Array",
    "Int32Array",
    "Array",
    "Number",
    "Set",
    "Object",
  ],
  maxWorkers: "100%",
  // Other work may take half of the machine; a test that hangs still ends.
  testTimeout: 180_000,
  globalSetup: "<rootDir>/scripts/bundle-for-tests.mjs",
  setupFiles: ["<rootDir>/scripts/steady-tests.ts"],
  testMatch: [
    "<rootDir>/*.test.ts",
    "<rootDir>/{core,fixtures,words,border,compute,sim,store,ui,app,demo,workers,scripts}/**/*.test.{ts,tsx}",
  ],
  moduleNameMapper: { "^@/(.*)$": "<rootDir>/$1" },
  modulePathIgnorePatterns: ["<rootDir>/.next/", "<rootDir>/tmp/"],
  extensionsToTreatAsEsm: [".ts", ".tsx"],
  transformIgnorePatterns: ["/node_modules/(?!(culori|react-hotkeys-hook|comlink|idb|fake-indexeddb)/)"],
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
