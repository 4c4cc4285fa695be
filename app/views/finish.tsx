import { useMemo } from "react";
import { Link, useActionData, useLoaderData, useNavigation, useSearchParams } from "react-router";
import { panelFor } from "#core/board/board-work";
import { type Dressed, dress, zonesToDress } from "#core/finishes/dress";
import { factsOf, type InShop } from "#core/finishes/facts";
import type { Finish } from "#core/finishes/finish";
import { FINISHES, findFinish } from "#core/finishes/finishes";
import { pictureOf } from "#core/finishes/picture";
import { wishesOf } from "#core/look/seen";
import { CATALOGUE } from "#core/materials/catalogue";
import { zoneArea } from "#core/plan/plan";
import { capital, groundNamed } from "#core/rules/words";
import { shortDuration } from "#core/units/duration";
import { DAY } from "#core/units/units";
import { midnightBefore, readWallTime } from "#core/units/wall-time";
import { sayDate } from "#core/units/when";
import { planOfText } from "~/editor/plan-text";
import { BoardCanvas } from "~/finishes/canvas";
import { ChosenFinish } from "~/finishes/chosen-finish";
import { chipsFor, inGallery, keeps, readFilters } from "~/finishes/filters";
import { shelfIn } from "~/finishes/shelf-in";
import { useFinishes } from "~/finishes/use-finishes";
import { JobHead } from "~/parts/job-head";
import { NewJobHead } from "~/parts/new-job-parts";
import type { action, loader } from "~/routes/finish";
import { voiceOf } from "~/shelf/voice";
import { sayAreaIn } from "~/words/measures";
import { sayRoom } from "~/words/room";

/** Where nothing is due, this long from now is soon. */
const SOON = 14 * DAY;

const DRAWN = 360;

export default function FinishRoute() {
  const { text, version, inShop, token } = useLoaderData<typeof loader>();
  const result = useActionData<typeof action>();
  const busy = useNavigation().state !== "idle";
  const [asked] = useSearchParams();
  const plan = useMemo(() => planOfText(text), [text]);
  const filters = readFilters(asked);
  const zoneIds = useMemo(() => asked.getAll("zone"), [asked]);
  const zones = useMemo(() => zonesToDress(plan, zoneIds), [plan, zoneIds]);
  const largest = zones.toSorted((a, b) => zoneArea(b) - zoneArea(a))[0];
  const panel = largest ? panelFor(largest) : "drawer";
  const order = useMemo(() => inGallery(FINISHES), []);
  const tried = useFinishes({
    text,
    zoneIds: zones.map(({ id }) => id),
    finishIds: order.map(({ id }) => id),
    inShop: inShop as InShop,
    panel,
    width: DRAWN,
  });
  const shown = order.filter((finish) => keeps(filters, finish, tried.facts.get(finish.id)));
  const chosen = findFinish(asked.get("finish") ?? "") ?? shown[0] ?? order[0]!;
  const variant = chosen.variants.find(({ id }) => id === asked.get("variant"))?.id;
  const shelf = useMemo(() => shelfIn(inShop.pots), [inShop.pots]);
  const dressed = useMemo(
    () =>
      zones.length === 0
        ? { refused: "There is no zone to lay it on." }
        : dress(
            plan,
            zones,
            { finish: chosen, ...(variant ? { variant } : {}), ...(shelf ? { shelf } : {}) },
            CATALOGUE,
          ),
    [plan, zones, chosen, variant, shelf],
  );
  const facts = useMemo(() => ("refused" in dressed ? null : factsOf(dressed, inShop as InShop)), [dressed, inShop]);

  const linkTo = (change: Record<string, string | null>) => {
    const next = new URLSearchParams(asked);
    for (const [name, value] of Object.entries(change))
      if (value === null) next.delete(name);
      else next.set(name, value);
    return `?${next}`;
  };
  const due = plan.due === undefined ? null : readWallTime(plan.due);
  const latest = due ?? midnightBefore(inShop.today) + SOON;
  const chips = chipsFor(filters, order, (id) => tried.facts.get(id), {
    day: latest,
    says: `leaves by ${sayDate(latest)}`,
  });
  const suit = order.filter(
    ({ id }) => (tried.facts.get(id)?.stops.length ?? 0) === 0 && !tried.refused.has(id),
  ).length;
  const isNew = plan.crusts.every(({ steps }) => steps.length === 0);
  const area = zones.reduce((sum, zone) => sum + zoneArea(zone), 0);
  const ground = largest ? groundNamed(largest.ground) : "";
  const piece =
    zoneIds.length > 0
      ? zones.map(({ name }) => name.toLowerCase()).join(", ")
      : plan.pieces.map(({ name }) => name.toLowerCase()).join(", ");
  return (
    <div className="finish-page" data-picked={asked.has("finish") ? "" : undefined}>
      {isNew ? <NewJobHead at="Finish" /> : <JobHead planId={plan.id} title={plan.title} view={null} />}
      <main className="finish-main">
        <div className="flex flex-wrap items-baseline justify-between gap-x-4">
          <h1 className="text-[1.5rem]">How should it look when it leaves?</h1>
          <Link className="link" to={`/jobs/${plan.id}/look${largest ? `?zone=${largest.id}` : ""}`}>
            Plan a look yourself
          </Link>
        </div>
        <nav aria-label="Narrow down" className="mt-2 mb-3 flex flex-wrap gap-1.5">
          {chips.map(({ name, param, value, on, left }) => (
            <Link
              key={`${param} ${name}`}
              to={linkTo({ [param]: on ? null : value, finish: null, variant: null })}
              replace
              preventScrollReset
              className="chip"
              aria-current={on ? "true" : undefined}
              data-none={left === 0 && !on ? "" : undefined}
            >
              {name} <span className="chip-count">{left}</span>
            </Link>
          ))}
        </nav>
        {result?.faults && (
          <p role="alert" className="mb-3 border-l-4 border-l-ochre bg-board px-4 py-2.5 font-medium text-ochre">
            {Object.values(result.faults).join(" ")}
          </p>
        )}
        {tried.failed && (
          <p role="alert" className="mb-3 text-ochre">
            The pictures on your piece could not be drawn: {tried.failed}. The sample boards are shown instead.
          </p>
        )}
        {shown.length === 0 && (
          <p className="border border-line bg-board px-4 py-3">
            No finish matches all of that.{" "}
            <Link className="link" to={`?${zoneIds.map((id) => `zone=${id}`).join("&")}`}>
              Show all of them
            </Link>
          </p>
        )}
        <ul className="finish-grid">
          {shown.map((finish) => (
            <FinishCard
              key={finish.id}
              finish={finish}
              facts={tried.facts.get(finish.id)}
              image={tried.pictures.get(finish.id)}
              panel={panel}
              chosen={finish.id === chosen.id}
              to={linkTo({ finish: finish.id, variant: null })}
              piece={piece}
            />
          ))}
        </ul>
      </main>
      {!("refused" in dressed) && facts ? (
        <ChosenFinish
          finish={chosen}
          variant={variant}
          dressed={dressed}
          facts={facts}
          voice={voiceOf(inShop.book)}
          piece={piece}
          linkTo={linkTo}
          busy={busy}
          lookLink={`/jobs/${plan.id}/look?${lookOf(dressed)}`}
          form={{
            do: "lay finish",
            base: String(version),
            edit: `finish-${token}`,
            finish: chosen.id,
            variant: variant ?? "",
            zones: zoneIds.join(" "),
            shelf: [...(shelf ?? [])].join(" "),
          }}
        />
      ) : (
        <aside className="finish-chosen">
          <p className="font-medium text-ochre">{"refused" in dressed ? dressed.refused : ""}</p>
          <Link className="button mt-3" to={`/jobs/${plan.id}/piece`}>
            Go to the piece
          </Link>
        </aside>
      )}
      <footer className="finish-foot">
        <span>
          <b className="font-semibold">{capital(piece)}</b>, {ground}, {sayAreaIn(area, voiceOf(inShop.book))}
        </span>
        <span className="text-soft">{sayRoom(plan.pinned.room)}</span>
        <span className="ml-auto" role="status">
          {tried.busy && tried.facts.size < order.length
            ? `trying them on your piece: ${tried.facts.size} of ${order.length}`
            : `${shown.length} of ${order.length} shown, ${suit} suit it`}
        </span>
        {suit < order.length && (
          <Link to={linkTo({ all: filters.all ? null : "yes" })} replace preventScrollReset className="link">
            {filters.all ? "Only those that suit it" : "Show all"}
          </Link>
        )}
        <Link to={`/jobs/${plan.id}/crust`} className="link">
          {isNew ? "Begin with an empty crust" : "Keep the crust as it is"}
        </Link>
      </footer>
    </div>
  );
}

/** What a finish shows on the largest zone, as the wishes of the planner. */
function lookOf({ crusts }: Dressed): URLSearchParams {
  const { zones, built } = crusts[0]!;
  return new URLSearchParams({ zone: zones[0]!.id, ...(wishesOf(built.judged) as Record<string, string>) });
}

/** Hands-on time as one would say it: to the quarter of an hour, and from four hours on to the half. */
const sayHours = (minutes: number): string => {
  const step = minutes > 240 ? 30 : 15;
  return shortDuration(Math.max(step, Math.round(minutes / step) * step));
};

function FinishCard({
  finish,
  facts,
  image,
  panel,
  chosen,
  to,
  piece,
}: {
  finish: Finish;
  facts: ReturnType<typeof factsOf> | undefined;
  image: ImageData | undefined;
  panel: ReturnType<typeof panelFor>;
  chosen: boolean;
  to: string;
  piece: string;
}) {
  const sample = finish.panels.includes(panel) ? panel : finish.panels[0];
  const stops = facts && facts.stops.length > 0;
  return (
    <li>
      <Link
        to={to}
        replace
        preventScrollReset
        className="finish-card"
        aria-current={chosen ? "true" : undefined}
        data-finish={finish.id}
      >
        {image ? (
          <BoardCanvas image={image} says={`${finish.name} on ${piece}`} />
        ) : (
          <img
            src={pictureOf(finish, sample)}
            alt={`${finish.name} on a sample board`}
            width={480}
            height={320}
            loading="lazy"
            className="finish-board"
          />
        )}
        <span className="finish-name">{finish.name}</span>
        <span className="finish-note">
          <span>
            {facts
              ? stops
                ? "needs a look first"
                : `${sayHours(facts.handsOn)} · ${facts.leaves === null ? "no date" : `leaves ${sayDate(facts.leaves).replace(/^\w+ /, "")}`}`
              : `${Math.max(1, Math.ceil(finish.days[0]))} to ${Math.ceil(finish.days[1])} days`}
          </span>
          <span>{finish.practice}</span>
        </span>
      </Link>
    </li>
  );
}
