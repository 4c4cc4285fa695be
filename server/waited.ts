import { readFileSync } from "node:fs";

/** What Linux keeps of each thread: nanoseconds on a processor, nanoseconds ready for one but without, times it got one. */
const OF_THIS_THREAD = "/proc/thread-self/schedstat";

/** Milliseconds in which this thread was ready to work and had no processor, since it began; 0 where the system does not say. */
export function waitedSoFar(): number {
  if (process.platform !== "linux") return 0;
  try {
    return Number(readFileSync(OF_THIS_THREAD, "utf8").split(" ")[1]) / 1e6 || 0;
  } catch {
    return 0;
  }
}
