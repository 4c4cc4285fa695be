import sharp from "sharp";
import { describe, expect, it } from "vitest";
import { hobnailYard } from "#demo/hobnail-yard";
import { boardKey, boardPng } from "./board-png.server";

const plan = hobnailYard().find(({ id }) => id === "carved-settle")!;
const drawn = async (asked: Record<string, string>) => {
  const params = new URLSearchParams({ width: "192", ...asked });
  const png = await boardPng(plan, params, boardKey(plan, params)!);
  const { data, info } = await sharp(png!).ensureAlpha().raw().toBuffer({ resolveWithObject: true });
  const at = (x: number, y: number) => [
    ...data.subarray(4 * (Math.floor(y * info.height) * info.width + Math.floor(x * info.width))).subarray(0, 4),
  ];
  return { png: png!, info, at };
};

describe("a board as a picture", () => {
  it("is as wide as it is asked to be, and whole", async () => {
    const { info, at } = await drawn({ zone: "back" });
    expect([info.width, info.height]).toEqual([192, 128]);
    for (const [x, y] of [
      [0.02, 0.02],
      [0.5, 0.5],
      [0.98, 0.98],
    ] as const)
      expect(at(x, y)[3]).toBe(255);
  });

  it("of a frame is clear where the frame is open", async () => {
    const { at } = await drawn({ zone: "frame" });
    expect(at(0.5, 0.5)[3]).toBe(0);
    expect(at(0.03, 0.5)[3]).toBe(255);
  });

  it("is another after another step, in another light, and on another board", async () => {
    const usual = (await drawn({ zone: "back" })).png;
    const others: Record<string, string>[] = [{ after: "3" }, { light: "lamp" }, { seed: "7" }, { panel: "drawer" }];
    for (const change of others)
      expect((await drawn({ zone: "back", ...change })).png.equals(usual), JSON.stringify(change)).toBe(false);
    // a coat just laid looks wet; after the last buffing nothing is
    const dry = (await drawn({ zone: "back", after: "6" })).png;
    expect((await drawn({ zone: "back", after: "6", wet: "yes" })).png.equals(dry)).toBe(false);
    expect((await drawn({ zone: "back", wet: "yes" })).png.equals(usual)).toBe(true);
  });

  it("is the same picture again when it is asked for again", async () => {
    expect((await drawn({ zone: "back" })).png).toBe((await drawn({ zone: "back" })).png);
  });
});

describe("what a picture depends on", () => {
  const key = (of = plan, zone = "back") => boardKey(of, new URLSearchParams({ zone }));

  it("is its zone and crust, the air and the schools; not the title, not what is done elsewhere", () => {
    expect(key({ ...plan, title: "Another" })).toBe(key());
    expect(key({ ...plan, client: "Somebody" })).toBe(key());
    expect(key(plan, "frame")).not.toBe(key());
    const cold = { ...plan, pinned: { ...plan.pinned, room: { ...plan.pinned.room, celsius: 12 } } };
    expect(key(cold)).not.toBe(key());
  });

  it("is nothing where there is no such zone", () => {
    expect(key(plan, "attic")).toBeNull();
    expect(boardKey(plan, new URLSearchParams())).toBeNull();
  });
});
