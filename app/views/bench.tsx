import { Bell, MessageCircle, Moon, Sun, Volume2, VolumeX } from "lucide-react";
import { type ReactNode, useEffect, useMemo, useState } from "react";
import { Link, useLoaderData, useSearchParams } from "react-router";
import { toast } from "sonner";
import type { BenchTask } from "#core/ledger/bench";
import { TROUBLES, type Trouble } from "#core/ledger/event";
import { sayClock, sayDate } from "#core/units/when";
import { lastState } from "~/bench/last-state";
import { LogForm, LogProvider } from "~/bench/log-press";
import { NextView } from "~/bench/next-view";
import { NoteView } from "~/bench/note-view";
import { useOffline } from "~/bench/offline";
import { TaskView, unreadOf } from "~/bench/task-view";
import { readOut, sayAt, whenWords } from "~/bench/task-words";
import { TroubleView } from "~/bench/trouble-view";
import { type BenchView, useBench } from "~/bench/use-bench";
import { useSound, useWarnings } from "~/bench/warnings";
import { Brand } from "~/parts/brand";
import type { loader } from "~/routes/bench";

const LIGHT = "jolly-crust/light";

const HANDS = "jolly-crust/hands";

function useKept(name: string, usual: string): [string, (value: string) => void] {
  const [value, set] = useState(usual);
  useEffect(() => {
    try {
      set(localStorage.getItem(name) ?? usual);
    } catch {
      set(usual);
    }
  }, [name, usual]);
  return [
    value,
    (next) => {
      set(next);
      try {
        localStorage.setItem(name, next);
      } catch {
        // it is asked again after a reload
      }
    },
  ];
}

/** By day or in the dark: as was chosen on this device, else by the system's wish. */
function useLight() {
  const [chosen, choose] = useKept(LIGHT, "");
  const [dim, setDim] = useState(false);
  useEffect(() => {
    const wish = window.matchMedia("(prefers-color-scheme: dark)");
    const follow = () => setDim(wish.matches);
    follow();
    wish.addEventListener("change", follow);
    return () => wish.removeEventListener("change", follow);
  }, []);
  return { chosen, dark: chosen === "" ? dim : chosen === "dark", choose };
}

type Light = ReturnType<typeof useLight>;

function speak(text: string) {
  const voice = typeof window === "undefined" ? undefined : window.speechSynthesis;
  if (!voice) {
    toast("This browser has no voice.");
    return;
  }
  voice.cancel();
  const said = new SpeechSynthesisUtterance(text);
  said.lang = "en-GB";
  said.rate = 0.95;
  voice.speak(said);
}

function Head({
  view,
  air,
  light,
  sound,
  setSound,
  task,
}: {
  view: BenchView;
  air: { celsius: number; relativeHumidity: number } | null;
  light: Light;
  sound: boolean;
  setSound: (on: boolean) => void;
  task: BenchTask | null;
}) {
  const wall = Math.floor(view.wall);
  const [asks, setAsks] = useState(false);
  useEffect(() => setAsks(typeof Notification !== "undefined" && Notification.permission === "default"), []);
  return (
    <header className="bench-bar">
      <Brand />
      <span className="bench-clock">
        Bench · <b>{`${sayDate(wall)}, ${sayClock(wall)}`}</b>
      </span>
      <span className="grow" />
      {air && (
        <span className="bench-air">
          {air.celsius} °C · {air.relativeHumidity} %
        </span>
      )}
      {task && (
        <button
          type="button"
          className="bench-icon"
          onClick={() => speak(readOut(task, view.wall, view.now))}
          aria-label="Read this step aloud"
          title="Read this step aloud"
        >
          <MessageCircle size={24} strokeWidth={1.5} aria-hidden="true" />
        </button>
      )}
      {asks && (
        <button
          type="button"
          className="bench-icon"
          onClick={() => void Notification.requestPermission().then(() => setAsks(false))}
          aria-label="Allow notices when a window is about to shut"
          title="Allow notices when a window is about to shut"
        >
          <Bell size={24} strokeWidth={1.5} aria-hidden="true" />
        </button>
      )}
      <button
        type="button"
        className="bench-icon"
        onClick={() => setSound(!sound)}
        aria-pressed={sound}
        aria-label="Sound of warnings"
        title={sound ? "Warnings sound: turn off" : "Warnings are silent: turn on"}
      >
        {sound ? (
          <Volume2 size={24} strokeWidth={1.5} aria-hidden="true" />
        ) : (
          <VolumeX size={24} strokeWidth={1.5} aria-hidden="true" />
        )}
      </button>
      <button
        type="button"
        className="bench-icon"
        onClick={() => light.choose(light.dark ? "day" : "dark")}
        aria-label={light.dark ? "Daylight" : "Dark room"}
        title={light.dark ? "Daylight" : "Dark room"}
      >
        {light.dark ? (
          <Sun size={24} strokeWidth={1.5} aria-hidden="true" />
        ) : (
          <Moon size={24} strokeWidth={1.5} aria-hidden="true" />
        )}
      </button>
    </header>
  );
}

const taskLink = (task: BenchTask, more = "") => `/bench?task=${encodeURIComponent(task.id)}${more}`;

/** The colour of what goes on; nothing where nothing does. */
const Dab = ({ colour }: { colour: string | null }) => (
  <span
    className="bench-dab"
    data-empty={colour === null || undefined}
    style={{ background: colour ?? "none" }}
    aria-hidden="true"
  />
);

function After({ view, current, children }: { view: BenchView; current: BenchTask | null; children: ReactNode }) {
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
            {bench.drying.slice(0, MOST_AFTER).map((one) => (
              <li key={`${one.planId} ${one.countdown.zoneId}`}>
                <span>
                  <Dab colour={one.colour} />
                  <span className="min-w-0 grow">
                    {one.zone}: {one.countdown.film.toLowerCase()}
                    <small>
                      {one.countdown.opens > wall
                        ? `ready for ${one.waits.toLowerCase()}`
                        : `window shuts, then ${one.waits.toLowerCase()} is too late`}
                    </small>
                  </span>
                  <time>
                    {sayAt(one.countdown.opens > wall ? one.countdown.opens : (one.countdown.shuts ?? wall), wall)}
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
            {bench.handling.slice(0, 4).map((one) => (
              <li key={`${one.planId} ${one.name}`}>
                <span>
                  <span className="min-w-0 grow">{one.name}</span>
                  <time>{sayAt(one.starts, wall)}</time>
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
function Presses({ task, unread, open }: { task: BenchTask; unread: boolean; open: string | null }) {
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

function Nothing({ jobs }: { jobs: number }) {
  return (
    <article className="py-16 text-center">
      <h1 className="bench-title">{jobs === 0 ? "No job is promised or under way" : "Nothing left to do"}</h1>
      <p className="bench-how">
        {jobs === 0
          ? "Promise a job on its Days page, and its first step waits here."
          : "All that is planned has been done. What still dries is listed beside."}
      </p>
      <Link to="/" className="bench-press mt-6">
        To the jobs
      </Link>
    </article>
  );
}

export default function BenchRoute() {
  const state = useLoaderData<typeof loader>();
  useEffect(() => {
    lastState.is = state;
  }, [state]);
  useOffline();
  const [params, setParams] = useSearchParams();
  const light = useLight();
  const [hands, setHands] = useKept(HANDS, "");
  const { sound, setSound } = useSound();
  const view = useBench(state, hands || null);
  const warnings = useWarnings(view.bench, view.wall, sound);
  const { bench, jobs } = view;
  const tasks = [...bench.inHand, ...bench.next];
  const asked = params.get("task");
  const task = tasks.find(({ id }) => id === asked) ?? tasks[0] ?? null;
  const plan = jobs.find((job) => job.plan.id === task?.planId)?.plan;
  const open = params.get("open");
  const trouble = TROUBLES.find((one) => one === params.get("trouble")) ?? null;
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
