import { expect, it } from "vitest";
import { newestOnly } from "./newest-only";

it("what is asked first is wanted until something else is asked, and then never again", async () => {
  const begin = newestOnly();
  const first = begin();
  expect(await first()).toBe(true);
  const second = begin();
  expect([await first(), await second()]).toEqual([false, true]);
  const asked = second();
  begin();
  // asked before, answered after: what came in meanwhile counts
  expect(await asked).toBe(false);
});
