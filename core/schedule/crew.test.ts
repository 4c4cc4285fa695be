import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { DEFAULT_HOURS, type Hours } from "../plan/hours.ts";
import type { Painter, Skill } from "../plan/shop.ts";
import { examplePlan } from "../rules/example.ts";
import { Crew, handsOfPainter, sharedOut, type Taken } from "./crew.ts";
import { judgementOf } from "./kept.ts";
import { PAINTER } from "./solve/network.ts";
import type { Work } from "./work.ts";

const plan = examplePlan({ shows: "x", ground: "raw timber", steps: [["brush", "chalk-slate"]] });
const work = (more: Partial<Work> = {}): Work => ({
  plan,
  judgement: judgementOf(plan),
  hours: DEFAULT_HOURS,
  ownHours: false,
  ...more,
});

const painter = (id: string, more: Partial<Painter> = {}): Painter => ({
  id,
  name: id,
  cannot: [],
  exceptions: [],
  ...more,
});
const none: ReadonlySet<Skill> = new Set();

/** Numbers the calendars that it is asked for, and keeps them. */
function calendars() {
  const kept: Hours[] = [];
  return { kept, number: (hours: Hours) => kept.push(hours) - 1 };
}

describe("whose hands there are", () => {
  it("painters who are alike are so many of one kind, and who does what is settled later", () => {
    const crew = new Crew([work()], [painter("ada"), painter("bo")]);
    expect(crew.capacity).toEqual({ [PAINTER]: 2 });
    expect(crew.handsFor(work(), none, () => 0)).toEqual({ uses: { [PAINTER]: 1 }, calendar: 0 });
    expect(crew.ids).toEqual(["ada", "bo"]);
  });

  it("without a list of painters there are as many as the job with the most says, with names of their own", () => {
    const two = { ...DEFAULT_HOURS, painters: 2 };
    const crew = new Crew([work(), work({ hours: two })], undefined);
    expect(crew.capacity).toEqual({ [PAINTER]: 2 });
    expect(crew.ids).toEqual(["painter-1", "painter-2"]);
  });

  it("where one cannot gild, each is her own, and gilding is for the other", () => {
    const skill: Skill = "gilding";
    const crew = new Crew([work()], [painter("ada", { cannot: [skill] }), painter("bo")]);
    expect(crew.capacity).toEqual({ [handsOfPainter("ada")]: 1, [handsOfPainter("bo")]: 1 });
    const gilding = crew.handsFor(work(), new Set([skill]), () => 0);
    expect(gilding).toMatchObject({ uses: { [handsOfPainter("bo")]: 1 }, byHand: true });
    expect(gilding?.ways).toBeUndefined();
    const painting = crew.handsFor(work(), none, () => 0);
    expect(painting?.ways).toHaveLength(2);
  });

  it("what nobody can do is nobody's", () => {
    const skill: Skill = "gilding";
    const crew = new Crew([work()], [painter("ada", { cannot: [skill] }), painter("bo", { cannot: [skill, "spray"] })]);
    expect(crew.handsFor(work(), new Set([skill]), () => 0)).toBeNull();
  });

  it("each works her own hours; at a job with hours of its own, those, but not on her days off", () => {
    const off = { on: "2026-12-03", stretches: [] };
    const short: Painter = painter("ada", {
      weekdays: [[[600, 720]], [], [], [], [], [], []],
      exceptions: [off],
    });
    const crew = new Crew([work()], [short, painter("bo")]);
    const shop = calendars();
    crew.handsFor(work(), none, shop.number);
    expect(shop.kept[0]!.weekdays[0]).toEqual([[600, 720]]);
    expect(shop.kept[1]!.weekdays).toEqual(DEFAULT_HOURS.weekdays);
    const own = calendars();
    const evening: Hours = { ...DEFAULT_HOURS, weekdays: Array.from({ length: 7 }, () => [[1080, 1320]]) };
    crew.handsFor(work({ hours: evening, ownHours: true }), none, own.number);
    expect(own.kept[0]!.weekdays[0]).toEqual([[1080, 1320]]);
    expect(own.kept[0]!.exceptions).toContainEqual(expect.objectContaining(off));
  });

  it("hands of a painter who has left hold nothing", () => {
    const crew = new Crew([work()], [painter("ada", { cannot: ["gilding"] }), painter("bo")]);
    expect(crew.usesOf("ada")).toEqual({ [handsOfPainter("ada")]: 1 });
    expect(crew.usesOf("gone")).toEqual({});
  });
});

describe("who does what", () => {
  const held = (starts: number, ends: number, pieceId: string, by: string | null = null) => ({
    starts,
    ends,
    pieceId,
    painter: by,
  });

  it("whoever worked on the piece last carries on with it, if she is free", () => {
    const works = [held(0, 60, "chair"), held(0, 60, "table"), held(120, 180, "table"), held(120, 180, "chair")];
    expect(sharedOut(works, ["ada", "bo"])).toEqual(["ada", "bo", "bo", "ada"]);
  });

  it("otherwise the first who is free", () => {
    expect(sharedOut([held(0, 60, "chair"), held(30, 90, "chair")], ["ada", "bo"])).toEqual(["ada", "bo"]);
  });

  it("what hands hold already counts, and what takes no time holds nobody", () => {
    const taken: Taken[] = [{ from: 0, to: 60, painter: "ada" }];
    expect(sharedOut([held(0, 60, "chair"), held(30, 30, "chair")], ["ada", "bo"], taken)).toEqual(["bo", ""]);
  });

  it("what is settled stays, and is taken into account by the rest", () => {
    expect(sharedOut([held(0, 60, "chair", "ada"), held(0, 60, "table")], ["ada", "bo"])).toEqual(["ada", "bo"]);
    expect(sharedOut([held(0, 60, "chair", "")], ["ada"])).toEqual([""]);
  });

  it("never gives one painter two things at once, while there are hands enough", () => {
    const slots = fc.array(fc.tuple(fc.nat(40), fc.integer({ min: 1, max: 8 }), fc.constantFrom("a", "b", "c")), {
      maxLength: 30,
    });
    fc.assert(
      fc.property(slots, (list) => {
        const works = list.map(([from, length, piece]) => held(from, from + length, piece));
        // as many hands as ever work at one time
        const most = Math.max(
          1,
          ...works.map(({ starts }) => works.filter((other) => other.starts <= starts && starts < other.ends).length),
        );
        const ids = Array.from({ length: most }, (_, index) => `painter-${index}`);
        const given = sharedOut(works, ids);
        for (const [index, one] of works.entries())
          for (const [later, other] of works.entries())
            if (index < later && given[index] === given[later])
              expect(one.ends <= other.starts || other.ends <= one.starts).toBe(true);
      }),
    );
  });
});
