import ICAL from "ical.js";
import { describe, expect, it } from "vitest";
import { judge } from "#core/judge/judge";
import { schedule } from "#core/schedule/schedule";
import { hobnailYard } from "#demo/hobnail-yard";
import { calendarResponse } from "./calendar.server";

const plans = hobnailYard();
const settle = plans.find(({ id }) => id === "carved-settle")!;
const read = async (response: Response) =>
  new ICAL.Component(ICAL.parse(await response.text())).getAllSubcomponents("vevent").map((one) => new ICAL.Event(one));

describe("the calendar file", () => {
  it("is read back by a general parser: every session at its wall time, with its name", async () => {
    const response = calendarResponse([settle], settle.title, new URL("http://shop/days.ics"));
    expect(response.headers.get("Content-Type")).toMatch(/text\/calendar/);
    const events = await read(response);
    const { bookings } = schedule([{ plan: settle, judgement: judge(settle) }]);
    const worked = bookings.filter(({ starts, ends }) => ends > starts);
    expect(events).toHaveLength(worked.length);
    expect(new Set(events.map(({ uid }) => uid)).size).toBe(events.length);
    for (const booking of worked) {
      const at = new Date(booking.starts * 60_000).toISOString().slice(0, 16);
      const mine = events.find(({ uid }) => uid === `${booking.id.replaceAll(/[^\w-]/g, "-")}@jolly-crust`)!;
      expect(mine.startDate.toString().slice(0, 16)).toBe(at);
      // no time zone: the time on the shop's wall
      expect(mine.startDate.zone).toBe(ICAL.Timezone.localTimezone);
      expect(mine.duration.toSeconds() / 60).toBe(booking.ends - booking.starts);
      expect(mine.summary).toContain(booking.name);
    }
  });

  it("names instants where a time zone is asked for", async () => {
    const [first] = await read(calendarResponse([settle], "x", new URL("http://shop/days.ics?zone=Asia/Kathmandu")));
    expect(first!.startDate.zone).toBe(ICAL.Timezone.utcTimezone);
  });

  it("holds the whole shop", async () => {
    const events = await read(calendarResponse(plans, "The shop", new URL("http://shop/days.ics")));
    expect(new Set(events.map(({ description }) => description?.split("\n")[0])).size).toBe(plans.length);
  });

  it("says what is wrong with a time zone that is none", async () => {
    const response = calendarResponse([settle], "x", new URL("http://shop/days.ics?zone=Harbour"));
    expect(response.status).toBe(400);
    expect(await response.text()).toMatch(/not a time zone. Write one like/);
  });
});
