import { useEffect, useMemo, useState } from "react";
import { Outlet, PrefetchPageLinks, useLoaderData } from "react-router";
import { JobEditorProvider } from "~/editor/job-editor";
import { planOfText } from "~/editor/plan-text";
import { unpacked } from "~/first/packed";
import { JobFrame } from "~/parts/job-frame";
import { VIEWS } from "~/parts/views";
import type { loader } from "~/routes/job";

const QUIET_MILLISECONDS = 1200;

/** Loads the other views while the page is idle, so that they also open when the server does not answer. */
function OtherViews({ planId }: { planId: string }) {
  const [quiet, setQuiet] = useState(false);
  useEffect(() => {
    const views = Object.values(import.meta.glob("./*.tsx"));
    const timer = setTimeout(() => {
      setQuiet(true);
      for (const load of views) load().catch(() => undefined);
    }, QUIET_MILLISECONDS);
    return () => clearTimeout(timer);
  }, []);
  if (!quiet) return null;
  return VIEWS.map(({ path }) => <PrefetchPageLinks key={path} page={`/jobs/${planId}/${path}`} />);
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
