import { rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { describe, expect, it } from "vitest";
import { timesOfThisThread, waitedSoFar } from "./thread-times.ts";

describe("the times of a thread", () => {
  it("are read as Linux keeps them: the second number is nanoseconds without a processor", () => {
    const file = join(tmpdir(), `crust-times-${process.pid}`);
    writeFileSync(file, "33541433 2704860 20\n");
    expect(waitedSoFar(file)).toBeCloseTo(2.70486, 5);
    rmSync(file);
  });

  it("are none where nobody keeps them, or their thread has ended", () => {
    expect(waitedSoFar(null)).toBe(0);
    expect(waitedSoFar("/proc/self/task/0/schedstat")).toBe(0);
  });

  it("are those of one thread, not of the whole program, where the system keeps any", () => {
    const own = timesOfThisThread();
    expect(own ?? "/proc/1/task/1/schedstat").toMatch(/^\/proc\/\d+\/task\/\d+\/schedstat$/);
    const first = waitedSoFar(own);
    expect(waitedSoFar(own)).toBeGreaterThanOrEqual(first);
  });
});
