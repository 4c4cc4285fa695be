import { Link, useLoaderData, useSearchParams } from "react-router";
import type { Photo, PhotoShelf } from "#db/photos";
import { useJob } from "~/editor/job-editor";
import { viewOf } from "./view-of";

/** Which photo it is, and what is done with it: marking it or looking at the finish. */
export function PhotoHead({ photo }: { photo: Photo }) {
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
          {photos.map((other, index) => (
            <Link
              key={other.id}
              to={to({ photo: other.id })}
              replace
              className="chip"
              aria-current={other.id === photo.id ? "true" : undefined}
            >
              {other.note || `Photo ${index + 1}`}
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
