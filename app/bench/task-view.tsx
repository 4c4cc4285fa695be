import { HardHat } from "lucide-react";
import { Link } from "react-router";
import type { BenchTask } from "#core/ledger/bench";
import type { Plan } from "#core/plan/plan";
import { SeamMark } from "~/drawing/severity";
import { LogForm } from "./log-press";
import { Ring } from "./ring";
import { pressing, ringOf } from "./task-words";

/** A hint with the beginning of the stroke in it says it already. */
const SAME = 12;
/** Minutes that a sign is given when it has not come yet. */
const MORE = 10;

/** "85 ml", to what can be poured. */
export const sayMillilitres = (millilitres: number): string =>
  millilitres < 20 ? `${Math.max(1, Math.round(millilitres))} ml` : `${Math.ceil(millilitres / 5) * 5} ml`;

/** The sign that overrules the clock, answered with one press. */
function SignAsked({ task, wall }: { task: BenchTask; wall: number }) {
  const countdown = pressing(task, wall);
  if (!countdown?.question) return null;
  const { question } = countdown;
  const on = task.on.filter(({ zoneId }) => zoneId !== "").map(({ zoneId }) => ({ zoneId, phaseId: countdown.from }));
  const about = { planId: task.planId, on };
  return (
    <section aria-label="The sign that counts" className="bench-asks">
      <p>{question.asks}</p>
      <div>
        <LogForm about={about} kind="sign" fields={{ stage: question.stage, seen: "yes", says: question.seen }}>
          <button className="bench-press">{question.yes}</button>
        </LogForm>
        <LogForm
          about={about}
          kind="sign"
          fields={{ stage: question.stage, seen: "no", more: String(MORE), says: question.was }}
        >
          <button className="bench-press" title={`Asked again in ${MORE} minutes; plans learn from it`}>
            {question.notYet}
            {question.stage === "open" || question.stage === "wet" ? "" : `: ${MORE} more min`}
          </button>
        </LogForm>
      </div>
    </section>
  );
}

function Normal({ task: { card } }: { task: BenchTask }) {
  return (
    <div className="bench-signs">
      {card.normal.length > 0 && (
        <section aria-label="Looks wrong, is normal">
          <h2>Looks wrong, is normal</h2>
          <ul>
            {card.normal.map((says) => (
              <li key={says}>
                <SeamMark severity="none" width={22} /> {says}
              </li>
            ))}
          </ul>
        </section>
      )}
      {card.stop.length > 0 && (
        <section aria-label="Stop if">
          <h2>Stop if</h2>
          <ul>
            {card.stop.map((says) => (
              <li key={says}>
                <SeamMark severity="stop" width={22} /> {says}
              </li>
            ))}
          </ul>
        </section>
      )}
    </div>
  );
}

/** Where an inspection goes on: its answers, or once more from where it is repeated. */
function Decide({ task }: { task: BenchTask }) {
  const { inspect, planId, on } = task;
  if (!inspect) return null;
  const about = { planId, on };
  return (
    <section aria-label="Decide" className="bench-decide">
      <h2>What do you see?</h2>
      <div>
        {inspect.branches?.map(({ id, name }) => (
          <LogForm key={id} about={about} kind="decision" fields={{ branch: id, answer: name }}>
            <button className="bench-press" data-main={id === inspect.expected ? "" : undefined}>
              {name.charAt(0).toUpperCase() + name.slice(1)}
            </button>
          </LogForm>
        ))}
        {inspect.again && (
          <>
            <LogForm about={about} kind="decision" fields={{ again: "no", answer: "enough" }}>
              <button className="bench-press" data-main="">
                It is enough
              </button>
            </LogForm>
            <LogForm about={about} kind="decision" fields={{ again: "yes", answer: "once more" }}>
              <button className="bench-press">Once more</button>
            </LogForm>
          </>
        )}
      </div>
    </section>
  );
}

/** Dangers of a step that have to be read before it is begun, and have not been. */
export const unreadOf = ({ card }: BenchTask, plan: Plan | undefined) =>
  card.cautions.filter(({ danger, mustBeRead }) => mustBeRead && !plan?.acknowledged.includes(danger));

/** One step while hands are wet. */
export function TaskView({ task, wall, now }: { task: BenchTask; wall: number; now: number }) {
  const { card } = task;
  const ring = ringOf(task, wall, now);
  return (
    <article aria-label={card.title}>
      <div className="bench-head">
        <div className="min-w-0">
          <p className="kicker bench-kicker">
            {task.begun === null ? "next" : "now"} · {task.zones.join(", ").toLowerCase()}, {task.piece.toLowerCase()}
          </p>
          <h1 className="bench-title">{card.title}</h1>
          <p className="bench-how">
            {card.tool ? `${card.tool}. ` : ""}
            {card.how}.
          </p>
          {card.stroke && !card.how.toLowerCase().includes(card.stroke.slice(0, SAME)) && (
            <p className="bench-stroke">
              <span>Stroke</span> {card.stroke}
            </p>
          )}
          {task.section && (
            <p className="bench-stroke">
              <span>Section</span> {task.section.at} of {task.section.of}, in one session
              {task.followedBy.length > 0 ? `: then ${task.followedBy.join(", then ").toLowerCase()}` : ""}
            </p>
          )}
          {(task.mix || task.millilitres !== null) && (
            <p className="bench-mix">
              {task.colour && <span className="bench-dab" style={{ background: task.colour }} aria-hidden="true" />}
              <span>
                {task.mix ? <b>{task.mix}</b> : "Straight from the tin"}
                {task.millilitres !== null && <> · about {sayMillilitres(task.millilitres)}</>}
              </span>
              <Link to={`/jobs/${task.planId}/mix-cards`} className="link bench-link">
                Its mix card
              </Link>
            </p>
          )}
          {task.note && <p className="bench-note">{task.note}</p>}
        </div>
        {ring && <Ring {...ring} />}
      </div>
      {card.cautions.length > 0 && (
        <section aria-label="Safety" className="bench-safety">
          <HardHat size={26} strokeWidth={1.5} aria-hidden="true" />
          <ul>
            {card.cautions.map(({ danger, title, says }) => (
              <li key={danger}>
                <b>{title}.</b> {says}
              </li>
            ))}
          </ul>
        </section>
      )}
      <SignAsked task={task} wall={wall} />
      {task.isNext && <Decide task={task} />}
      <Normal task={task} />
    </article>
  );
}
