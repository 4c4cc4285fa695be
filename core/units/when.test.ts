import { describe, expect, it } from "vitest";
import { readWallTime } from "./wall-time.ts";
import { sayClock, sayClocks, sayDate, sayDates, sayMoment } from "./when.ts";

const at = (text: string) => readWallTime(text)!;

describe("dates in words", () => {
  it("are short beside dates of the same season, and carry their year where it could be mistaken", () => {
    const start = at("2026-11-30T09:00");
    expect(sayDate(at("2027-01-22T10:00"), start)).toBe("Fri 22 Jan");
    expect(sayDate(at("2036-11-24T09:15"), start)).toBe("Mon 24 Nov 2036");
    expect(sayDate(at("2036-11-24T09:15"))).toBe("Mon 24 Nov");
    expect(sayClock(at("2036-11-24T09:15"))).toBe("09:15");
  });

  it("carry the time after a comma, and ranges a dash", () => {
    const start = at("2026-12-03T16:10");
    expect(sayMoment(start)).toBe("Thu 3 Dec, 16:10");
    expect(sayMoment(at("2028-01-05T08:00"), start)).toBe("Wed 5 Jan 2028, 08:00");
    expect(sayClocks(start, at("2026-12-03T17:00"))).toBe("16:10–17:00");
    expect(sayDates(start, at("2026-12-05T09:00"))).toBe("Thu 3 Dec – Sat 5 Dec");
    expect(sayDates(start, start + 30)).toBe("Thu 3 Dec");
  });
});
