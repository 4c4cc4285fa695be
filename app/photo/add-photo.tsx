import { Form, useActionData, useLoaderData, useNavigation } from "react-router";
import type { PhotoShelf } from "#db/photos";
import { useJob } from "~/editor/job-editor";
import type { PhotoResult } from "~/http/photo-action.server";
import { PhotoField } from "~/parts/photo-field";

export function AddPhoto({ first }: { first: boolean }) {
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

export function Restore() {
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

export function NoPhoto() {
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
