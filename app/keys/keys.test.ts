import { describe, expect, it } from "vitest";
import { capsOf, KEYS, type Key } from "./keys";
import { pressed } from "./use-key";

const heard = (keys: Readonly<Record<string, Key>>) => Object.values(keys).filter((key) => !key.inFocus);
const press = (key: string, modifiers: { shiftKey?: boolean; altKey?: boolean } = {}) => ({
  key,
  shiftKey: false,
  altKey: false,
  ...modifiers,
});

describe("the keys", () => {
  const { job, ...views } = KEYS;

  it("never gives one press two meanings on a page", () => {
    // the shop's calendar and the trainer are no views of a job
    const ofJob = ["crust", "photo", "days", "board"] as const;
    const pages = [
      ...ofJob.map((view) => [...heard(job.keys), ...heard(views[view].keys)]),
      heard(views.calendar.keys),
      heard(views.trainer.keys),
    ];
    for (const page of pages) {
      const all = page.flatMap((key) => key.press);
      expect(all.filter((text, index) => all.indexOf(text) !== index)).toEqual([]);
    }
  });

  it("draws a key as it is printed", () => {
    expect(capsOf(job.keys.redo)).toEqual(["Ctrl Shift Z", "Ctrl Y"]);
    expect(capsOf(job.keys.keys)).toEqual(["?"]);
    expect(capsOf(views.crust.keys.addUnder)).toEqual(["Shift Enter"]);
    expect(capsOf(views.crust.keys.moveUp)).toEqual(["Alt ↑"]);
    expect(capsOf(views.trainer.keys.pick)).toEqual(["1", "…", "9"]);
    expect(capsOf(views.calendar.keys.closer)).toEqual(["+", "="]);
    expect(capsOf(views.place.keys.move)).toEqual(["←", "→", "↑", "↓"]);
  });

  it("knows a key of the element in focus, with the modifiers it names", () => {
    expect(pressed(views.days.keys.earlier, press("ArrowLeft", { shiftKey: true }))).toBe(true);
    expect(pressed(views.days.keys.earlier, press("ArrowLeft"))).toBe(false);
    expect(pressed(views.days.keys.earlier, press("ArrowRight", { shiftKey: true }))).toBe(false);
    expect(pressed(views.place.keys.close, press("C", { shiftKey: true }))).toBe(true);
    expect(pressed(views.look.keys.take, press(" "))).toBe(true);
    expect(pressed(views.look.keys.take, press("a"))).toBe(false);
  });
});
