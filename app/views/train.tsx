import { Suspense, useRef } from "react";
import { Form, Link, useNavigation } from "react-router";
import { KIND_WORDS } from "#core/trainer/drill";
import { lazyChart } from "~/charts/lazy-chart";
import type { Graded } from "~/http/trainer.server";
import { KEYS } from "~/keys/keys";
import { useKey } from "~/keys/use-key";
import { PageHead } from "~/parts/brand";
import { Question, Shown } from "~/trainer/question";
import { countOf } from "~/words/amount";
import type { Route } from "../routes/+types/train";

const RecordChart = lazyChart(() => import("~/charts/record-chart"));

const CHART = 170;

/** What an answer came to, with the reasons. */
function Outcome({ graded }: { graded: Graded }) {
  const { drill, answers, parts, right, because } = graded;
  const all = parts.every(Boolean);
  const wordsOf = (at: number, ids: readonly string[]) =>
    ids.map((id) => drill.parts[at]!.choices.find((choice) => choice.id === id)?.says ?? "nothing").join(" → ");
  return (
    <section
      aria-label="Your answer"
      aria-live="polite"
      className={`drill-outcome ${all ? "border-l-verdigris" : "border-l-ochre"}`}
    >
      <h2 className={`text-view ${all ? "text-verdigris" : "text-ochre"}`}>
        {all ? "Right" : parts.some(Boolean) ? "Partly right" : "Not this time"}
      </h2>
      {drill.parts.map((part, index) => (
        <div key={part.asks} className="mt-2">
          <p className="text-soft">{part.asks}</p>
          {!parts[index] && <p>You: {answers[index]!.length > 0 ? wordsOf(index, answers[index]!) : "no answer"}</p>}
          <p className="font-semibold">
            {part.is === "order"
              ? wordsOf(index, right[index]!)
              : right[index]!.map((id) => wordsOf(index, [id])).join("; or: ")}
          </p>
        </div>
      ))}
      <p className="mt-2">{because}</p>
    </section>
  );
}

/** Figures pick a choice; Enter hands it in, or goes on, as the form does by itself. */
function useAnswerKeys() {
  const form = useRef<HTMLFormElement>(null);
  useKey(
    KEYS.trainer.keys.pick,
    ({ key }) => {
      const choice = form.current?.querySelector<HTMLInputElement>(`input[data-key="${key}"]`);
      if (!choice) return;
      choice.checked = true;
      choice.focus();
    },
    {
      enableOnFormTags: ["input"],
      ignoreEventWhen: ({ target }) => target instanceof HTMLInputElement && target.type === "text",
    },
  );
  return form;
}

export default function TrainRoute({ loaderData, actionData }: Route.ComponentProps) {
  const { record, enough, more, drill, id, asked } = loaderData;
  const graded = actionData?.graded ?? null;
  const busy = useNavigation().state === "submitting";
  const form = useAnswerKeys();
  const shown = graded?.drill ?? drill;
  const next = more ? "/train?more=yes" : "/train";
  const minutes = Math.floor(record.today.seconds / 60);
  return (
    <div className="min-h-screen">
      <PageHead title="Trainer" />
      <main className="drill-page">
        <div className="min-w-0">
          {actionData?.says && (
            <p role="alert" className="mb-3 font-medium text-ochre">
              {actionData.says}
            </p>
          )}
          {!shown && enough && (
            <>
              <h1 className="text-[1.5rem]">That is enough for today</h1>
              <p className="mt-2">
                Five minutes a day stay longer than an hour on Sunday. What you got wrong comes back tomorrow.
              </p>
              <Link className="button mt-4" to="/train?more=yes">
                Keep going
              </Link>
            </>
          )}
          {!shown && !enough && (
            <>
              <h1 className="text-[1.5rem]">Nothing is due</h1>
              <p className="mt-2">
                You know all of it for now. Each question comes back when you are about to forget it.
              </p>
            </>
          )}
          {shown && (
            <>
              <p className="kicker text-soft">{shown.family}</p>
              <h1 className="text-[1.5rem]">{KIND_WORDS[shown.kind]}</h1>
              <Shown drill={shown} />
              {graded ? (
                <>
                  <Outcome graded={graded} />
                  <Link className="button button-main mt-4 min-h-11 px-6 text-base" to={next} autoFocus>
                    Next
                  </Link>
                </>
              ) : (
                <Form method="post" ref={form} key={id} aria-label="Your answer">
                  <input type="hidden" name="id" value={id} />
                  <input type="hidden" name="drill" value={shown.id} />
                  <input type="hidden" name="seed" value={shown.seed} />
                  <input type="hidden" name="asked" value={asked} />
                  <Question drill={shown} />
                  <button className="button button-main mt-4 min-h-11 px-6 text-base" disabled={busy}>
                    {busy ? "Looking …" : "Answer"}
                  </button>
                </Form>
              )}
            </>
          )}
        </div>
        <aside aria-label="How it goes" className="min-w-0">
          <h2 className="text-lg">Today</h2>
          <p>
            {countOf(record.today.answers, "answer")}, {minutes} of 5 minutes · {record.due} due
          </p>
          <h2 className="mt-4 text-lg">By week</h2>
          {record.weeks.some(({ right, wrong }) => right + wrong > 0) ? (
            <div style={{ minHeight: CHART }}>
              <Suspense fallback={null}>
                <RecordChart
                  height={CHART}
                  weeks={record.weeks.map(({ from, right, wrong }) => ({ label: dayOf(from), right, wrong }))}
                />
              </Suspense>
            </div>
          ) : (
            <p className="text-soft">Right and wrong answers show here, week by week, from the first one on.</p>
          )}
          {record.families.length > 0 && (
            <>
              <h2 className="mt-4 text-lg">By subject</h2>
              <dl className="drill-families">
                {record.families.map(({ family, seen, right }) => (
                  <div key={family}>
                    <dt>{family}</dt>
                    <dd>
                      {right} of {seen} right
                    </dd>
                  </div>
                ))}
              </dl>
            </>
          )}
        </aside>
      </main>
    </div>
  );
}

const DAY_OF_MONTH = new Intl.DateTimeFormat("en-GB", { day: "numeric", month: "short" });

const dayOf = (at: number): string => DAY_OF_MONTH.format(at);
