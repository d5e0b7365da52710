// npm leaves optional packages out of package-lock.json when the registry at hand does not carry them (binaries of other systems), and
// `npm ci` then refuses the lock. This writes the missing entries, so that they are known and skipped. Run it after npm install.
import { readFileSync, writeFileSync } from "node:fs";

const file = new URL("../package-lock.json", import.meta.url);
const lock = JSON.parse(readFileSync(file, "utf8"));
const systems = [
  "darwin",
  "win32",
  "linux",
  "freebsd",
  "openbsd",
  "netbsd",
  "android",
  "sunos",
  "aix",
  "openharmony",
];
const processors = {
  arm64: "arm64",
  x64: "x64",
  ia32: "ia32",
  arm: "arm",
  ppc64: "ppc64",
  s390x: "s390x",
  riscv64: "riscv64",
  loong64: "loong64",
  mips64el: "mips64el",
  wasm32: "wasm32",
};

let added = 0;
for (const [path, entry] of Object.entries(lock.packages))
  for (const [name, version] of Object.entries(entry.optionalDependencies ?? {})) {
    if (lock.packages[`${path}/node_modules/${name}`] || lock.packages[`node_modules/${name}`]) continue;
    const words = name.split(/[/-]/);
    const system = systems.find((s) => words.includes(s));
    const processor = Object.keys(processors).find((p) =>
      words.some((w) => w === p || (p === "arm" && /^arm(hf|eabihf|eabi)?$/.test(w))),
    );
    lock.packages[`node_modules/${name}`] = {
      version: version.replace(/^[^\d]*/, ""),
      optional: true,
      ...(entry.dev && { dev: true }),
      ...(processor && { cpu: [processors[processor]] }),
      ...(system && { os: [system] }),
    };
    added++;
  }
lock.packages = Object.fromEntries(Object.entries(lock.packages).sort(([a], [b]) => (a < b ? -1 : 1)));
writeFileSync(file, `${JSON.stringify(lock, null, 2)}\n`);
console.log(`${added} entries added`);
