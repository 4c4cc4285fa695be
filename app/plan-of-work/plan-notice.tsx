import type { FormEvent, ReactNode } from "react";
import { useLocation } from "react-router";
import { countOf } from "~/words/amount";
import type { Standing } from "./standing";
import type { AskPlan } from "./use-standing";

/** One press about the plan of work: a form, so that it also works without scripts. */
export function PlanPress({
  does,
  ask,
  children,
  main = false,
  onDone,
}: {
  does: Record<string, string | number>;
  ask: AskPlan;
  children: ReactNode;
  main?: boolean;
  onDone?: () => void;
}) {
  const { pathname, search } = useLocation();
  const send = (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    void ask(new FormData(event.currentTarget)).then((done) => done && onDone?.());
  };
  return (
    <form method="post" action="/plan-of-work" encType="multipart/form-data" onSubmit={send} className="shrink-0">
      <input type="hidden" name="to" value={`${pathname}${search}`} />
      {Object.entries(does).map(([name, value]) => (
        <input key={name} type="hidden" name={name} value={value} />
      ))}
      <button className={`button ${main ? "button-main" : ""}`}>{children}</button>
    </form>
  );
}

/** The first change on the line, as far as there is room; all of them in a list that opens over the page. */
function Changes({ says }: { says: readonly string[] }) {
  return (
    <>
      <span className="min-w-0 truncate max-sm:hidden">{says[0]}</span>
      <details className="shrink-0">
        <summary className="link cursor-pointer py-1">{countOf(says.length, "change")}</summary>
        <ul className="absolute right-5 bottom-full mb-1.5 max-h-[60vh] max-w-[640px] overflow-y-auto rounded-std border border-edge bg-board px-4 py-3 shadow-md max-sm:right-4 max-sm:left-4">
          {says.map((text) => (
            <li key={text} className="py-0.5">
              {text}
            </li>
          ))}
        </ul>
      </details>
    </>
  );
}

/** One line at the foot of the page, so that nothing moves under the hand when it comes and goes. */
const Bar = ({ children, strong = false }: { children: ReactNode; strong?: boolean }) => (
  <section
    aria-label="Shop schedule"
    className={`shop-notice flex shrink-0 items-center gap-x-4 border-t border-line px-5 py-0.5 max-sm:flex-wrap max-sm:px-4 max-sm:py-1.5 ${strong ? "border-l-4 border-l-verdigris bg-board" : "min-h-[37px] bg-wash"}`}
  >
    {children}
  </section>
);

/** What there is to say of the shop's plan of work: that one is being made, what a new one would change, or that it is out of date. */
export function PlanNotice({ standing, ask }: { standing: Standing; ask: AskPlan }) {
  const { planning, offered, stale, left, trouble } = standing;
  if (planning)
    return (
      <Bar>
        <p className="min-w-0 flex-1" role="status">
          Scheduling the shop again …{" "}
          <progress
            className="plan-progress ml-2 align-middle"
            value={planning.looks}
            max={planning.of}
            aria-label="Progress of the scheduling"
          />
        </p>
        <PlanPress does={{ do: "call off" }} ask={ask}>
          Stop
        </PlanPress>
      </Bar>
    );
  if (offered)
    return (
      <Bar strong>
        <div className="flex min-w-0 flex-1 items-center gap-x-3 max-sm:basis-full" role="status">
          <b className="shrink-0 font-semibold">A new schedule is ready.</b>
          <Changes says={offered.changes.map(({ says }) => says)} />
        </div>
        <PlanPress does={{ do: "take on", id: offered.id }} ask={ask} main>
          Use this schedule
        </PlanPress>
      </Bar>
    );
  if (!stale) return null;
  if (left || trouble !== null)
    return (
      <Bar strong>
        <p className="min-w-0 flex-1" role="status">
          {trouble ?? "The jobs have changed since the shop was scheduled, so these dates are out of date."}
        </p>
        <PlanPress does={{ do: "plan" }} ask={ask} main>
          Schedule again
        </PlanPress>
      </Bar>
    );
  return (
    <Bar>
      <p className="min-w-0 flex-1" role="status">
        The shop will be scheduled again in a moment …
      </p>
    </Bar>
  );
}
