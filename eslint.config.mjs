import reactHooks from "eslint-plugin-react-hooks";
import tseslint from "typescript-eslint";

/** Dependencies point downward only: what each folder must not import. */
const above = {
  core: [
    "app",
    "ui",
    "workers",
    "compute",
    "border",
    "words",
    "store",
    "demo",
    "sim",
    "fixtures",
    "scripts",
    "bench",
  ],
  words: [
    "app",
    "ui",
    "workers",
    "compute",
    "border",
    "store",
    "demo",
    "sim",
    "fixtures",
    "scripts",
    "bench",
  ],
  sim: [
    "app",
    "ui",
    "workers",
    "compute",
    "border",
    "words",
    "store",
    "demo",
    "fixtures",
    "scripts",
    "bench",
  ],
  border: [
    "app",
    "ui",
    "workers",
    "compute",
    "door",
    "words",
    "store",
    "demo",
    "sim",
    "fixtures",
    "scripts",
    "bench",
  ],
  door: ["app", "ui", "workers", "compute", "words", "demo", "sim", "fixtures", "scripts", "bench"],
  compute: ["app", "ui", "workers", "store", "demo", "sim", "fixtures", "scripts", "bench"],
  store: ["app", "ui", "workers", "compute", "door", "words", "demo", "sim", "fixtures", "scripts", "bench"],
  workers: ["app", "ui", "store", "demo", "sim", "fixtures", "scripts", "bench"],
  ui: ["app", "demo", "sim", "fixtures", "scripts", "bench"],
  app: ["demo", "sim", "fixtures", "scripts", "bench"],
  demo: ["app", "ui", "workers", "fixtures", "scripts", "bench"],
};

const barred = (folders) => folders.flatMap((f) => [`@/${f}/*`, `@/${f}/**`, `../${f}/*`, `**/../${f}/**`]);

const boundaries = Object.entries(above).map(([folder, folders]) => ({
  files: [`${folder}/**/*.{ts,tsx}`],
  ignores: ["**/*.test.ts", "**/*.test.tsx"],
  rules: {
    "@typescript-eslint/no-restricted-imports": [
      "error",
      {
        patterns: [
          {
            group: barred(folders),
            message: `${folder}/ may not import from the folders above it.`,
            allowTypeImports: folder === "ui",
          },
          // The simulated desk stands for the outside world: it may share published tables with the core, never code.
          ...(folder === "sim"
            ? [{ regex: "^(@/|(\\.\\./)+)core/.*(?<!\\.json)$", message: "sim/ shares no code with core/." }]
            : []),
          // Screens know the store's shapes, not its queries.
          ...(folder === "ui"
            ? [
                {
                  group: ["@/store/*"],
                  message: "ui/ may import only types from store/.",
                  allowTypeImports: true,
                },
              ]
            : []),
          ...(folder === "core"
            ? [
                {
                  group: ["next", "next/*", "react", "react-dom", "drizzle-orm", "pg", "sharp", "node:*"],
                  message: "core/ is pure.",
                },
              ]
            : []),
        ],
      },
    ],
  },
}));

export default tseslint.config(
  {
    ignores: [
      ".next/",
      "node_modules/",
      ".blendt/",
      "public/away.js",
      "tmp/",
      "test-results/",
      "playwright-report/",
      "next-env.d.ts",
      "store/migrations/",
    ],
  },
  ...tseslint.configs.recommended,
  // Compiles all that it looks at.
  {
    ...reactHooks.configs.flat["recommended-latest"],
    files: ["{app,ui}/**/*.{ts,tsx}"],
    ignores: ["**/*.test.*"],
  },
  {
    linterOptions: { reportUnusedDisableDirectives: "error" },
    languageOptions: { parserOptions: { project: ["tsconfig.json"], tsconfigRootDir: import.meta.dirname } },
    files: ["**/*.ts", "**/*.tsx"],
    rules: {
      "@typescript-eslint/no-unused-vars": ["error", { argsIgnorePattern: "^_", varsIgnorePattern: "^_" }],
      "@typescript-eslint/consistent-type-imports": ["error", { fixStyle: "inline-type-imports" }],
      "@typescript-eslint/no-non-null-assertion": "off",
      "@typescript-eslint/no-floating-promises": "error",
      "@typescript-eslint/no-misused-promises": ["error", { checksVoidReturn: { attributes: false } }],
      "no-restricted-syntax": [
        "error",
        { selector: "ExportDefaultDeclaration", message: "No default exports outside Next's own files." },
      ],
      "max-lines": ["error", { max: 330, skipBlankLines: true, skipComments: true }],
    },
  },
  {
    files: ["app/**", "*.config.*", "demo/art/**", "e2e/smaller-drawings.ts"],
    rules: { "no-restricted-syntax": "off" },
  },
  // A list grows.
  { files: ["scripts/mutant-list.ts"], rules: { "max-lines": "off" } },
  ...boundaries,
);
