import { describe, expect, it } from "vitest";
import { readWallTime } from "#core/units/wall-time";
import { sayClock, sayDate } from "./when";

const at = (text: string) => readWallTime(text)!;

describe("dates in words", () => {
  it("are short beside dates of the same season, and carry their year where it could be mistaken", () => {
    const start = at("2026-11-30T09:00");
    expect(sayDate(at("2027-01-22T10:00"), start)).toBe("Fri 22 Jan");
    expect(sayDate(at("2036-11-24T09:15"), start)).toBe("Mon 24 Nov 2036");
    expect(sayDate(at("2036-11-24T09:15"))).toBe("Mon 24 Nov");
    expect(sayClock(at("2036-11-24T09:15"))).toBe("09:15");
  });
});
