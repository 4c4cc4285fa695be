import { FileDown, Plus, Trash2 } from "lucide-react";
import { useEffect, useState } from "react";
import { Form, Link, useNavigate, useNavigation, useRevalidator } from "react-router";
import { pictureOf } from "#core/finishes/picture";
import { JOB_STATES, type JobState } from "#core/plan/plan";
import { readWallTime, sayWallTime } from "#core/units/wall-time";
import { sayDate } from "#core/units/when";
import type { JobRow } from "#db/plans";
import type { Worked } from "#db/summary";
import { CrustStrip } from "~/drawing/crust-strip";
import { SEVERITY_WORDS, SeamMark } from "~/drawing/severity";
import type { JobDates } from "~/http/plan-of-work.server";
import { Brand } from "~/parts/brand";
import { MOST_LETTERS } from "~/parts/jobs-search";
import { Term } from "~/parts/term";
import { PlanNotice } from "~/plan-of-work/plan-notice";
import { useFreshPage, useStanding } from "~/plan-of-work/use-standing";
import { countOf } from "~/words/amount";
import type { Route } from "../routes/+types/jobs";

/** What is known so far of a job whose verdicts are of an earlier version, or not known at all. */
function Pending({ trouble }: { trouble: string | null }) {
  if (trouble) return <span className="block max-w-72 text-note font-normal text-ochre">{trouble}</span>;
  return (
    <span className="text-note text-soft" role="status">
      working it out …
    </span>
  );
}

function Verdict({ worked, clashes }: { worked: Worked; clashes: number }) {
  const { counts } = worked;
  const parts = (["stop", "caution"] as const).filter((severity) => counts[severity] > 0);
  if (parts.length === 0 && clashes === 0)
    return (
      <span className="flex items-center gap-2">
        <SeamMark severity="none" width={40} /> sound
      </span>
    );
  return (
    <span className="flex flex-col gap-0.5">
      {parts.map((severity) => (
        <span key={severity} className={`flex items-center gap-2 font-semibold ${SEVERITY_WORDS[severity].text}`}>
          <SeamMark severity={severity} width={40} />
          {countOf(counts[severity], SEVERITY_WORDS[severity].one)}
        </span>
      ))}
      {clashes > 0 && <span className="text-note text-ochre">{countOf(clashes, "clash", "clashes")}</span>}
    </span>
  );
}

function Due({ due: text, leaves }: { due: string | null; leaves: number | null }) {
  const due = text === null ? null : readWallTime(text);
  if (due === null) return <span className="text-soft">–</span>;
  const late = leaves !== null && leaves > due;
  return (
    <span>
      {sayDate(due)}
      {late && <span className="block text-note font-semibold text-ochre">leaves too late</span>}
    </span>
  );
}

/** When it leaves by the plan of work: what is only an idea could, and what was changed since is planned again. */
function LeavesOn({ planned, starts }: { planned: JobDates | undefined; starts: number | undefined }) {
  if (!planned?.dates) return null;
  const { dates, isKept, edited } = planned;
  return (
    <span data-leaves={sayWallTime(dates.leaves)}>
      <b className={isKept ? "font-semibold" : "font-normal"}>{sayDate(dates.leaves, starts)}</b>
      {!isKept && <span className="block text-note text-soft">if you take it on</span>}
      {edited && <span className="block text-note text-soft">before the last edits</span>}
    </span>
  );
}

function JobLine({ job, planned }: { job: JobRow; planned: JobDates | undefined }) {
  const { summary, pending, state } = job;
  const known = summary?.known;
  const worked = summary?.worked ?? null;
  const starts = known ? (readWallTime(known.start) ?? undefined) : undefined;
  const dates = planned?.dates ?? null;
  return (
    <tr className="group border-b border-hair hover:bg-board" data-job={job.id}>
      <td className="job-look">
        {job.look !== null ? (
          <img
            src={`/jobs/${job.id}/look.png?version=${job.look}`}
            alt=""
            width={108}
            height={72}
            loading="lazy"
            className="aspect-[3/2] w-[108px] rounded-std border border-line object-cover"
          />
        ) : (
          <CrustStrip layers={worked?.strip ?? []} seed={job.id} />
        )}
      </td>
      <th scope="row" className="job-name">
        <Link to={`/jobs/${job.id}/crust`} className="font-head text-lg leading-tight font-semibold hover:underline">
          {job.title}
        </Link>
        <span className="block text-note font-normal text-soft">
          {[
            state === "idea" ? "an idea" : state,
            job.client,
            known?.pieces.filter((piece) => piece !== job.title).join(", "),
            known && countOf(known.zones, "zone"),
          ]
            .filter(Boolean)
            .join(" · ")}
        </span>
      </th>
      <td className="py-2.5 pr-4" data-head="Seams">
        {worked && <Verdict worked={worked} clashes={planned?.clashes ?? 0} />}
        {(pending || summary?.trouble) && <Pending trouble={pending ? null : (summary?.trouble ?? null)} />}
      </td>
      <td className="py-2.5 pr-4 whitespace-nowrap" data-head="Begins">
        {worked?.phases === 0 ? (
          <span className="text-soft">no steps yet</span>
        ) : (
          sayDate(planned?.begins ?? starts ?? 0)
        )}
      </td>
      <td className="py-2.5 pr-4 whitespace-nowrap" data-head="Leaves">
        <LeavesOn planned={planned} starts={starts} />
      </td>
      <td className="py-2.5 pr-4 whitespace-nowrap" data-head="Full use">
        {dates && sayDate(dates.fullUse, starts)}
      </td>
      <td className="py-2.5 pr-4 whitespace-nowrap" data-head="Due">
        <Due due={known?.due ?? null} leaves={dates?.leaves ?? null} />
      </td>
      <td className="py-2.5 pr-2">
        <div className="flex justify-end gap-1">
          <a
            href={`/jobs/${job.id}/export${summary?.trouble ? "?as=stored" : ""}`}
            download
            className="flex size-8 items-center justify-center rounded-std text-soft hover:bg-wash hover:text-ink"
            aria-label={`Export ${job.title}`}
            title="Export as a crust file"
          >
            <FileDown size={16} strokeWidth={1.5} aria-hidden="true" />
          </a>
          <Form method="post">
            <input type="hidden" name="planId" value={job.id} />
            <button
              name="do"
              value="remove"
              className="flex size-8 items-center justify-center rounded-std text-soft hover:bg-wash hover:text-ink"
              aria-label={`Remove ${job.title}`}
              title="Remove; you can restore it below"
            >
              <Trash2 size={16} strokeWidth={1.5} aria-hidden="true" />
            </button>
          </Form>
        </div>
      </td>
    </tr>
  );
}

/** Before there is a job: what this is, in one picture of it, and the first press. */
function Empty() {
  return (
    <section className="mt-8 grid items-center gap-x-10 gap-y-6 lg:grid-cols-[minmax(0,640px)_minmax(0,1fr)]">
      <figure className="m-0 flex border border-line bg-board">
        <div className="shrink-0 self-stretch overflow-hidden border-r border-line">
          <CrustStrip
            layers={[
              { colour: "#b98a58", hides: 1 },
              { colour: "#e9e5da", hides: 1 },
              { colour: "#442b1a", hides: 1 },
              { colour: "#a0bfb0", hides: 1 },
              { colour: "#b9c7b4", hides: 0.3 },
            ]}
            seed="empty"
            width={170}
            height={314}
          />
        </div>
        <img
          src={pictureOf({ id: "worn-to-dark" }, "carved")}
          width={480}
          height={320}
          alt="A carved board in pale green paint, worn through to the dark under-coat at its edges: what these layers make of it."
          className="min-w-0 flex-1 object-cover"
        />
      </figure>
      <div className="max-w-md">
        <p className="kicker text-soft">No jobs yet</p>
        <h2 className="text-2xl">An aged finish, planned from the ground up</h2>
        <p className="mt-2 text-base">
          Say what the piece is and what it should look like. You get its layers, every seam between them checked, the
          board they make, the days it takes and what to buy.
        </p>
        <p className="mt-4">
          <Link to="/jobs/new" className="button button-main px-5 text-base">
            Start the first job
          </Link>
        </p>
      </div>
    </section>
  );
}

interface JobsAsked {
  text: string;
  state: JobState | null;
  client: string | null;
  away?: boolean;
  page?: number;
}

/** The address of a list of jobs. */
function jobsAddress({ text, state, client, away = false, page = 0 }: JobsAsked): string {
  const params = new URLSearchParams({
    ...(away ? { show: "put away" } : {}),
    ...(text ? { q: text } : {}),
    ...(state ? { state } : {}),
    ...(client ? { client } : {}),
    ...(page > 0 ? { page: String(page) } : {}),
  });
  return params.size > 0 ? `/?${params}` : "/";
}

/** Looks for jobs by letters, state and client; what is chosen stands in the address. */
function Finder({ wanted, states, clients, away }: Route.ComponentProps["loaderData"]) {
  const navigate = useNavigate();
  const there = JOB_STATES.filter((state) => (states[state] ?? 0) > 0);
  return (
    <>
      <Form method="get" className="flex flex-wrap items-center gap-2" role="search" key={JSON.stringify(wanted)}>
        {away && <input type="hidden" name="show" value="put away" />}
        {wanted.state && <input type="hidden" name="state" value={wanted.state} />}
        <input
          type="search"
          name="q"
          aria-label="Find a job or a client"
          placeholder="Find a job or a client"
          defaultValue={wanted.text}
          maxLength={MOST_LETTERS}
          className="field !w-56"
        />
        {clients.length > 1 && (
          <select
            name="client"
            aria-label="Client"
            defaultValue={wanted.client ?? ""}
            className="field !w-44"
            onChange={(event) => {
              const form = event.currentTarget.form;
              if (form) navigate(`/?${new URLSearchParams(new FormData(form) as unknown as Record<string, string>)}`);
            }}
          >
            <option value="">all clients</option>
            {clients.map((client) => (
              <option key={client} value={client}>
                {client}
              </option>
            ))}
          </select>
        )}
        <button className="button">Find</button>
      </Form>
      {!away && there.length > 1 && (
        <nav aria-label="Jobs by state" className="flex flex-wrap gap-1.5">
          <Link
            to={jobsAddress({ ...wanted, state: null })}
            className="chip"
            aria-current={wanted.state === null ? "true" : undefined}
          >
            all
          </Link>
          {there.map((state) => (
            <Link
              key={state}
              to={jobsAddress({ ...wanted, state })}
              className="chip"
              aria-current={wanted.state === state ? "true" : undefined}
            >
              {state === "idea" ? "ideas" : state} <span className="chip-count">{states[state]}</span>
            </Link>
          ))}
        </nav>
      )}
    </>
  );
}

/** Brings in a job, or a whole shop, from a file. */
function ImportForm({ token, busy }: { token: string; busy: boolean }) {
  const [chosen, setChosen] = useState("");
  return (
    <Form
      method="post"
      encType="multipart/form-data"
      className="flex items-center gap-2"
      aria-label="Import a crust file"
    >
      <input type="hidden" name="token" value={token} />
      <label className="file-choice button">
        <span className="max-w-40 truncate">{chosen || "Choose a file"}</span>
        <input
          type="file"
          name="file"
          accept=".json,.zip,application/json,application/zip"
          aria-label="Crust file"
          onChange={({ target }) => setChosen(target.files?.[0]?.name ?? "")}
        />
      </label>
      <button name="do" value="import" className="button" disabled={busy}>
        {busy ? "Reading …" : "Import"}
      </button>
    </Form>
  );
}

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
      <PlanNotice standing={known.standing} ask={ask} />
      <main className="flex-1">
        <div className="mt-5 mb-3 flex flex-wrap items-end gap-x-4 gap-y-2">
          <h1 className="text-2xl">{away ? "Jobs put away" : "Jobs"}</h1>
          <Finder {...loaderData} />
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
        {jobs.length === 0 && (wanted.text || wanted.state || wanted.client) ? (
          <p className="border-l-4 border-l-edge bg-board px-4 py-3">
            No job answers to that.{" "}
            <Link to={away ? "/?show=put+away" : "/"} className="link">
              Show all of them
            </Link>
          </p>
        ) : jobs.length === 0 && page === 0 && !away && others === 0 ? (
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
    </div>
  );
}
