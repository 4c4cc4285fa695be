import { useMemo } from "react";
import { Link, useSearchParams } from "react-router";
import { bodyColour } from "#core/colour/material-colour";
import { measurePhoto } from "#core/photo/measure";
import { type PhotoStep, photoSteps } from "#core/photo/steps";
import type { PiecePhoto } from "#core/plan/photo-marks";
import type { Photo } from "#db/photos";
import { usePhotoPixels } from "~/board/photo-compare";
import { Scrub } from "~/board/scrub";
import { useHeld } from "~/board/use-held";
import { useJob } from "~/editor/job-editor";
import { stepName } from "~/forms/edit-form";
import { EditForm, Field } from "~/forms/edit-form-parts";
import { KEYS } from "~/keys/keys";
import { useKey } from "~/keys/use-key";
import { PaintedPhoto } from "~/photo/painted";
import { stepAt, worksOf, zonesShown } from "~/photo/ready";
import { useOnPhoto } from "~/photo/use-on-photo";
import { PhotoHead } from "./photo-head";
import { PANES, photoSrc } from "./view-of";

/** What was done last at a step of the whole piece, in words. */
function useStepWords(): (step: PhotoStep) => { label: string; colour: string | null } {
  const { plan, judgement } = useJob();
  return ({ last }) => {
    if (!last) return { label: "As it is", colour: null };
    const judged = judgement.zones.find(({ zone }) => zone.id === last.zones[0]);
    const phase = judged?.phases.find(
      ({ phase: one }) => one.step.id === last.stepId && one.coat === last.coat && one.round === last.round,
    )?.phase;
    const names = last.zones.map((id) => judgement.zones.find(({ zone }) => zone.id === id)?.zone.name ?? id);
    const what = phase ? stepName(plan, phase.step) : last.stepId;
    const coat = last.coats > 1 ? `, coat ${last.coat} of ${last.coats}` : "";
    return {
      label: `${names.join(", ")}: ${what}${coat}${last.round > 1 ? `, round ${last.round}` : ""}`,
      colour: phase?.material ? bodyColour(phase.material) : null,
    };
  };
}

function Lighter({ marks }: { marks: PiecePhoto }) {
  return (
    <EditForm
      does="set lighter"
      about={{ photoId: marks.id, width: String(marks.width), height: String(marks.height) }}
      label="How light the finish is shown"
      autosave
    >
      <Field name="lighter" label="Darker to lighter, if the photo is under- or overexposed">
        {(field) => (
          <input
            {...field}
            className="w-full accent-verdigris"
            type="range"
            min={-1}
            max={1}
            step={0.1}
            key={marks.lighter ?? 0}
            defaultValue={marks.lighter ?? 0}
          />
        )}
      </Field>
      <noscript>
        <button className="button mt-1">Set</button>
      </noscript>
    </EditForm>
  );
}

/** The address of the picture that the server draws. */
const pictureOf = (planId: string, photoId: string, after: number, both = false) =>
  `/jobs/${planId}/photo.jpg?${new URLSearchParams({ photo: photoId, after: String(after), ...(both ? { both: "yes" } : {}) })}`;

export function OnIt({ photo, marks }: { photo: Photo; marks: PiecePhoto }) {
  const { plan, judgement } = useJob();
  const [params] = useSearchParams();
  const src = photoSrc(plan.id, photo.id);
  const zones = useMemo(() => zonesShown(marks, judgement), [marks, judgement]);
  const steps = useMemo(() => photoSteps(zones), [zones]);
  const works = useMemo(() => worksOf(zones), [zones]);
  const measured = useMemo(() => measurePhoto(marks), [marks]);
  const last = steps.length - 1;
  const [count, hold] = useHeld(stepAt(params, steps), last);
  const pixels = usePhotoPixels(src);
  const painted = useOnPhoto(pixels === "lost" ? null : pixels, marks, works, steps[count]!.counts);
  const wordsOf = useStepWords();
  const stops = steps.map((step, index) => ({ count: index, ...wordsOf(step) }));
  useKey(KEYS.photo.keys.previous, () => hold(count - 1));
  useKey(KEYS.photo.keys.next, () => hold(count + 1));
  useKey(KEYS.photo.keys.first, () => hold(0));
  useKey(KEYS.photo.keys.last, () => hold(last));
  const label = stops[count]!.label;
  const unsized = marks.faces.filter(
    ({ id, asItIs }) => !asItIs && !measured.sizes.some(({ faceId }) => faceId === id),
  );
  return (
    <div className="panes" style={PANES}>
      <section aria-label="The finish on the photo" className="pane photo-main">
        <PhotoHead photo={photo} />
        <noscript>
          <img
            src={pictureOf(plan.id, photo.id, count)}
            alt={`The finish on the photo, ${label}`}
            width={photo.width}
            height={photo.height}
            className="w-full"
          />
        </noscript>
        <PaintedPhoto src={src} marks={marks} painted={painted} says={`The finish on the photo. ${label}`} />
        {pixels === "lost" && (
          <p role="alert" className="mt-2 border-l-4 border-l-ochre bg-board px-3 py-2">
            The photo failed to load. Your marks are saved. Reload the page; if it is missing then, add it again.
          </p>
        )}
        {painted.failed && (
          <p role="alert" className="mt-2 font-semibold text-ochre">
            The finish could not be laid on ({painted.failed}). Reload the page; your plan is safe.
          </p>
        )}
        <div className="mt-2 mb-1 flex items-baseline gap-2">
          <span className="min-w-0 flex-1 truncate">
            <span className="kicker mr-1 text-soft">{count === 0 ? "before" : `${count} of ${last}`}</span>
            <b className="font-semibold">{label}</b>
          </span>
          <span className="text-note text-soft">← → step by step</span>
        </div>
        <Scrub stops={stops} count={count} onHold={hold} />
      </section>
      <aside aria-label="About the picture" className="pane photo-aside flex flex-col gap-3 p-4">
        <p>
          Right of the line is the finish as the crust has it, at true size: what is 1 mm on the piece is 1 mm in the
          picture. Light, shade and carving are the photo's.
        </p>
        {unsized.length > 0 && (
          <p className="border-l-4 border-l-ochre bg-board px-3 py-2 text-ochre">
            Not painted yet, because nothing says how large it is: {unsized.map(({ name }) => name).join(", ")}.
          </p>
        )}
        <h2 className="border-t border-line pt-2 text-lg">How far each zone is</h2>
        <dl className="grid grid-cols-[minmax(0,1fr)_auto] gap-x-3">
          {zones.map(({ zone, crust, phases }) => (
            <div key={zone.id} className="contents">
              <dt className="truncate font-semibold">
                <Link className="hover:underline" to={`/jobs/${plan.id}/crust?zone=${zone.id}`}>
                  {zone.name}
                </Link>
                <span className="block truncate text-note font-normal text-soft">{crust.name}</span>
              </dt>
              <dd className="text-right text-note text-soft">
                {steps[count]!.counts[zone.id] ?? 0} of {phases.length}
              </dd>
            </div>
          ))}
        </dl>
        <Lighter marks={marks} />
        <div className="flex flex-wrap gap-2">
          <a className="button" href={pictureOf(plan.id, photo.id, count)} download={`${plan.title}, on the photo.jpg`}>
            Export JPEG
          </a>
          <a
            className="button"
            href={pictureOf(plan.id, photo.id, count, true)}
            download={`${plan.title}, before and after.jpg`}
          >
            Before and after
          </a>
          <Link className="button" to={`/jobs/${plan.id}/quote`}>
            Quote
          </Link>
        </div>
        <p className="text-note text-soft">
          A prediction. Grain and stains of the old surface are painted over as far as the films hide them; what is wood
          and what is shade in a photo is a guess. Make a real board before the piece.
        </p>
      </aside>
    </div>
  );
}
