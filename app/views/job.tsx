import { useEffect, useMemo, useState } from "react";
import { Outlet, PrefetchPageLinks, useLoaderData } from "react-router";
import { JobEditorProvider } from "~/editor/job-editor";
import { planOfText } from "~/editor/plan-text";
import { unpacked } from "~/first/packed";
import { JobFrame } from "~/parts/job-frame";
import { VIEWS } from "~/parts/views";
import type { loader } from "~/routes/job";

const QUIET_MILLISECONDS = 1200;

/** When the page has nothing else to do: whoever edits meanwhile goes first. */
const idle = () =>
  new Promise<void>((resolve) => {
    if ("requestIdleCallback" in window) requestIdleCallback(() => resolve(), { timeout: 3000 });
    else setTimeout(resolve, 100);
  });

/** Loads the other views while the page is idle, one after another, so that they also open when the server does not answer. */
function OtherViews({ planId }: { planId: string }) {
  const [asked, setAsked] = useState(0);
  useEffect(() => {
    let over = false;
    const loadAll = async () => {
      for (const load of Object.values(import.meta.glob("./*.tsx"))) {
        await idle();
        if (over) return;
        await load().catch(() => undefined);
      }
      for (const index of VIEWS.keys()) {
        await idle();
        if (over) return;
        setAsked(index + 1);
      }
    };
    const timer = setTimeout(loadAll, QUIET_MILLISECONDS);
    return () => {
      over = true;
      clearTimeout(timer);
    };
  }, []);
  return VIEWS.slice(0, asked).map(({ path }) => <PrefetchPageLinks key={path} page={`/jobs/${planId}/${path}`} />);
}

/** A job, within which its views are. */
export default function JobView() {
  const { text, saved, plans, token } = useLoaderData<typeof loader>();
  const standing = useMemo(() => unpacked(plans), [plans]);
  const job = useMemo(() => ({ plan: planOfText(text), ...saved }), [text, saved]);
  return (
    <JobEditorProvider key={job.plan.id} job={job} token={token} plans={standing}>
      <JobFrame>
        <Outlet />
      </JobFrame>
      <OtherViews planId={job.plan.id} />
    </JobEditorProvider>
  );
}
