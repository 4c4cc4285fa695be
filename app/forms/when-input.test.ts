import { expect, it } from "vitest";
import { sayEntered } from "./when-input";

it("reads a date in a form as the page says dates, with its year where that is another", () => {
  expect(sayEntered("2026-11-28T14:05", "datetime-local", 2026)).toBe("Sat 28 Nov, 14:05");
  expect(sayEntered("2026-11-28T14:05", "datetime-local", 2027)).toBe("Sat 28 Nov 2026, 14:05");
  expect(sayEntered("2026-11-28", "date", 2026)).toBe("Sat 28 Nov");
  expect(sayEntered("2031-11-28", "date", 2026)).toBe("Fri 28 Nov 2031");
});

it("reads nothing from an empty field or a date that is none", () => {
  expect(sayEntered("", "date", 2026)).toBeNull();
  expect(sayEntered("", "datetime-local", 2026)).toBeNull();
  expect(sayEntered("2026-02-30", "date", 2026)).toBeNull();
});
