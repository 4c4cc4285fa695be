import { boardWorkOf, panelFor } from "#core/board/board-work";
import { dress, zonesToDress } from "#core/finishes/dress";
import { FINISHES } from "#core/finishes/finishes";
import { CATALOGUE } from "#core/materials/catalogue";
import { measurePhoto } from "#core/photo/measure";
import { PieceOnPhoto } from "#core/photo/on-photo";
import { judgementOf } from "#core/schedule/kept";
import { hobnailYard } from "#demo/hobnail-yard";

type Measured = (work: () => unknown, runs?: number) => number;
type Tell = (what: string, value: string, target?: string) => void;
const ms = (value: number) => `${value.toFixed(0)} ms`;

/** A photo of even grey: what it shows matters nothing to how long it takes. */
const grey = (width: number, height: number) => ({
  width,
  height,
  data: new Uint8ClampedArray(4 * width * height).fill(150),
});

/** Laying every finish on a piece, measuring a photo, and painting it, rough and fine. */
export function benchLook(measured: Measured, tell: Tell) {
  const settle = hobnailYard().find(({ id }) => id === "carved-settle")!;
  const zones = zonesToDress(settle, []);
  const all = measured(() => {
    for (const finish of FINISHES) dress(settle, zones, { finish }, CATALOGUE);
  }, 3);
  tell(`${FINISHES.length} finishes laid on a piece of ${zones.length} zones`, ms(all));
  const [marks] = settle.photos!;
  tell(`measures off a photo of ${marks!.faces.length} faces`, ms(measured(() => measurePhoto({ ...marks! }), 9)));
  const works = new Map(
    judgementOf(settle).zones.map((judged) => [
      judged.zone.id,
      { zone: judged.zone, work: boardWorkOf(judged, panelFor(judged.zone), 1) },
    ]),
  );
  const counts = Object.fromEntries([...works].map(([id, { work }]) => [id, work.phases.length]));
  const photo = grey(marks!.width, marks!.height);
  const size = measurePhoto(marks!);
  for (const rough of [true, false]) {
    const made = () => new PieceOnPhoto(photo, marks!, size, works, { rough });
    tell(
      `a finish on a photo of ${marks!.width} × ${marks!.height}, ${rough ? "rough" : "fine"}, from nothing`,
      ms(measured(() => made().picture(counts), 3)),
    );
    const ready = made();
    ready.picture(counts);
    tell(`the same, one step further (${rough ? "rough" : "fine"})`, ms(measured(() => ready.picture(counts), 5)));
  }
}
