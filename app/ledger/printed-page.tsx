import type { ReactNode } from "react";
import { Link } from "react-router";

/** A page of a job's ledger that is printed or saved as PDF: its kind, the job, the client, and what it says. */
export function PrintedPage({
  planId,
  kind,
  title,
  client,
  children,
}: {
  planId: string;
  /** "Care card" */
  kind: string;
  title: string;
  client: string | null;
  children: ReactNode;
}) {
  return (
    <main className="mx-auto max-w-3xl px-6 py-6 max-sm:px-4 print:p-0">
      <p className="mb-4 flex gap-4 print:hidden">
        <Link className="link" to={`/jobs/${planId}/ledger`}>
          Back to the ledger
        </Link>
        <span className="text-soft">Print it with your browser, or save it as PDF.</span>
      </p>
      <article className="bg-white px-10 py-9 max-sm:px-4 print:p-0" aria-label={kind}>
        <header className="border-b-2 border-ink pb-3">
          <p className="kicker text-[1.0625rem] text-verdigris">{kind.toLowerCase()}</p>
          <h1 className="text-3xl">{title}</h1>
          {client && <p className="mt-1 text-base">For {client}</p>}
        </header>
        {children}
      </article>
    </main>
  );
}
