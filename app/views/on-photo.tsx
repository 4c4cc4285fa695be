import { useEffect, useMemo, useRef, useState } from "react";
import { Form, Link, useActionData, useLoaderData, useNavigate, useNavigation, useSearchParams } from "react-router";
import { bodyColour } from "#core/colour/material-colour";
import { measurePhoto } from "#core/photo/measure";
import { type PhotoStep, photoSteps } from "#core/photo/steps";
import type { PiecePhoto } from "#core/plan/photo-marks";
import type { Photo, PhotoShelf } from "#db/photos";
import { usePhotoPixels } from "~/board/photo-compare";
import { Scrub } from "~/board/scrub";
import { useHeld } from "~/board/use-held";
import { useJob } from "~/editor/job-editor";
import { stepName } from "~/forms/edit-form";
import { EditForm, Field } from "~/forms/edit-form-parts";
import type { PhotoResult } from "~/http/photo-action.server";
import { KEYS } from "~/keys/keys";
import { useKey } from "~/keys/use-key";
import { panes } from "~/parts/panes";
import { PhotoField } from "~/parts/photo-field";
import { FacesPanel } from "~/photo/faces-panel";
import { Marker } from "~/photo/marker";
import { PaintedPhoto } from "~/photo/painted";
import { stepAt, worksOf, zonesShown } from "~/photo/ready";
import { useOnPhoto } from "~/photo/use-on-photo";

const PANES = panes("minmax(0, 1fr) 392px");

const photoSrc = (planId: string, photoId: string) => `/jobs/${planId}/photos/${photoId}`;

function AddPhoto({ first }: { first: boolean }) {
  const { plan, token } = useJob();
  const navigation = useNavigation();
  const { photos } = useLoaderData<PhotoShelf>();
  const result = useActionData() as Partial<PhotoResult> | undefined;
  const sending = navigation.state !== "idle" && navigation.formData?.get("do") === "add piece photo";
  return (
    <Form
      key={photos.length}
      method="post"
      encType="multipart/form-data"
      className="flex flex-wrap items-end gap-3"
      aria-label="Add a photo of the piece"
    >
      <input type="hidden" name="do" value="add piece photo" />
      <input type="hidden" name="piece" value={plan.pieces[0]?.id ?? ""} />
      <input type="hidden" name="edit" value={`${token}-piece-${photos.length}`} />
      <PhotoField label="Photo of the piece" />
      <button className={`button ${first ? "button-main" : ""}`} disabled={sending}>
        {sending ? "Adding …" : "Add photo"}
      </button>
      {result?.photoFault && (
        <p role="alert" className="w-full border-l-4 border-l-ochre bg-board px-3 py-2 text-ochre">
          {result.photoFault}
        </p>
      )}
    </Form>
  );
}

function Restore() {
  const { removed } = useLoaderData<PhotoShelf>();
  if (!removed) return null;
  return (
    <Form method="post" encType="multipart/form-data" className="text-note text-soft">
      <input type="hidden" name="do" value="restore photo" />
      <input type="hidden" name="photo" value={removed.id} />
      Removed: {removed.note || "a photo"}. <button className="link font-semibold text-ink">Restore</button>
    </Form>
  );
}

function NoPhoto() {
  return (
    <div className="photo-none">
      <h1 className="text-view">See the finish on your own photo</h1>
      <p className="mt-1">
        Mark the corners of each face and one length that you measured. The photo then gives the measures of the piece,
        and the finish is laid on it step by step, in the photo's own light.
      </p>
      <ul className="my-4 list-disc pl-5 text-soft">
        <li>Stand so that you see the front and a side, and let the piece fill the picture.</li>
        <li>Even daylight, no flash. Step back rather than use a wide lens: it bends what is near the edge.</li>
        <li>Measure one length with a tape: the width of the front will do.</li>
      </ul>
      <AddPhoto first />
      <Restore />
    </div>
  );
}

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

function OnIt({ photo, marks }: { photo: Photo; marks: PiecePhoto }) {
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
  const stops = steps.map((step, at) => ({ count: at, ...wordsOf(step) }));
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
          <img src={pictureOf(plan.id, photo.id, count)} alt={`The finish on the photo, ${label}`} className="w-full" />
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
          Right of the line lies the finish as the crust says, at its true size: what is 1 mm on the piece is 1 mm in
          the picture. Light, shade and carving are the photo's.
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

/** Which photo it is, and what is done with it: marking it or looking at the finish. */
function PhotoHead({ photo }: { photo: Photo }) {
  const { plan } = useJob();
  const { photos } = useLoaderData<PhotoShelf>();
  const [params] = useSearchParams();
  const view = viewOf(
    params,
    plan.photos?.find(({ id }) => id === photo.id),
  );
  const to = (change: Record<string, string>) => {
    const next = new URLSearchParams(params);
    next.set("photo", photo.id);
    for (const [key, value] of Object.entries(change)) next.set(key, value);
    return `?${next}`;
  };
  return (
    <div className="mb-2 flex flex-wrap items-center gap-x-4 gap-y-2">
      <h1 className="text-view">On your photo</h1>
      {photos.length > 1 && (
        <nav aria-label="Photos" className="flex flex-wrap gap-1">
          {photos.map((one, at) => (
            <Link
              key={one.id}
              to={to({ photo: one.id })}
              replace
              className="chip"
              aria-current={one.id === photo.id ? "true" : undefined}
            >
              {one.note || `Photo ${at + 1}`}
            </Link>
          ))}
        </nav>
      )}
      <span className="flex-1" />
      <nav aria-label="Mark it or see the finish" className="flex gap-1">
        {(
          [
            ["mark", "Mark the faces"],
            ["finish", "See the finish"],
          ] as const
        ).map(([value, name]) => (
          <Link
            key={value}
            to={to({ view: value })}
            replace
            className="chip"
            aria-current={view === value ? "true" : undefined}
          >
            {name}
          </Link>
        ))}
      </nav>
    </div>
  );
}

function Marking({ photo, marks }: { photo: Photo; marks: PiecePhoto }) {
  const { plan } = useJob();
  const [params] = useSearchParams();
  const navigate = useNavigate();
  const [pointing, setPointing] = useState(false);
  const [trouble, setTrouble] = useState<string | null>(null);
  const chosen = marks.faces.find(({ id }) => id === params.get("face")) ?? marks.faces[0];
  const linkTo = (faceId: string) => {
    const next = new URLSearchParams(params);
    next.set("face", faceId);
    return `?${next}`;
  };
  useKey(KEYS.photo.keys.stop, () => setPointing(false));
  // whoever changes the face in another way is done with pointing
  const before = useRef(chosen);
  useEffect(() => {
    if (before.current?.id === chosen?.id && before.current !== chosen) setPointing(false);
    before.current = chosen;
  }, [chosen]);
  return (
    <div className="panes" style={PANES}>
      <section aria-label="Marks on the photo" className="pane photo-main">
        <PhotoHead photo={photo} />
        <Marker
          src={photoSrc(plan.id, photo.id)}
          alt={photo.note || "The piece as it is"}
          marks={marks}
          chosen={chosen}
          onChoose={(faceId) => navigate(linkTo(faceId), { replace: true, preventScrollReset: true })}
          pointing={pointing && chosen !== undefined}
          onPointed={() => setPointing(false)}
          onTrouble={setTrouble}
        />
        <div className="mt-2 flex flex-wrap items-start gap-x-6 gap-y-2">
          <p className="min-w-0 flex-1 text-note text-soft">
            Drag the corners, or choose one with Tab and move it with the arrow keys: a pixel, with Shift ten.
          </p>
          <details>
            <summary className="text-note font-semibold text-verdigris">Another photo</summary>
            <div className="pt-2">
              <AddPhoto first={false} />
            </div>
          </details>
          <Form method="post" encType="multipart/form-data">
            <input type="hidden" name="do" value="remove photo" />
            <input type="hidden" name="photo" value={photo.id} />
            <button className="link text-note text-soft">Remove this photo</button>
          </Form>
          <Restore />
        </div>
      </section>
      <aside aria-label="Faces of the photo" className="pane photo-aside pb-6">
        <FacesPanel
          marks={marks}
          chosen={chosen}
          linkTo={linkTo}
          pointing={pointing}
          onPointing={setPointing}
          trouble={trouble}
        />
      </aside>
    </div>
  );
}

/** The finish is what one comes for; a photo on which nothing is measured has to be marked first. */
function viewOf(params: URLSearchParams, marks: PiecePhoto | undefined): "mark" | "finish" {
  const view = params.get("view");
  if (view === "mark" || view === "finish") return view;
  return marks && marks.known.length > 0 && marks.faces.some(({ zoneId }) => zoneId) ? "finish" : "mark";
}

export default function OnPhotoView() {
  const { plan } = useJob();
  const { photos } = useLoaderData<PhotoShelf>();
  const [params] = useSearchParams();
  const photo = photos.find(({ id }) => id === params.get("photo")) ?? photos[0];
  if (!photo) return <NoPhoto />;
  const known = plan.photos?.find(({ id }) => id === photo.id);
  const marks = known ?? { id: photo.id, width: photo.width, height: photo.height, faces: [], known: [] };
  return viewOf(params, known) === "finish" ? (
    <OnIt key={photo.id} photo={photo} marks={marks} />
  ) : (
    <Marking key={photo.id} photo={photo} marks={marks} />
  );
}
