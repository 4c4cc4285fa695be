import { Plus } from "lucide-react";
import { useEffect } from "react";
import { Form, Link, useNavigation, useRevalidator } from "react-router";
import { Empty } from "~/jobs/empty-shop";
import { Finder, jobsAddress } from "~/jobs/finder";
import { ImportForm } from "~/jobs/import-form";
import { JobLine } from "~/jobs/job-line";
import { Brand } from "~/parts/brand";
import { Term } from "~/parts/term";
import { PlanNotice } from "~/plan-of-work/plan-notice";
import { useFreshPage, useStanding } from "~/plan-of-work/use-standing";
import { countOf } from "~/words/amount";
import type { Route } from "../routes/+types/jobs";

const HEADINGS = ["", "Job", "Seams", "Begins", "Leaves", "Full use", "Due", ""];

const LOOK_AGAIN_MILLISECONDS = 1500;

/** Loads the list again as long as something on it is being worked out. */
function useLookAgain(pending: boolean) {
  const { revalidate, state } = useRevalidator();
  useEffect(() => {
    if (!pending || state !== "idle") return;
    const timer = setTimeout(() => void revalidate(), LOOK_AGAIN_MILLISECONDS);
    return () => clearTimeout(timer);
  }, [pending, state, revalidate]);
}

export default function Jobs({ loaderData, actionData }: Route.ComponentProps) {
  const { jobs, page, pages, away, others, dates, removed, token, wanted } = loaderData;
  const { known, ask } = useStanding({ standing: loaderData.standing }, "/plan-of-work", 0);
  useFreshPage(known.standing);
  const pageLink = (to: number) => jobsAddress({ ...wanted, away, page: to });
  const isSought = Boolean(wanted.text || wanted.state || wanted.client);
  const isFirst = jobs.length === 0 && page === 0 && !isSought && !away && others === 0;
  const busy = useNavigation().formData?.get("do") === "import";
  useLookAgain(jobs.some(({ pending }) => pending));
  return (
    <div className="mx-auto flex min-h-screen max-w-[1240px] flex-col px-8 py-5 max-sm:px-4 max-sm:py-3">
      <header className="jobs-head">
        <Brand />
        <span className="flex-1" />
        <Link to="/bench" className="button">
          Bench
        </Link>
        <Link to="/days" className="button">
          Shop calendar
        </Link>
        <Link to="/shelf" className="button">
          Shelf
        </Link>
        <Link to="/train" className="button">
          Trainer
        </Link>
        <Link to="/find" className="button">
          Past work
        </Link>
        <Link to="/shop" className="button">
          Hours and painters
        </Link>
        <Link to="/jobs/new" className="button button-main">
          <Plus size={16} strokeWidth={1.75} aria-hidden="true" /> New job
        </Link>
      </header>
      <main className="flex-1">
        <div className="mt-5 mb-3 flex flex-wrap items-center gap-x-4 gap-y-2">
          <h1 className="text-2xl">{away ? "Jobs put away" : "Jobs"}</h1>
          {!isFirst && <Finder {...loaderData} />}
          <span className="flex-1" />
          <ImportForm token={token} busy={busy} />
        </div>
        {actionData && (
          <div role="alert" className="mb-4 border-l-4 border-l-ochre bg-board px-4 py-3">
            <p className="font-semibold">
              {actionData.file
                ? `${actionData.file} was not imported. Your jobs are unchanged.`
                : "Nothing was imported."}
            </p>
            <ul className="mt-1">
              {actionData.faults.map(({ where, says }) => (
                <li key={`${where} ${says}`}>
                  {where && <b className="mr-2 font-semibold">{where}:</b>}
                  {says}
                </li>
              ))}
            </ul>
          </div>
        )}
        {jobs.length === 0 && isSought ? (
          <p className="border-l-4 border-l-edge bg-board px-4 py-3">
            No job matches that.{" "}
            <Link to={away ? "/?show=put+away" : "/"} className="link">
              Show all of them
            </Link>
          </p>
        ) : isFirst ? (
          <Empty />
        ) : (
          <table className="jobs-table">
            <thead className="border-b border-line text-left text-note text-soft">
              <tr>
                {HEADINGS.map((heading, index) => (
                  // biome-ignore lint/suspicious/noArrayIndexKey: the headings never change
                  <th key={index} scope="col" className="py-1.5 pr-4 font-normal">
                    {(heading === "Seams" ? <Term of="Seam">{heading}</Term> : heading) || (
                      <span className="sr-only">{index === 0 ? "Crust" : "Export or remove"}</span>
                    )}
                  </th>
                ))}
              </tr>
            </thead>
            <tbody>
              {jobs.map((job) => (
                <JobLine key={job.id} job={job} planned={dates[job.id]} />
              ))}
            </tbody>
          </table>
        )}
        {(others > 0 || away) && (
          <p className="mt-4">
            <Link to={away ? "/" : "/?show=put+away"} className="link text-soft">
              {away ? "Back to the jobs that are not" : `${countOf(others, "job")} put away`}
            </Link>
          </p>
        )}
        {pages > 1 && (
          <nav aria-label="Pages of the list" className="mt-4 flex gap-4">
            {page > 0 && (
              <Link to={pageLink(page - 1)} className="link">
                Previous
              </Link>
            )}
            <span className="text-soft">
              page {page + 1} of {pages}
            </span>
            {page < pages - 1 && (
              <Link to={pageLink(page + 1)} className="link">
                Next
              </Link>
            )}
          </nav>
        )}
      </main>
      {removed.length > 0 && (
        <details className="mt-8 border-t border-line pt-3">
          <summary className="text-soft">{countOf(removed.length, "removed job")}</summary>
          <ul className="mt-2">
            {removed.map((job) => (
              <li key={job.id} className="flex items-center gap-3 py-1">
                <span className="w-64 truncate">{job.title}</span>
                <Form method="post">
                  <input type="hidden" name="planId" value={job.id} />
                  <button name="do" value="restore" className="button">
                    Restore
                  </button>
                </Form>
              </li>
            ))}
          </ul>
        </details>
      )}
      <PlanNotice standing={known.standing} ask={ask} />
    </div>
  );
}
