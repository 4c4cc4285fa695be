import sharp from "sharp";
import { describe, expect, it } from "vitest";
import { linearOf } from "#core/colour/screen";
import { examplePlan } from "#core/rules/example";
import { lookOf } from "./look";

const meanOf = async (png: Buffer) => (await sharp(png).removeAlpha().stats()).channels.map(({ mean }) => mean);

describe("the look of a job for the list", () => {
  it("is the board of its largest zone, in the colour that it will have", async () => {
    const slate = examplePlan({
      shows: "slate",
      ground: "raw timber",
      steps: [["brush", "chalk-slate", { coats: 2 }]],
    });
    const look = lookOf(slate)!;
    const { width, height, format } = await sharp(look).metadata();
    expect([width, height, format]).toEqual([216, 144, "png"]);
    const paint = slate.pinned.materials.find(({ id }) => id === "chalk-slate")!;
    const [red, green, blue] = await meanOf(look);
    // as bluish as its paint, on the whole
    const wanted = linearOf(paint.colour);
    expect(Math.sign(blue! - red!)).toBe(Math.sign(wanted[2] - wanted[0]));
    expect(green).toBeLessThan(150);
  });

  it("is none where nothing is laid, and another for another crust", () => {
    expect(lookOf(examplePlan({ shows: "nothing", ground: "raw timber", steps: [] }))).toBeNull();
    const buffer = lookOf(examplePlan({ shows: "one", ground: "raw timber", steps: [["brush", "chalk-slate"]] }));
    const two = lookOf(examplePlan({ shows: "two", ground: "raw timber", steps: [["brush", "chalk-bone-white"]] }));
    expect(buffer!.equals(two!)).toBe(false);
  });
});
