import type { ReactNode } from "react";
import { Form } from "react-router";
import type { WorkRef } from "#core/ledger/event";
import { writePlaces } from "~/bench/log-form";

const MOST_ID = 60;

/** A form of the ledger's page that adds a line, and comes back to it. */
export function LedgerForm({
  planId,
  kind,
  line,
  on = [],
  label,
  className,
  children,
}: {
  planId: string;
  kind: string;
  /** the line's id: a form sent twice is one line */
  line: string;
  on?: readonly WorkRef[];
  label: string;
  className?: string;
  children: ReactNode;
}) {
  const here = `/jobs/${planId}/ledger`;
  return (
    <Form method="post" action={here} className={className} reloadDocument aria-label={label}>
      <input type="hidden" name="plan" value={planId} />
      <input type="hidden" name="kind" value={kind} />
      <input type="hidden" name="on" value={writePlaces(on)} />
      <input type="hidden" name="line" value={line.slice(0, MOST_ID)} />
      <input type="hidden" name="to" value={here} />
      {children}
    </Form>
  );
}
