import { useLoaderData, useSearchParams } from "react-router";
import type { PhotoShelf } from "#db/photos";
import { useJob } from "~/editor/job-editor";
import { NoPhoto } from "~/photo/add-photo";
import { Marking } from "~/photo/marking";
import { OnIt } from "~/photo/on-it";
import { viewOf } from "~/photo/view-of";

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
