// A thread of the server's pool runs the same TypeScript as everything else: tsx is registered here, then the work is handed on.
import { register } from "tsx/esm/api";

register();
export const { answerJob } = await import("./server-compute.ts");
