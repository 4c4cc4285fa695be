import { useEffect, useMemo } from "react";
import { useLoaderData, useSearchParams } from "react-router";
import { TROUBLES, type Trouble } from "#core/ledger/event";
import { HANDS, Head, taskLink, useLight } from "~/bench/head";
import { useKeptHere } from "~/bench/kept-here";
import { lastState } from "~/bench/last-state";
import { LogProvider } from "~/bench/log-press";
import { NextView } from "~/bench/next-view";
import { NoteView } from "~/bench/note-view";
import { Nothing } from "~/bench/nothing";
import { useOffline } from "~/bench/offline";
import { After, Presses } from "~/bench/presses";
import { TaskView, unreadOf } from "~/bench/task-view";
import { TroubleView } from "~/bench/trouble-view";
import { useBench } from "~/bench/use-bench";
import { useSound, useWarnings } from "~/bench/warnings";
import type { loader } from "~/routes/bench";

export default function BenchRoute() {
  const state = useLoaderData<typeof loader>();
  useEffect(() => {
    lastState.is = state;
  }, [state]);
  useOffline();
  const [params, setParams] = useSearchParams();
  const light = useLight();
  const [hands, setHands] = useKeptHere(HANDS, "");
  const { sound, setSound } = useSound();
  const view = useBench(state, hands || null);
  const warnings = useWarnings(view.bench, view.wall, sound);
  const { bench, jobs } = view;
  const tasks = [...bench.inHand, ...bench.next];
  const asked = params.get("task");
  const task = tasks.find(({ id }) => id === asked) ?? tasks[0] ?? null;
  const plan = jobs.find((job) => job.plan.id === task?.planId)?.plan;
  const open = params.get("open");
  const trouble = TROUBLES.find((trouble) => trouble === params.get("trouble")) ?? null;
  const logs = useMemo(() => ({ log: view.log, token: state.token }), [view.log, state.token]);
  const back = () => setParams(task ? { task: task.id } : {}, { replace: true });
  return (
    <LogProvider value={logs}>
      <div className="bench" data-light={light.chosen || undefined}>
        <Head view={view} air={state.air} light={light} sound={sound} setSound={setSound} task={task} />
        {view.out && (
          <p role="alert" className="bench-strip" data-kind="stop">
            {view.out}
          </p>
        )}
        {view.away && (
          <output className="bench-strip" data-kind="away">
            The shop does not answer. What you log is kept here
            {view.waiting > 0 ? ` (${view.waiting})` : ""} and handed in when it is back.
          </output>
        )}
        {warnings.map(({ id, says }) => (
          <p key={id} role="alert" className="bench-strip" data-kind="warn">
            {says}
          </p>
        ))}
        <main className="bench-main">
          <div className="min-w-0">
            {task === null || !plan ? (
              <Nothing jobs={jobs.length} />
            ) : open === "trouble" ? (
              <TroubleView
                task={task}
                plan={plan}
                wall={view.wall}
                chosen={trouble}
                linkTo={(one: Trouble) => taskLink(task, `&open=trouble&trouble=${encodeURIComponent(one)}`)}
                back={back}
              />
            ) : open === "note" ? (
              <NoteView task={task} plan={plan} back={back} />
            ) : open === "next" ? (
              <NextView task={task} plan={plan} wall={view.wall} />
            ) : (
              <TaskView task={task} wall={view.wall} now={view.now} />
            )}
          </div>
          <After view={view} current={task}>
            {state.painters.length > 1 && (
              <nav aria-label="Whose hands" className="bench-hands">
                <span>Whose hands?</span>
                {["", ...state.painters].map((name) => (
                  <button
                    key={name}
                    type="button"
                    aria-pressed={hands === name}
                    className="bench-hand"
                    onClick={() => setHands(name)}
                  >
                    {name || "not said"}
                  </button>
                ))}
              </nav>
            )}
          </After>
        </main>
        {task && plan && <Presses task={task} unread={unreadOf(task, plan).length > 0} open={open} />}
      </div>
    </LogProvider>
  );
}
