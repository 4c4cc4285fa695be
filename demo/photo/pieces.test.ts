import sharp from "sharp";
import { describe, expect, it } from "vitest";
import { zoneReadings } from "#core/photo/into-zones";
import { measurePhoto } from "#core/photo/measure";
import { zoneArea, zonesOf } from "#core/plan/plan";
import { hobnailYard } from "../hobnail-yard";
import { PHOTOS_OF_PIECES } from "./pieces";

const jobs = PHOTOS_OF_PIECES.map((make) => {
  const photo = make();
  return { photo, plan: hobnailYard().find(({ id }) => id === photo.planId)! };
});

describe.each(jobs)("the photo of $plan.title", ({ photo, plan }) => {
  it("is kept at the size that its camera says", async () => {
    const { width, height } = await sharp(`demo/photo/${photo.id}.jpg`).metadata();
    expect({ width, height }).toEqual({ width: photo.camera.width, height: photo.camera.height });
  });

  it("gives every face a size, and finds the lens it was taken with", () => {
    const [marks] = plan.photos!;
    const { faults, sizes, focal } = measurePhoto(marks!);
    expect(faults).toEqual([]);
    expect(sizes).toHaveLength(marks!.faces.length);
    expect(Math.abs(focal / photo.camera.focal - 1)).toBeLessThan(0.02);
  });

  it("gives the areas of the zones within 2 % of what they really are", () => {
    const readings = zoneReadings(plan);
    for (const { zone, shape } of readings) {
      const part = zoneArea({ ...zone, shape }) / zoneArea(zone);
      expect(Math.abs(part - 1), `${zone.name}: ${JSON.stringify(shape)}`).toBeLessThan(0.02);
    }
    // frames say nothing without their opening; everything else is read
    const read = new Set(readings.map(({ zone }) => zone.id));
    const rest = zonesOf(plan).filter(({ id }) => !read.has(id));
    expect(rest.every(({ shape }) => shape.kind === "frame")).toBe(true);
  });
});
