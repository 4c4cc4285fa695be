import type { ReactNode } from "react";
import { Link } from "react-router";
import type { BenchTask } from "#core/ledger/bench";
import { LogForm } from "~/bench/log-press";
import { sayAt, whenWords } from "~/bench/task-words";
import type { BenchView } from "~/bench/use-bench";
import { taskLink } from "./head";

/** The colour of what goes on; nothing where nothing does. */
const Dab = ({ colour }: { colour: string | null }) => (
  <span
    className="bench-dab"
    data-empty={colour === null || undefined}
    style={{ background: colour ?? "none" }}
    aria-hidden="true"
  />
);

export function After({
  view,
  current,
  children,
}: {
  view: BenchView;
  current: BenchTask | null;
  children: ReactNode;
}) {
  const { bench, wall } = view;
  const others = [...bench.inHand, ...bench.next].filter(({ id }) => id !== current?.id);
  const shown = others.slice(0, MOST_AFTER);
  return (
    <aside className="bench-after" aria-label="What comes after">
      {shown.length > 0 && (
        <section>
          <h2>After this</h2>
          <ul>
            {shown.map((task) => (
              <li key={task.id}>
                <Link to={taskLink(task)}>
                  <Dab colour={task.colour} />
                  <span className="min-w-0 grow">
                    {task.zones.join(", ")}: {task.card.title.charAt(0).toLowerCase() + task.card.title.slice(1)}
                    <small>
                      {task.begun === null ? whenWords(task, wall) : "in hand"} · {task.job.toLowerCase()}
                    </small>
                  </span>
                  {task.starts !== null && (
                    <time>{task.starts < wall ? `since ${sayAt(task.starts, wall)}` : sayAt(task.starts, wall)}</time>
                  )}
                </Link>
              </li>
            ))}
          </ul>
          {others.length > shown.length && <p className="text-soft">and {others.length - shown.length} more to come</p>}
        </section>
      )}
      {bench.drying.length > 0 && (
        <section>
          <h2>Drying</h2>
          <ul>
            {bench.drying.slice(0, MOST_AFTER).map((drying) => (
              <li key={`${drying.planId} ${drying.countdown.zoneId}`}>
                <span>
                  <Dab colour={drying.colour} />
                  <span className="min-w-0 grow">
                    {drying.zone}: {drying.countdown.film.toLowerCase()}
                    <small>
                      {drying.countdown.opens > wall
                        ? `ready for ${drying.waits.toLowerCase()}`
                        : `window shuts, then ${drying.waits.toLowerCase()} is too late`}
                    </small>
                  </span>
                  <time>
                    {sayAt(
                      drying.countdown.opens > wall ? drying.countdown.opens : (drying.countdown.shuts ?? wall),
                      wall,
                    )}
                  </time>
                </span>
              </li>
            ))}
          </ul>
        </section>
      )}
      {bench.handling.length > 0 && (
        <section>
          <h2>Besides</h2>
          <ul>
            {bench.handling.slice(0, 4).map((handling) => (
              <li key={`${handling.planId} ${handling.name}`}>
                <span>
                  <span className="min-w-0 grow">{handling.name}</span>
                  <time>{sayAt(handling.starts, wall)}</time>
                </span>
              </li>
            ))}
          </ul>
        </section>
      )}
      {children}
    </aside>
  );
}

const MOST_AFTER = 4;

/** The presses under a step: what is wrong, a note, and that it is begun or done. */
export function Presses({ task, unread, open }: { task: BenchTask; unread: boolean; open: string | null }) {
  const about = { planId: task.planId, on: task.on };
  if (open)
    return (
      <footer className="bench-foot">
        <Link to={taskLink(task)} className="bench-press">
          Back to the step
        </Link>
        {open !== "next" && (
          <Link to={taskLink(task, "&open=next")} className="bench-press">
            What can go on now?
          </Link>
        )}
      </footer>
    );
  return (
    <footer className="bench-foot">
      <Link to={taskLink(task, "&open=trouble")} className="bench-press">
        Something is wrong
      </Link>
      <Link to={taskLink(task, "&open=note")} className="bench-press">
        Note or photo
      </Link>
      {unread ? (
        <Link
          to={`/jobs/${task.planId}/crust?zone=${task.on[0]!.zoneId}&step=${task.stepId}`}
          className="bench-press"
          data-main=""
        >
          Read the warning first
        </Link>
      ) : task.inspect ? null : (
        <>
          {task.begun === null && (
            <LogForm about={about} kind="start" to={taskLink(task)}>
              <button className="bench-press">Start</button>
            </LogForm>
          )}
          {task.section ? (
            <LogForm
              about={about}
              kind="section"
              fields={{ section: String(task.section.at), of: String(task.section.of) }}
              to="/bench"
            >
              <button className="bench-press" data-main="">
                {task.section.at === task.section.of ? "All sections done" : `Section ${task.section.at} done`}
              </button>
            </LogForm>
          ) : (
            <LogForm about={about} kind="end" to="/bench">
              <button className="bench-press" data-main="">
                Done
              </button>
            </LogForm>
          )}
        </>
      )}
    </footer>
  );
}
