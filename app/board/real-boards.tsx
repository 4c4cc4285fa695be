import { Form, Link, useActionData, useNavigation, useSearchParams } from "react-router";
import type { ZoneJudgement } from "#core/judge/judge";
import type { PhotoShelf } from "#db/photos";
import { useJob } from "~/editor/job-editor";
import type { PhotoResult } from "~/http/photo-action.server";
import { PhotoField } from "~/parts/photo-field";
import { boardAddress } from "./board-address";

/** The photos of real boards of this zone, and the form that adds one. */
export function RealBoards({
  shelf,
  judged,
  stepId,
  stepLabel,
  against,
}: {
  shelf: PhotoShelf;
  judged: ZoneJudgement;
  /** the step after which a photo added now belongs */
  stepId: string | null;
  stepLabel: string;
  against: string | null;
}) {
  const { plan, token } = useJob();
  const [params] = useSearchParams();
  const navigation = useNavigation();
  const result = useActionData() as Partial<PhotoResult> | undefined;
  const sending = navigation.state !== "idle" && navigation.formData?.get("do") === "add photo";
  const here = shelf.photos.filter((photo) => photo.zoneId === judged.zone.id);
  return (
    <section aria-label="Real boards" className="border-t border-line pt-3">
      <h2 className="text-lg">Real boards</h2>
      {here.length > 0 && (
        <ul className="mt-2 flex flex-wrap gap-2">
          {here.map((photo) => {
            const chosen = against === `photo:${photo.id}`;
            return (
              <li key={photo.id} className="w-[118px]">
                <Link
                  to={boardAddress(params, { against: chosen ? null : `photo:${photo.id}` })}
                  replace
                  preventScrollReset
                  aria-current={chosen ? "true" : undefined}
                  className={`block rounded-std border-2 ${chosen ? "border-verdigris" : "border-line hover:border-edge"}`}
                >
                  <img
                    src={`/jobs/${plan.id}/photos/${photo.id}`}
                    alt={photo.note || "Real board"}
                    width={118}
                    height={79}
                    loading="lazy"
                    className="h-[79px] w-full object-cover"
                  />
                </Link>
                <p className="truncate text-note" title={photo.note}>
                  {photo.note || "no note"}
                </p>
                <Form method="post" encType="multipart/form-data" preventScrollReset>
                  <input type="hidden" name="do" value="remove photo" />
                  <input type="hidden" name="photo" value={photo.id} />
                  <button className="link text-note text-soft" aria-label={`Remove: ${photo.note || "real board"}`}>
                    Remove
                  </button>
                </Form>
              </li>
            );
          })}
        </ul>
      )}
      {here.length === 0 && (
        <p className="mt-1 text-note text-soft">
          None yet. Photograph the real board flat, in even daylight, with something white in the picture.
        </p>
      )}
      {shelf.removed && (
        <Form method="post" encType="multipart/form-data" preventScrollReset className="mt-1 text-note text-soft">
          <input type="hidden" name="do" value="restore photo" />
          <input type="hidden" name="photo" value={shelf.removed.id} />
          Removed: {shelf.removed.note || "a photo"}. <button className="link font-semibold text-ink">Restore</button>
        </Form>
      )}
      <Form
        key={here.length}
        method="post"
        encType="multipart/form-data"
        preventScrollReset
        className="mt-2 flex flex-col gap-2"
        aria-label="Add a photo of a real board"
      >
        <input type="hidden" name="do" value="add photo" />
        <input type="hidden" name="zone" value={judged.zone.id} />
        <input type="hidden" name="step" value={stepId ?? ""} />
        <input type="hidden" name="edit" value={`${token}-photo-${here.length}`} />
        <PhotoField label="Photo" />
        <div className="flex items-end gap-2">
          <label className="min-w-0 flex-1">
            <span className="mb-0.5 block text-note text-soft">Note: where it differs</span>
            <input
              type="text"
              name="note"
              maxLength={200}
              className="field"
              defaultValue={`After ${stepLabel.toLowerCase()}`}
            />
          </label>
          <button className="button" disabled={sending}>
            {sending ? "Adding …" : "Add photo"}
          </button>
        </div>
        {result?.photoFault && (
          <p role="alert" className="border-l-4 border-l-ochre bg-board px-3 py-2 text-ochre">
            {result.photoFault}
          </p>
        )}
      </Form>
    </section>
  );
}
