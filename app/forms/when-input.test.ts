import { expect, it } from "vitest";
import { sayEntered } from "./when-input";

it("reads a date in a form as the page says dates, with its year", () => {
  expect(sayEntered("2026-11-28T14:05", "datetime-local")).toBe("Sat 28 Nov 2026, 14:05");
  expect(sayEntered("2026-11-28", "date")).toBe("Sat 28 Nov 2026");
});

it("reads nothing from an empty field or a date that is none", () => {
  expect(sayEntered("", "date")).toBeNull();
  expect(sayEntered("", "datetime-local")).toBeNull();
  expect(sayEntered("2026-02-30", "date")).toBeNull();
});
