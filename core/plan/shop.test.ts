import { describe, expect, it } from "vitest";
import { workingWindows } from "../schedule/calendar.ts";
import { readWallTime, sayWallTime } from "../units/wall-time.ts";
import { DEFAULT_HOURS } from "./hours.ts";
import { areAlike, DEFAULT_SHOP, hoursOfPainter, hoursOfShop, painterAt, Shop, shopOf } from "./shop.ts";

const monday = readWallTime("2026-11-30T00:00")!;
const mornings = DEFAULT_HOURS.weekdays.map((): [number, number][] => [[540, 780]]);
const opens = (hours: Parameters<typeof workingWindows>[0], days = 7) =>
  workingWindows(hours, monday, days).map(({ opens: from }) => sayWallTime(from).slice(5, 10));

describe("a shop", () => {
  it("has the hours and as many painters as a job had by itself, all alike", () => {
    const shop = shopOf({ ...DEFAULT_HOURS, painters: 3 });
    expect(hoursOfShop(shop)).toEqual({ ...DEFAULT_HOURS, painters: 3 });
    expect(shop.painters.map(({ name }) => name)).toEqual(["First painter", "Second painter", "Third painter"]);
    expect(areAlike(shop.painters)).toBe(true);
    expect(Shop.safeParse(shop).success).toBe(true);
  });

  it("has painters who differ by hours, days off or what they do not do", () => {
    const first = painterAt(0);
    expect(areAlike([first, { ...painterAt(1), weekdays: mornings }])).toBe(false);
    expect(areAlike([first, { ...painterAt(1), cannot: ["spray"] }])).toBe(false);
    expect(areAlike([first, { ...painterAt(1), exceptions: [{ on: "2026-12-01", stretches: [] }] }])).toBe(false);
  });

  it("is closed for everybody on its days off, and for one painter on hers", () => {
    const shop = { ...hoursOfShop(DEFAULT_SHOP), exceptions: [{ on: "2026-12-01", stretches: [] }] };
    const off = { ...painterAt(1), exceptions: [{ on: "2026-12-02", stretches: [] }] };
    expect(opens(hoursOfPainter(shop, painterAt(0)))).not.toContain("12-01");
    expect(opens(hoursOfPainter(shop, off))).not.toContain("12-01");
    expect(opens(hoursOfPainter(shop, off))).not.toContain("12-02");
    expect(opens(hoursOfPainter(shop, painterAt(0)))).toContain("12-02");
  });

  it("has a painter in on a day off of the shop's, if she says so for that day", () => {
    const shop = { ...hoursOfShop(DEFAULT_SHOP), exceptions: [{ on: "2026-12-01", stretches: [] }] };
    const keen = { ...painterAt(0), exceptions: [{ on: "2026-12-01", stretches: [[600, 720]] as [number, number][] }] };
    expect(opens(hoursOfPainter(shop, keen))).toContain("12-01");
  });

  it("has painters with hours of their own, at weekends too", () => {
    const own = { ...painterAt(0), weekdays: mornings };
    expect(opens(hoursOfPainter(hoursOfShop(DEFAULT_SHOP), own))).toHaveLength(7);
  });
});
