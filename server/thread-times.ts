import { readFileSync, readlinkSync } from "node:fs";

// Linux keeps three numbers of each thread: nanoseconds on a processor, nanoseconds ready to work but without one, and how often
// it got one.

/** Where the times of this thread are kept, for others to read; null where the system keeps none. */
export function timesOfThisThread(): string | null {
  try {
    const path = `/proc/${readlinkSync("/proc/thread-self")}/schedstat`;
    readFileSync(path);
    return path;
  } catch {
    return null;
  }
}

/** Milliseconds in which a thread was ready to work and had no processor, since it began; 0 where nobody knows. */
export function waitedSoFar(times: string | null): number {
  if (times === null) return 0;
  try {
    return Number(readFileSync(times, "utf8").split(" ")[1]) / 1e6 || 0;
  } catch {
    return 0;
  }
}
