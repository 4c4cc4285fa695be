import ICAL from "ical.js";
import { describe, expect, it } from "vitest";
import type { CalendarJob } from "#core/exchange/calendar-file";
import { isPlannedFor } from "#core/plan/plan";
import { countingChanges } from "#core/schedule/changes";
import { fittedIn, type JobPlan, workOf } from "#core/schedule/plan-of-work";
import { hobnailShop, hobnailYard } from "#demo/hobnail-yard";
import { calendarResponse } from "./calendar.server";

const shop = hobnailShop();
const jobOf = (id: string): CalendarJob => {
  const plan = hobnailYard().find((one) => one.id === id)!;
  const job = countingChanges(undefined, fittedIn(workOf(plan, shop), { painters: shop.painters }), 1_795_000_000_000);
  return { plan, job, isKept: isPlannedFor(plan) };
};
const jobs = hobnailYard().map(({ id }) => jobOf(id));
const settle = jobs.find(({ plan }) => plan.id === "carved-settle")!;
const ask = (of: readonly CalendarJob[], query = "") =>
  calendarResponse(of, "x", new URL(`http://shop/days.ics${query}`), undefined);
const read = async (response: Response) =>
  new ICAL.Component(ICAL.parse(await response.text()))
    .getAllSubcomponents("vevent")
    .map((subcomponent) => new ICAL.Event(subcomponent));
const uidOf = (id: string) => `${id.replaceAll(/[^\w-]/g, "-")}@jolly-crust`;
const wallOf = (wall: number) => new Date(wall * 60_000).toISOString().slice(0, 16);

describe("the calendar file", () => {
  it("is read back by a general parser: every session at its wall time, with its name, and when the job leaves", async () => {
    const response = ask([settle]);
    expect(response.headers.get("Content-Type")).toMatch(/text\/calendar/);
    const events = await read(response);
    const worked = settle.job.bookings.filter(({ starts, ends }) => ends > starts);
    expect(events).toHaveLength(worked.length + 1);
    expect(new Set(events.map(({ uid }) => uid)).size).toBe(events.length);
    for (const booking of worked) {
      const mine = events.find(({ uid }) => uid === uidOf(booking.id))!;
      expect(mine.startDate.toString().slice(0, 16)).toBe(wallOf(booking.starts));
      // no time zone: the time on the shop's wall
      expect(mine.startDate.zone).toBe(ICAL.Timezone.localTimezone);
      expect(mine.duration.toSeconds() / 60).toBe(booking.ends - booking.starts);
      expect(mine.summary).toContain(booking.name);
    }
    const leaves = events.find(({ uid }) => uid === uidOf("carved-settle:leaves"))!;
    expect(leaves.summary).toBe("Carved settle leaves");
    expect(leaves.startDate.toString().slice(0, 16)).toBe(wallOf(settle.job.dates!.leaves));
  });

  it("changes only what changes: ids stay, and the sequence number goes up for what moved", async () => {
    const [first, ...others] = settle.job.bookings;
    const moved: JobPlan = {
      ...settle.job,
      bookings: [{ ...first!, starts: first!.starts + 15, ends: first!.ends + 15 }, ...others],
    };
    const before = await read(ask([settle]));
    const after = await read(ask([{ ...settle, job: countingChanges(settle.job, moved, 1_795_000_900_000) }]));
    expect(after.map(({ uid }) => uid).sort()).toEqual(before.map(({ uid }) => uid).sort());
    const text = (event: ICAL.Event) => event.component.toString();
    const changed = after.filter((event) => text(event) !== text(before.find(({ uid }) => uid === event.uid)!));
    expect(changed.map(({ uid }) => uid)).toEqual([uidOf(first!.id)]);
    expect(changed[0]!.sequence).toBe(1);
    expect(before.every(({ sequence }) => sequence === 0)).toBe(true);
  });

  it("has ideas as tentative, and what is promised as confirmed", async () => {
    const status = async (id: string) =>
      new Set((await read(ask([jobOf(id)]))).map(({ component }) => component.getFirstPropertyValue("status")));
    expect(await status("overmantel-mirror")).toEqual(new Set(["TENTATIVE"]));
    expect(await status("carved-settle")).toEqual(new Set(["CONFIRMED"]));
  });

  it("names instants where a time zone is asked for, or the shop has one", async () => {
    const [first] = await read(ask([settle], "?zone=Asia/Kathmandu"));
    expect(first!.startDate.zone).toBe(ICAL.Timezone.utcTimezone);
    const [own] = await read(calendarResponse([settle], "x", new URL("http://shop/days.ics"), "Europe/London"));
    expect(own!.startDate.zone).toBe(ICAL.Timezone.utcTimezone);
  });

  it("holds the whole shop", async () => {
    const events = await read(ask(jobs));
    expect(events.filter(({ uid }) => uid.includes("-leaves@"))).toHaveLength(jobs.length);
  });

  it("says what is wrong with a time zone that is none", async () => {
    const response = ask([settle], "?zone=Harbour");
    expect(response.status).toBe(400);
    expect(await response.text()).toMatch(/not a time zone. Write one like/);
  });
});
