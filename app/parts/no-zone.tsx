import { Link } from "react-router";
import { useJob } from "~/editor/job-editor";

/** What a view shows for a job without a zone: what is missing, and the way there. */
export function NoZone({ says }: { says: string }) {
  const { plan } = useJob();
  return (
    <div className="flex h-full flex-col items-center justify-center gap-3">
      <h1 className="text-view">{says}</h1>
      <Link to={`/jobs/${plan.id}/piece`} className="button button-main">
        Measure the piece
      </Link>
    </div>
  );
}
