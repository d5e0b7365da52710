import { readFileSync } from "node:fs";
import { decodePicture } from "@/store/decode-picture";
for (const f of process.argv.slice(2)) {
  const t = Date.now();
  try {
    const p = await decodePicture(f, readFileSync(f));
    console.log(f.split("/").pop(), p.workingWidth, Date.now() - t);
  } catch (e) {
    console.log(f.split("/").pop(), "REFUSED", (e as Error).message.slice(0, 150), Date.now() - t);
  }
}
