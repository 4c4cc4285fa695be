import { Link } from "react-router";
import { PageHead } from "./brand";

const VIEWS = [
  ["piece", "Piece"],
  ["crust", "Crust"],
  ["board", "Board"],
  ["days", "Days"],
  ["shelf", "Shelf"],
] as const;

/** The head of a job's pages that stand by themselves and fit any screen: its views, and the bench. */
export function JobHead({ planId, title, view }: { planId: string; title: string; view: "ledger" | null }) {
  return (
    <PageHead title={title}>
      <nav aria-label="Views of this job" className="flex max-w-full items-center gap-x-4 overflow-x-auto">
        {VIEWS.map(([path, name]) => (
          <Link key={path} to={`/jobs/${planId}/${path}`} className="job-tab">
            {name}
          </Link>
        ))}
        <Link to="/bench" className="job-tab">
          Bench
        </Link>
        <Link to={`/jobs/${planId}/ledger`} className="job-tab" aria-current={view === "ledger" ? "page" : undefined}>
          Ledger
        </Link>
      </nav>
    </PageHead>
  );
}
