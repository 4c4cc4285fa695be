import { FileDown, Trash2 } from "lucide-react";
import { Form, Link } from "react-router";
import { readWallTime, sayWallTime } from "#core/units/wall-time";
import { sayDate } from "#core/units/when";
import type { JobRow } from "#db/plans";
import type { Worked } from "#db/summary";
import { CrustStrip } from "~/drawing/crust-strip";
import { SEVERITY_WORDS, SeamMark } from "~/drawing/severity";
import type { JobDates } from "~/http/plan-of-work.server";
import { countOf } from "~/words/amount";

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

export function JobLine({ job, planned }: { job: JobRow; planned: JobDates | undefined }) {
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
            known && countOf(known.zones, "zone").replace(" ", "\u00a0"),
          ]
            .filter(Boolean)
            .join(" · ")}
        </span>
      </th>
      <td className="pr-4" data-head="Seams">
        {worked && <Verdict worked={worked} clashes={planned?.clashes ?? 0} />}
        {(pending || summary?.trouble) && <Pending trouble={pending ? null : (summary?.trouble ?? null)} />}
      </td>
      <td className="pr-4 whitespace-nowrap" data-head="Begins">
        {worked?.phases === 0 ? (
          <span className="text-soft">no steps yet</span>
        ) : (
          sayDate(planned?.begins ?? starts ?? 0)
        )}
      </td>
      <td className="pr-4 whitespace-nowrap" data-head="Leaves">
        {state === "finished" && !dates ? (
          <span className="text-soft">finished</span>
        ) : (
          <LeavesOn planned={planned} starts={starts} />
        )}
      </td>
      <td className="pr-4 whitespace-nowrap" data-head="Full use">
        {dates && sayDate(dates.fullUse, starts)}
      </td>
      <td className="pr-4 whitespace-nowrap" data-head="Due">
        <Due due={known?.due ?? null} leaves={dates?.leaves ?? null} />
      </td>
      <td className="job-doing pr-2">
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
