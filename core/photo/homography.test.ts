import fc from "fast-check";
import { Matrix, SVD } from "ml-matrix";
import { describe, expect, it } from "vitest";
import {
  after,
  areaRound,
  back,
  between,
  type Corners,
  cornerFault,
  type Homography,
  inTurn,
  mapped,
  toCorners,
  type XY,
} from "./homography.ts";

const SQUARE: Corners = [
  [0, 0],
  [1, 0],
  [1, 1],
  [0, 1],
];

/** The same map by a general library: the direct linear transform, its null space from a singular value decomposition. */
function byLibrary(from: Corners, to: Corners): Homography {
  const rows = from.flatMap(([x, y], index) => {
    const [u, v] = to[index]!;
    return [
      [-x, -y, -1, 0, 0, 0, u * x, u * y, u],
      [0, 0, 0, -x, -y, -1, v * x, v * y, v],
    ];
  });
  // a ninth row of noughts makes it square, so that the last singular vector is the null space
  const { rightSingularVectors } = new SVD(new Matrix([...rows, new Array(9).fill(0)]), {
    computeLeftSingularVectors: false,
  });
  return rightSingularVectors.getColumn(8) as unknown as Homography;
}

/** Convex corners in turn: one on each of four rays, none too near the middle. */
const convex = fc
  .tuple(
    ...[0, 1, 2, 3].map(() =>
      fc.tuple(fc.double({ min: 0.6, max: 1, noNaN: true }), fc.double({ min: -0.2, max: 0.2, noNaN: true })),
    ),
  )
  .map((parts) =>
    parts.map(([radius, off], index): XY => {
      const angle = (-3 * Math.PI) / 4 + (index * Math.PI) / 2 + off;
      return [3 + radius * Math.cos(angle), 2 + radius * Math.sin(angle)];
    }),
  )
  .map((corners) => corners as unknown as Corners);

const near = ([x, y]: XY, [u, v]: XY, within = 1e-9) => Math.hypot(x - u, y - v) < within;

describe("a homography from four corners", () => {
  it("of a square shifted and stretched is that shift and that stretch", () => {
    const to: Corners = [
      [10, 20],
      [40, 20],
      [40, 80],
      [10, 80],
    ];
    expect(toCorners(to).map((value) => value + 0)).toEqual([30, 0, 10, 0, 60, 20, 0, 0, 1]);
  });

  it("worked by hand: a trapezium whose upper side is half its lower one", () => {
    // (0,0) (1,0) to (1,0) (3,0); (1,1) (0,1) to (4,2) (0,2). The sides meet at (2, −2): both run to it at infinity down
    // the square, so h = −1/2 after the division by the last number
    const map = toCorners([
      [1, 0],
      [3, 0],
      [4, 2],
      [0, 2],
    ]);
    expect(map[6]).toBeCloseTo(0, 12);
    expect(map[7]).toBeCloseTo(-0.5, 12);
    // the middle of the square lies where the diagonals of the trapezium cross: at 4/3 from the upper side
    const [x, y] = mapped(map, [0.5, 0.5]);
    expect(x).toBeCloseTo(2, 12);
    expect(y).toBeCloseTo(2 / 3, 12);
  });

  it("takes every corner where it belongs, and back", () => {
    fc.assert(
      fc.property(convex, (corners) => {
        const map = toCorners(corners);
        SQUARE.forEach((corner, index) => {
          expect(near(mapped(map, corner), corners[index]!)).toBe(true);
          expect(near(mapped(back(map), corners[index]!), corner, 1e-7)).toBe(true);
        });
      }),
    );
  });

  it("agrees with a general library on any place, between any two faces", () => {
    fc.assert(
      fc.property(
        convex,
        convex,
        fc.double({ min: 0, max: 1, noNaN: true }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        (from, to, u, v) => {
          const place = mapped(toCorners(from), [u, v]);
          expect(near(mapped(between(from, to), place), mapped(byLibrary(from, to), place), 1e-6)).toBe(true);
        },
      ),
    );
  });

  it("keeps the cross ratio of four places in a line, as every projective map does", () => {
    const ratio = (values: readonly number[]) =>
      ((values[2]! - values[0]!) * (values[3]! - values[1]!)) / ((values[2]! - values[1]!) * (values[3]! - values[0]!));
    fc.assert(
      fc.property(convex, (corners) => {
        const map = toCorners(corners);
        const along = [0.1, 0.3, 0.6, 0.9];
        const places = along.map((x) => mapped(map, [x, 0.4]));
        const far = places.map(([x, y]) => Math.hypot(x - places[0]![0], y - places[0]![1]));
        expect(ratio(far)).toBeCloseTo(ratio(along), 6);
      }),
    );
  });

  it("put one after another is both", () => {
    const homography = toCorners([
      [1, 0],
      [3, 0],
      [4, 2],
      [0, 2],
    ]);
    const two = toCorners([
      [0, 0],
      [5, 1],
      [4, 4],
      [1, 3],
    ]);
    expect(near(mapped(after(two, homography), [0.3, 0.8]), mapped(two, mapped(homography, [0.3, 0.8])))).toBe(true);
  });
});

describe("corners of a face", () => {
  const good: Corners = [
    [0, 0],
    [4, 1],
    [4, 3],
    [0, 3],
  ];
  it("go round an area as the surveyor counts it", () => {
    expect(areaRound(good)).toBe(10);
  });
  it("are named for what is wrong with them", () => {
    const [a, b, c, d] = good;
    expect(cornerFault(good)).toBeNull();
    expect(cornerFault([a, c, b, d])).toBe("crossed");
    expect(cornerFault([a, d, c, b])).toBe("mirrored");
    expect(cornerFault([a, b, [1, 1.5], d])).toBe("dented");
    expect(cornerFault([a, [2, 0], [4, 0], d])).toBe("flat");
    expect(cornerFault([a, a, a, a])).toBe("flat");
  });
  it("are put in turn from the upper left, whichever way they were pointed at", () => {
    const [a, b, c, d] = good;
    for (const places of [
      [a, b, c, d],
      [c, a, d, b],
      [d, c, b, a],
      [b, d, a, c],
    ] as const)
      expect(inTurn(places)).toEqual(good);
  });
});
