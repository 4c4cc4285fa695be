import { Form, Link, useNavigate } from "react-router";
import { JOB_STATES, type JobState } from "#core/plan/plan";
import { MOST_LETTERS } from "~/parts/jobs-search";
import type { Route } from "../routes/+types/jobs";

interface JobsAsked {
  text: string;
  state: JobState | null;
  client: string | null;
  away?: boolean;
  page?: number;
}

/** The address of a list of jobs. */
export function jobsAddress({ text, state, client, away = false, page = 0 }: JobsAsked): string {
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
export function Finder({ wanted, states, clients, away }: Route.ComponentProps["loaderData"]) {
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
