import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { BOARD_WIDTHS, MOST_SEED } from "#core/board/board-work";
import { judge } from "#core/judge/judge";
import { hobnailYard } from "#demo/hobnail-yard";
import { boardAddress, countAfterStep, readBoardAddress, WHOLE } from "./board-address";

const settle = hobnailYard().find(({ id }) => id === "carved-settle")!;
const judged = judge(settle).zones.find(({ zone }) => zone.id === "back")!;
const last = judged.phases.length;
const read = (address: string) => readBoardAddress(new URLSearchParams(address), judged);

describe("the address of a board", () => {
  it("without a word is the finished board, dry, by day, on the panel most like the zone", () => {
    expect(read("")).toMatchObject({ count: last, seed: 1, lifeSize: false, against: null });
    expect(read("").view).toMatchObject({ light: "daylight", wet: false });
    expect(WHOLE).toBe(BOARD_WIDTHS.usual);
  });

  it("holds after a step, or after so many phases", () => {
    const step = judged.phases[2]!.phase.step.id;
    expect(read(`step=${step}`).count).toBe(countAfterStep(judged, step));
    expect(read("after=0").count).toBe(0);
    expect(countAfterStep(judged, "no such step")).toBe(last);
    expect(countAfterStep(judged, null)).toBe(last);
  });

  it("keeps within its bounds whatever is written into it", () => {
    fc.assert(
      fc.property(
        fc.dictionary(
          fc.constantFrom("after", "seed", "from", "height", "panel", "light", "wet", "size", "against"),
          fc.oneof(fc.string(), fc.integer().map(String)),
        ),
        (words) => {
          const { count, seed, view } = read(new URLSearchParams(words).toString());
          expect(count >= 0 && count <= last && Number.isInteger(count)).toBe(true);
          expect(seed >= 1 && seed <= MOST_SEED).toBe(true);
          expect(view.lighting.azimuth >= 0 && view.lighting.azimuth < 360).toBe(true);
          expect(view.lighting.elevation >= 10 && view.lighting.elevation <= 80).toBe(true);
        },
      ),
    );
  });

  it("changes one thing and leaves the rest; another zone begins at its own end", () => {
    const params = new URLSearchParams("zone=back&after=3&light=lamp&against=step:bone");
    expect(boardAddress(params, { light: null })).toBe("?zone=back&after=3&against=step%3Abone");
    expect(boardAddress(params, { zone: "arms" })).toBe("?zone=arms&light=lamp");
    expect(boardAddress(new URLSearchParams("step=bone"), { after: "2" })).toBe("?after=2");
  });
});
