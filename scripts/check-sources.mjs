// Types and lint at once, of one program: what the compiler has found out of a file its linter need not find out again.
import { ESLint } from "eslint";
import ts from "typescript";

const host = {
  ...ts.sys,
  onUnRecoverableConfigFileDiagnostic: (d) => {
    throw new Error(ts.flattenDiagnosticMessageText(d.messageText, "\n"));
  },
};
const { options, fileNames } = ts.getParsedCommandLineOfConfigFile(
  "tsconfig.json",
  { incremental: false },
  host,
);
delete options.tsBuildInfoFile;
const program = ts.createProgram(fileNames, options);
const wrong = ts.getPreEmitDiagnostics(program);
if (wrong.length)
  console.log(
    ts.formatDiagnostics(wrong, {
      getCurrentDirectory: () => process.cwd(),
      getCanonicalFileName: (name) => name,
      getNewLine: () => "\n",
    }),
  );

const eslint = new ESLint({
  overrideConfig: {
    files: ["**/*.ts", "**/*.tsx"],
    languageOptions: { parserOptions: { project: null, programs: [program] } },
  },
});
const results = await eslint.lintFiles(["."]);
const said = await (await eslint.loadFormatter("stylish")).format(results);
if (said) console.log(said);
if (wrong.length || ESLint.getErrorResults(results).length) process.exitCode = 1;
