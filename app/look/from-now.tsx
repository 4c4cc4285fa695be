import { useEffect, useState } from "react";
import type { PanelId } from "#core/board/panels/panel";
import type { Wishes } from "#core/look/spec";
import { sayDuration } from "#core/units/duration";
import type { PlanText } from "~/editor/plan-text";
import { BoardCanvas } from "~/finishes/canvas";
import { listening, offPage } from "~/first/off-page";
import type { AnswerNow, FromNowProgram, ShownWay } from "./from-now.worker";

interface Props {
  text: PlanText;
  zoneId: string;
  now: number;
  wishes: Wishes;
  panel: PanelId;
  busy: boolean;
  onUse: (way: ShownWay) => void;
}

interface Ways {
  ways: readonly ShownWay[] | null;
  pictures: ReadonlyMap<string, ImageData>;
  failed: string | null;
}

const NOTHING: Ways = { ways: null, pictures: new Map(), failed: null };
const DRAWN = 360;

/** "half a day more", "2.0 days more", "no longer". */
const sayMore = (days: number): string =>
  days < 0.1 ? "no later" : days < 0.75 ? "half a day later" : `${days.toFixed(1)} days later`;

/** What could be done to a half-done zone from where it stands: toned, washed, knocked back, mended, painted over, stripped. */
export function FromNow({ text, zoneId, now, wishes, panel, busy, onUse }: Props) {
  const [{ ways, pictures, failed }, setWays] = useState<Ways>(NOTHING);
  const key = JSON.stringify([zoneId, wishes, panel]);
  // biome-ignore lint/correctness/useExhaustiveDependencies: the key says all that is asked
  useEffect(() => {
    const failed = (says: string) => setWays((before) => ({ ...before, failed: says || "it did not start" }));
    const program = offPage<FromNowProgram>(
      new Worker(new URL("./from-now.worker.ts", import.meta.url), { type: "module" }),
      failed,
    );
    setWays(NOTHING);
    const { tell, gaveUp, end } = listening<AnswerNow>((answer) => {
      if (answer.is === "ways") return setWays((before) => ({ ...before, ways: answer.ways }));
      const image = new ImageData(new Uint8ClampedArray(answer.pixels), answer.width, answer.height);
      setWays((before) => ({ ...before, pictures: new Map(before.pictures).set(answer.key, image) }));
    }, failed);
    program.run.waysOn({ text, zoneId, now, wishes, panel, width: DRAWN }, tell).catch(gaveUp);
    return () => {
      end();
      program.close();
    };
  }, [key]);
  return (
    <section aria-label="From where it stands" className="mb-6">
      <h2 className="text-view">From where it stands</h2>
      <p className="text-soft">
        What has been done stays. Each of these continues from there, and is checked from now on.
      </p>
      {failed && <p className="mt-2 font-medium text-ochre">These could not be worked out: {failed}.</p>}
      {ways === null && !failed && <p className="mt-2 text-soft">Trying ways on …</p>}
      {ways?.length === 0 && (
        <p className="mt-2">Nothing can be added here without a stop. Let it dry, and look again.</p>
      )}
      <ul className="mt-2 flex flex-col gap-4">
        {ways?.map((way) => (
          <li key={way.id} className="look-card">
            <div className="look-picture">
              {pictures.get(way.id) ? (
                <BoardCanvas image={pictures.get(way.id)!} says={`After: ${way.label}`} />
              ) : (
                <div className="finish-board" />
              )}
            </div>
            <div className="min-w-0">
              <h3 className="text-lg">{way.label}</h3>
              <p>{way.says}</p>
              <p className="mt-1 text-note text-soft">
                ΔE {way.apart.toFixed(1)} from {Object.keys(wishes).length > 0 ? "what you ask for" : "what is planned"}{" "}
                · {way.handsOn > 0 ? `${sayDuration(way.handsOn)} more work` : "no more work"}, {sayMore(way.days)}
              </p>
              {way.cautions.length > 0 && <p className="mt-1 text-note text-sienna">{way.cautions.join("; ")}</p>}
              <button
                type="button"
                className="button mt-2"
                disabled={busy}
                aria-label={`Do this: ${way.label}`}
                onClick={() => onUse(way)}
              >
                Do this
              </button>
            </div>
          </li>
        ))}
      </ul>
    </section>
  );
}
