import { Link } from "react-router";
import type { BenchTask } from "#core/ledger/bench";
import { TROUBLES, type Trouble } from "#core/ledger/event";
import { likelyTroubles, TROUBLE_WORDS, waysOn } from "#core/ledger/trouble";
import type { Plan } from "#core/plan/plan";
import { sayDuration } from "#core/units/duration";
import { SEVERITY_WORDS, SeamMark } from "~/drawing/severity";
import { LogForm } from "./log-press";

/** What went wrong, and from there the ways on, each checked. */
export function TroubleView({
  task,
  plan,
  wall,
  chosen,
  linkTo,
  back,
}: {
  task: BenchTask;
  plan: Plan;
  wall: number;
  chosen: Trouble | null;
  linkTo: (trouble: Trouble) => string;
  back: () => void;
}) {
  const material = plan.pinned.materials.find(({ id }) => id === task.materialId) ?? null;
  const step = plan.crusts.flatMap(({ steps }) => steps).find(({ id }) => id === task.stepId);
  const likely = likelyTroubles(material, step?.how ?? "");
  const all = [...likely, ...TROUBLES.filter((trouble) => !likely.includes(trouble))];
  if (chosen === null)
    return (
      <section aria-label="Something is wrong">
        <h1 className="bench-title">What is wrong?</h1>
        <p className="bench-how">
          {task.card.title}, {task.zones.join(", ").toLowerCase()}
        </p>
        <ul className="bench-choices">
          {all.map((trouble) => (
            <li key={trouble}>
              <Link to={linkTo(trouble)} className="bench-press">
                {TROUBLE_WORDS[trouble]}
              </Link>
            </li>
          ))}
        </ul>
      </section>
    );
  const zoneIds = [...new Set(task.on.map(({ zoneId }) => zoneId))];
  const ways = waysOn(plan, { zoneIds, phaseId: task.phaseId, trouble: chosen, now: Math.floor(wall) });
  const about = { planId: task.planId, on: task.on };
  return (
    <section aria-label={TROUBLE_WORDS[chosen]}>
      <h1 className="bench-title">{TROUBLE_WORDS[chosen]}</h1>
      <p className="bench-how">
        {task.card.title}, {task.zones.join(", ").toLowerCase()}. Each way is tried on the surface as it is before it is
        offered.
      </p>
      <ul className="bench-ways">
        {ways.map((way) => (
          <li key={way.id}>
            <div>
              <h2>{way.label}</h2>
              <p>{way.says}</p>
              <p className="bench-costs">
                {way.costs > 0 ? `${sayDuration(way.costs)} later` : "costs no time"}
                {way.look ? ` · ${way.look}` : way.commands.length > 0 ? " · the look stays" : ""}
              </p>
              {way.severity && way.warning && (
                <p className={`flex items-center gap-2 ${SEVERITY_WORDS[way.severity].text}`}>
                  <SeamMark severity={way.severity} width={22} /> {way.warning}
                </p>
              )}
            </div>
            <LogForm about={about} kind="trouble" fields={{ trouble: chosen, way: way.id }} onLogged={back}>
              <button className="bench-press">Do this</button>
            </LogForm>
          </li>
        ))}
      </ul>
      <LogForm about={about} kind="trouble" fields={{ trouble: chosen }} onLogged={back} className="mt-6">
        <button className="bench-press">None of these: only write it down</button>
      </LogForm>
    </section>
  );
}
