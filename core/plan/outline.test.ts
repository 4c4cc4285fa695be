import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { shareWhere, sizesOf } from "../surface/places.ts";
import { distanceToEdge, Outline, Outlines, outlineOf, type Point, shareInside } from "./outline.ts";
import { PLAIN_RELIEF } from "./plan.ts";

const PANEL = { kind: "panel", width: 600, height: 400, count: 1 } as const;
const box = (left: number, top: number, width: number, height: number) =>
  outlineOf({ round: false, left, top, width, height });
const part = fc.double({ min: 0.05, max: 0.5, noNaN: true });

describe("what lies inside an outline", () => {
  it("is width times height of what is square, and π/4 of that of what is round", () => {
    fc.assert(
      fc.property(part, part, part, part, (left, top, width, height) => {
        const round = outlineOf({ round: true, left, top, width, height });
        expect(Math.abs(shareInside([box(left, top, width, height)], PANEL) - width * height)).toBeLessThan(0.006);
        expect(Math.abs(shareInside([round], PANEL) - (Math.PI / 4) * width * height)).toBeLessThan(0.006);
      }),
    );
  });

  it("counts what two outlines share once", () => {
    const both = [box(0.1, 0.1, 0.4, 0.5), box(0.3, 0.1, 0.4, 0.5)];
    expect(shareInside(both, PANEL)).toBeCloseTo(0.6 * 0.5, 2);
    expect(shareInside([box(0, 0, 0.5, 0.5), box(0, 0, 0.5, 0.5)], PANEL)).toBeCloseTo(0.25, 2);
  });

  it("is of the face that is there: a disc has no corners, a frame no middle", () => {
    const all = [box(0, 0, 1, 1)];
    const disc = { kind: "disc", diameter: 300, count: 1 } as const;
    const frame = { kind: "frame", width: 600, height: 400, member: 60, count: 1 } as const;
    expect(shareInside(all, disc)).toBe(1);
    expect(shareInside([box(0, 0, 0.1, 0.1)], disc)).toBe(0);
    expect(shareInside([box(0.25, 0.25, 0.5, 0.5)], frame)).toBe(0);
    // the left stile of 60 by 400 mm, of 108,000 mm² of frame
    expect(Math.abs(shareInside([box(0, 0, 0.1, 1)], frame) - 24_000 / 108_000)).toBeLessThan(0.008);
  });

  it("is on the inner side of its edge, and as far from it as can be measured", () => {
    const middle: Point = [0.5, 0.5];
    expect(distanceToEdge([box(0.25, 0.25, 0.5, 0.5)], middle, 300, 200)).toBeCloseTo(-50);
    expect(distanceToEdge([box(0.75, 0.25, 0.25, 0.5)], middle, 300, 200)).toBeCloseTo(75);
    fc.assert(
      fc.property(fc.array(fc.tuple(part, part), { minLength: 3, maxLength: 20 }), fc.tuple(part, part), (line, at) => {
        const away = distanceToEdge([line], at, 100, 100);
        // turned about, or begun elsewhere, it goes round the same
        const turned = [...line.slice(1), line[0]!].reverse();
        expect(distanceToEdge([turned], at, 100, 100)).toBeCloseTo(away, 6);
      }),
    );
  });

  it("is something, on the face, and not without end", () => {
    const wrong: [unknown, RegExp][] = [
      [
        [
          [
            [0.1, 0.1],
            [0.5, 0.5],
          ],
        ],
        /three points at least/,
      ],
      [
        [
          [
            [0.1, 0.1],
            [0.5, 0.5],
            [0.9, 0.9],
          ],
        ],
        /goes round something/,
      ],
      [
        [
          [
            [0.1, 0.1],
            [1.5, 0.5],
            [0.9, 0.2],
          ],
        ],
        /stays on the face/,
      ],
      [Array.from({ length: 7 }, () => box(0.1, 0.1, 0.2, 0.2)), /6 outlines at most/],
    ];
    for (const [drawn, says] of wrong) {
      const read = Outlines.safeParse(drawn);
      expect(read.success ? "" : read.error.issues.map(({ message }) => message).join("; ")).toMatch(says);
    }
    expect(Outline.safeParse(Array.from({ length: 61 }, (_, index) => [index / 61, 0.5])).success).toBe(false);
  });
});

describe("a place drawn by hand", () => {
  const face = { shape: PANEL, sizes: { motif: 0.4, border: 0.3 }, outlines: { motif: [box(0.25, 0.2, 0.5, 0.5)] } };

  it("has the size it is drawn, whatever was said before, and leaves other places alone", () => {
    expect(sizesOf(face).motif).toBeCloseTo(0.25, 2);
    expect(sizesOf(face).border).toBe(0.3);
    expect(sizesOf(face).hands).toBe(0.12);
  });

  it("is as large to a step that goes round it", () => {
    const round = { on: "everywhere", also: [], but: ["motif"] } as const;
    expect(shareWhere(round, PLAIN_RELIEF, sizesOf(face))).toBeCloseTo(0.75, 2);
  });
});
