import { Suspense } from "react";
import { Form } from "react-router";
import type { Learned } from "#core/ledger/learned";
import { lazyChart } from "~/charts/lazy-chart";
import { countOf } from "~/words/amount";
import { sayRange } from "~/words/room";

const LearnedChart = lazyChart(() => import("~/charts/learned-chart"));

export function Taught({
  learned,
  used,
  token,
}: {
  learned: readonly Learned[];
  used: Readonly<Record<string, number>>;
  /** different for every load of the page: the same edit is made once for each */
  token: string;
}) {
  if (learned.length === 0)
    return (
      <p className="text-soft">
        Nothing yet. Every "still tacky" and "matt all over" at the bench teaches it how long things dry here.
      </p>
    );
  return learned.map(({ family, before, now, factor, observations }) => {
    const isUsed = used[family] !== undefined;
    const airs = observations.map(({ celsius }) => celsius);
    return (
      <section key={family} className="mb-4" aria-label={family}>
        <p>
          <b className="font-semibold">{family.charAt(0).toUpperCase() + family.slice(1)}</b>: {factor.toFixed(2)} times
          as long here as the tin says, in the same air ({countOf(observations.length, "observation")},{" "}
          {sayRange(Math.min(...airs), Math.max(...airs), "°C")}).
        </p>
        <Form method="post" className="mt-1 flex flex-wrap items-center gap-3" reloadDocument>
          <input type="hidden" name="family" value={family} />
          <input
            type="hidden"
            name="edit"
            value={`${token}-${isUsed ? "tin" : "use"}-${family.replaceAll(/[^a-z]/g, "")}`.slice(0, 40)}
          />
          <button className="button" name="do" value={isUsed ? "tin" : "use"}>
            {isUsed ? "Use the tin again" : "Use it in this job"}
          </button>
          <span className="text-note text-soft">
            {isUsed ? `This job reckons with ${used[family]!.toFixed(2)}.` : "This job goes by the tin."}
          </span>
        </Form>
        <Suspense fallback={<div className="h-[150px]" />}>
          <LearnedChart
            before={before}
            now={now}
            ratios={observations.map(({ ratio }) => ratio)}
            height={150}
            family={family}
          />
        </Suspense>
      </section>
    );
  });
}
