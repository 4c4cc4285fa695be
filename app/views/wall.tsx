import { Link } from "react-router";
import { sayWallTime } from "#core/units/wall-time";
import { sayDate } from "#core/units/when";
import type { Route } from "../routes/+types/wall";

/** Rows that fit on one sheet in one column; more go into two. */
const ONE_COLUMN = 26;

/** The days as a list to hang on the wall: one printed page. */
export default function Wall({ loaderData: { id, title, leaves, edited, days } }: Route.ComponentProps) {
  const rows = days.reduce((sum, day) => sum + day.rows.length + 2, 0);
  return (
    <main className="mx-auto max-w-[900px] bg-board p-8 print:max-w-none print:bg-white print:p-0">
      <p className="mb-4 flex gap-4 print:hidden">
        <Link to={`/jobs/${id}/days`} className="link">
          Back to Days
        </Link>
        <button type="button" className="button button-main" onClick={() => window.print()}>
          Print
        </button>
      </p>
      <h1 className="mb-3 text-view print:text-lg">{title}</h1>
      {leaves !== null && (
        <p className="mb-3 print:mb-2" data-leaves={sayWallTime(leaves)}>
          Leaves <b className="font-semibold">{sayDate(leaves)}</b>
          {edited && <span className="text-soft"> · scheduled before the last edits</span>}
        </p>
      )}
      {days.length === 0 && <p className="text-soft">There is no work to list yet.</p>}
      <div
        className={`gap-8 ${rows > ONE_COLUMN ? "columns-2" : ""} ${rows > 2 * ONE_COLUMN ? "text-note print:text-[9px] print:leading-tight" : "print:text-[11px]"}`}
      >
        {days.map((day) => (
          <section key={day.says} className="mb-4">
            <h2 className="break-after-avoid border-b-2 border-ink text-lg print:text-[1.15em]">{day.says}</h2>
            <ol>
              {day.rows.map((row) => (
                <li
                  key={`${row.at} ${row.name} ${row.where}`}
                  className="flex break-inside-avoid gap-3 border-b border-hair py-1"
                >
                  <span className="w-11 shrink-0 font-semibold tabular-nums">{row.at}</span>
                  <span className="min-w-0 flex-1">
                    <b className="font-semibold">{row.name}</b>, {row.where.toLowerCase()}
                    <span className="block text-[0.88em] text-soft">{row.note}</span>
                  </span>
                  <span className="size-4 shrink-0 border border-ink" aria-hidden="true" />
                </li>
              ))}
            </ol>
          </section>
        ))}
      </div>
    </main>
  );
}
