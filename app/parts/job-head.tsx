import { Link } from "react-router";
import { PageHead } from "./brand";
import { VIEWS, type ViewPath } from "./views";

/** The views that a page by itself leads to. */
const LED_TO: ReadonlySet<ViewPath> = new Set(["piece", "crust", "board", "days", "shelf"]);

/** The head of a job's pages that stand by themselves and fit any screen: its views, and the bench. */
export function JobHead({ planId, title, view }: { planId: string; title: string; view: "ledger" | null }) {
  return (
    <PageHead title={title}>
      <nav aria-label="Views of this job" className="flex max-w-full items-center gap-x-4 overflow-x-auto">
        {VIEWS.filter(({ path }) => LED_TO.has(path)).map(({ path, name }) => (
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
