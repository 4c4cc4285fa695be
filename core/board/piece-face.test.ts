import { describe, expect, it } from "vitest";
import { judge } from "../judge/judge.ts";
import type { Zone } from "../plan/plan.ts";
import { examplePlan } from "../rules/example.ts";
import { Board, reliefAt } from "./board.ts";
import { boardWorkOf } from "./board-work.ts";
import { PIECE_SEED, pieceFace, pieceRelief, sampleFace } from "./piece-face.ts";
import { shownOnBoard } from "./shares.ts";

const judged = judge(
  examplePlan({
    shows: "a worn drawer",
    ground: "raw timber",
    species: "pine",
    steps: [["brush", "chalk-slate", { coats: 2 }], ["brush", "chalk-duck-egg", { coats: 2 }], ["wet-distress"]],
  }),
).zones[0]!;
const like = (shape: Zone["shape"], drawn: NonNullable<Zone["place"]>["drawn"]): Zone => ({
  ...judged.zone,
  shape,
  place: { x: 0, y: 0, width: 100, height: 100, drawn },
});
const panel = like({ kind: "panel", width: 900, height: 180, count: 1 }, "drawer");

describe("the face of a zone on its piece", () => {
  it("keeps the proportions of the face, at the size of a sample board", () => {
    const { wide, tall } = pieceFace(panel, { width: 900, height: 300 });
    expect(wide / tall).toBeCloseTo(3, 6);
    expect(wide * tall).toBeCloseTo(300 * 200, 6);
    const door = pieceFace(like({ kind: "panel", width: 400, height: 1200, count: 1 }, "panel"), {
      width: 400,
      height: 1200,
    });
    expect(door.tall / door.wide).toBeCloseTo(3, 6);
  });

  it("makes the members of a frame as broad as a sample frame's, and its opening as open as it is", () => {
    const frame = like({ kind: "frame", width: 700, height: 900, member: 70, count: 1 }, "frame");
    const face = pieceFace(frame, { width: 700, height: 900 });
    expect(face.wide).toBeCloseTo((700 * 52) / 70, 6);
    const { inside, grid } = pieceRelief(face, 20_000);
    const open = [...inside!].filter((value) => value < 0.5).length / (grid.width * grid.height);
    expect(open).toBeCloseTo((560 * 760) / (700 * 900), 1);
  });

  it("is the sample board itself where it has its size", () => {
    const face = sampleFace(panel);
    const [own, usual] = [pieceRelief(face, 240 * 160), reliefAt("drawer", 240)];
    expect(own.grid).toEqual(usual.grid);
    expect(own.high).toEqual(usual.high);
    expect(own.upright).toEqual(usual.upright);
  });

  it("has a knob on a drawer and none on a door", () => {
    const size = { width: 600, height: 400 };
    const [drawer, door] = [panel, like(panel.shape, "moulded")].map((zone) =>
      pieceRelief({ ...pieceFace(zone, size), panel: "drawer" }, 30_000),
    );
    const middle = (relief: typeof drawer) =>
      relief!.height[Math.round(relief!.grid.height * 0.53) * relief!.grid.width + relief!.grid.width / 2]!;
    expect(middle(drawer)).toBeGreaterThan(middle(door) + 2);
  });

  it("lets boards that stand run up, and boards that lie run along", () => {
    const plain = like({ kind: "panel", width: 300, height: 900, count: 1 }, "panel");
    const standing = pieceRelief({ ...pieceFace(plain, { width: 300, height: 900 }), panel: "plain" }, 8000);
    const lying = pieceRelief({ ...pieceFace(plain, { width: 900, height: 300 }), panel: "plain" }, 8000);
    expect(standing.upright.every((value) => value === 1)).toBe(true);
    expect(lying.upright.every((value) => value === 0)).toBe(true);
  });

  it("is worn at its edges as much as the sample board is, within a tenth", () => {
    const top = judged.phases.findLast(({ phase }) => phase.material !== null)!.phase.step.id;
    const wornAway = (width: number, height: number) => {
      const face = pieceFace(panel, { width, height });
      const board = new Board(boardWorkOf(judged, face.panel, PIECE_SEED), pieceRelief(face, 42_000));
      return 1 - (shownOnBoard(board.after(judged.phases.length).layers, board.relief).arris.get(top) ?? 0);
    };
    const onSample = wornAway(300, 200);
    expect(onSample).toBeGreaterThan(0.2);
    expect(Math.abs(wornAway(900, 240) - onSample)).toBeLessThan(0.1);
  });
});
