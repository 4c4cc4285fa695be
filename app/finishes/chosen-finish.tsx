import { Form, Link } from "react-router";
import type { Dressed } from "#core/finishes/dress";
import type { FinishFacts } from "#core/finishes/facts";
import type { Finish } from "#core/finishes/finish";
import { SCHOOLS } from "#core/plan/house-rules";
import { capital, groundNamed } from "#core/rules/words";
import { sayDuration } from "#core/units/duration";
import { sayDate } from "#core/units/when";
import { Elevation } from "~/drawing/elevation";
import { needOf } from "~/shelf/supply-words";
import { countOf } from "~/words/amount";
import type { Voice } from "~/words/measures";

interface Props {
  finish: Finish;
  variant: string | undefined;
  dressed: Dressed;
  facts: FinishFacts;
  voice: Voice;
  piece: string;
  linkTo: (change: Record<string, string | null>) => string;
  /** hidden fields of the form that lays it */
  form: Readonly<Record<string, string>>;
  busy: boolean;
  /** the planner, with what this finish shows as its wishes */
  lookLink: string;
}

const WIDE = 300;
const TALL = 200;

/** What each ground of the piece asks for, in the words of its steps. */
function groundsIn({ crusts }: Dressed): string[] {
  return crusts.flatMap(({ zones, built }) => {
    const reasons = built.crust.steps.map(({ id }) => built.reasons.get(id));
    const whys = reasons.flatMap((reason) => (reason?.move === "Prepare the ground" ? [reason.why] : []));
    return whys.length > 0 ? [`${capital(groundNamed(zones[0]!.ground))}: ${whys.join(" ")}`] : [];
  });
}

/** The finish that is chosen, on this piece: how it looks there, what it takes, what to mind, and the press that lays it. */
export function ChosenFinish({ finish, variant, dressed, facts, voice, piece, linkTo, form, busy, lookLink }: Props) {
  const judged = dressed.crusts.flatMap(({ zones, built }) =>
    zones.map((zone) => ({ ...built.judged, zone: { ...zone } })),
  );
  const zones = judged.map(({ zone }) => zone);
  const grounds = [...new Set(groundsIn(dressed))];
  const holds = facts.stops.length === 0;
  return (
    <aside className="finish-chosen" aria-label={`Chosen: ${finish.name}`}>
      <p className="kicker text-soft">on your {piece}</p>
      <h2 className="text-view">{finish.name}</h2>
      <div className="finish-piece">
        <Elevation zones={zones} judged={judged} width={WIDE} height={TALL} />
      </div>
      <p>{finish.is}</p>
      <p className="mt-1 text-soft">{finish.suits}</p>
      {finish.variants.length > 0 && (
        <nav aria-label="Colours" className="mt-2 flex flex-wrap gap-1.5">
          {[{ id: "", name: "as shown" }, ...finish.variants].map(({ id, name }) => (
            <Link
              key={id}
              to={linkTo({ variant: id || null })}
              replace
              preventScrollReset
              className="chip"
              aria-current={(variant ?? "") === id ? "true" : undefined}
            >
              {name}
            </Link>
          ))}
        </nav>
      )}
      <Form method="post" className="mt-3 flex flex-wrap gap-2">
        {Object.entries(form).map(([name, value]) => (
          <input key={name} type="hidden" name={name} value={value} />
        ))}
        <button className="button button-main px-5" disabled={busy}>
          {busy ? "Laying it …" : "Use it"}
        </button>
        <Link className="button" to={lookLink}>
          Change the look
        </Link>
      </Form>
      <dl className="finish-facts">
        <dt>Steps</dt>
        <dd>
          {facts.steps}, of them {countOf(facts.coats, "coat")}
        </dd>
        <dt>Hands-on</dt>
        <dd>{sayDuration(facts.handsOn)}</dd>
        <dt>Leaves</dt>
        <dd>
          <b className="font-semibold">{facts.leaves === null ? "no date yet" : sayDate(facts.leaves)}</b>
        </dd>
        <dt>Buy</dt>
        <dd>
          {facts.buy.length === 0
            ? "nothing, it is all on the shelf"
            : facts.buy
                .map(
                  (line) =>
                    `${line.name.toLowerCase()}, ${needOf({ unit: line.unit, consumable: null }, line.missing, voice)}`,
                )
                .join("; ")}
        </dd>
        {grounds.length > 0 && (
          <>
            <dt>Ground</dt>
            <dd>
              {grounds.map((says) => (
                <p key={says}>{says}</p>
              ))}
            </dd>
          </>
        )}
        {facts.repairs.length > 0 && (
          <>
            <dt>Added</dt>
            <dd>{facts.repairs.join("; ")}</dd>
          </>
        )}
        <dt>Mind</dt>
        <dd>{finish.pitfalls[0]}</dd>
      </dl>
      {!holds && (
        <p className="mt-2 border-l-4 border-l-ochre pl-3 font-medium text-ochre">
          Stop: {facts.stops.join("; ")}. You can lay it and settle that in the crust.
        </p>
      )}
      {finish.schools.length > 0 && (
        <ul className="mt-3 text-note text-soft">
          {finish.schools.map(({ rule, says }) => (
            <li key={rule}>
              <b className="font-semibold">{SCHOOLS[rule].title}.</b> {says}
            </li>
          ))}
        </ul>
      )}
    </aside>
  );
}
