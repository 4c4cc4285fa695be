import { describe, expect, it } from "vitest";
import { hobnailShop, hobnailYard } from "../../demo/hobnail-yard.ts";
import { hobnailBook, hobnailMovements } from "../../demo/shelf.ts";
import { planOfWorkNow } from "../schedule/plan-of-work.ts";
import { readJobPlan } from "./plan-of-work-file.ts";
import { shopScheduleReport } from "./report.ts";
import { EMPTY_SHELF, isShopFile, readShopFile, SHOP_FORMAT, writeShopFile } from "./shop-file.ts";

const shop = hobnailShop();
const plans = hobnailYard();
const { jobs: planned } = planOfWorkNow(plans, shop, 6);
const shelf = { book: hobnailBook(), movements: hobnailMovements() };
const text = writeShopFile({ shop, plans, planned, shelf });
/** The file with some of its fields replaced. */
const changed = (fields: Record<string, unknown>): string => JSON.stringify({ ...JSON.parse(text), ...fields });
const faultsOf = (file: string) => {
  const read = readShopFile(file);
  return read.ok ? [] : read.faults.map(({ where, says }) => `${where}: ${says}`);
};

describe("the file of a shop", () => {
  it("reads back as it was written, and is not taken for the file of a job", () => {
    expect(readShopFile(text)).toEqual({ ok: true, file: { shop, plans, planned, shelf } });
    expect(isShopFile(text)).toBe(true);
    expect(isShopFile(JSON.stringify(plans[0]))).toBe(false);
    expect(isShopFile("{")).toBe(false);
    expect(isShopFile("null")).toBe(false);
  });

  it.each<[string, string, RegExp]>([
    ["a file that broke off", text.slice(0, 200), /The file is damaged/],
    ["another format", changed({ format: "else" }), /format/],
    ["a shop without painters", changed({ shop: { ...shop, painters: [] } }), /somebody has to paint/],
    [
      "two painters of one id",
      changed({ shop: { ...shop, painters: [shop.painters[0], shop.painters[0]] } }),
      /used twice/,
    ],
    [
      "a pack of a supplier that is not there",
      changed({ shelf: { ...shelf, book: { ...shelf.book, suppliers: [] } } }),
      /there is no supplier "harbour-road"/,
    ],
    [
      "a movement of nothing",
      changed({ shelf: { ...shelf, movements: [{ ...shelf.movements[0], amount: 0 }] } }),
      /write an amount over 0/,
    ],
    ["hours that nobody has", changed({ shop: { ...shop, hours: { ...shop.hours, weekdays: [] } } }), /seven days/],
    [
      "a wrong job",
      changed({ plans: plans.map((plan, index) => (index === 2 ? { ...plan, title: "" } : plan)) }),
      /^job 3, /,
    ],
  ])("says where %s is wrong", (_, file, says) => {
    expect(faultsOf(file).join("\n")).toMatch(says);
  });

  it("of a version before there was a shelf has none", () => {
    const read = readShopFile(changed({ shelf: undefined }));
    expect(read.ok && read.file.shelf).toEqual(EMPTY_SHELF);
  });

  it("leaves a schedule out that another version wrote, and keeps the jobs", () => {
    const read = readShopFile(changed({ planned: [{ planId: "carved-settle" }, planned[0]] }));
    expect(read.ok && read.file.planned).toEqual([planned[0]]);
    expect(read.ok && read.file.plans).toEqual(plans);
    expect(readJobPlan({ ...planned[0], bookings: [{}] })).toBeNull();
    expect(SHOP_FORMAT).toBe("jolly-crust-shop");
  });
});

describe("what the command line says of a shop", () => {
  it("is the schedule that is kept, with the ideas as they would fit in", () => {
    const report = shopScheduleReport({ shop, plans, planned });
    expect(report.planOfWork).toBe("kept");
    expect(report.jobs.map(({ plan, state }) => `${plan.id} ${state}`)).toContain("overmantel-mirror idea");
    const settle = report.jobs.find(({ plan }) => plan.id === "carved-settle")!;
    expect(settle.bookings.every(({ hands }) => hands === undefined || /^painter-[12]$/.test(hands))).toBe(true);
    expect(settle).not.toHaveProperty("edited");
  });

  it("says which jobs were edited since, and makes a schedule where the file holds none", () => {
    const edited = plans.map((plan) => (plan.id === "dough-bin" ? { ...plan, start: "2026-12-02T09:00" } : plan));
    const report = shopScheduleReport({ shop, plans: edited, planned });
    expect(report.jobs.filter((job) => "edited" in job).map(({ plan }) => plan.id)).toEqual(["dough-bin"]);
    const fresh = shopScheduleReport({ shop, plans, planned: [] });
    expect(fresh.planOfWork).toBe("made");
    expect(fresh.jobs).toHaveLength(plans.length);
  });
});
