import { nanoid } from "nanoid";
import { useCallback, useEffect, useMemo, useRef, useState } from "react";
import { useRevalidator } from "react-router";
import { toast } from "sonner";
import { applyCommands } from "#core/edit/apply";
import { type Bench, type BenchJob, benchOf } from "#core/ledger/bench";
import { replay } from "#core/ledger/replay";
import { withLedger } from "#core/ledger/with-ledger";
import type { Plan } from "#core/plan/plan";
import { planOfText } from "~/editor/plan-text";
import type { FormFields } from "~/forms/fields";
import type { BenchState } from "~/http/bench.server";
import { type Logging, readLogForm } from "./log-form";
import { askClock, behindShop, handIn, keep, kept } from "./queue";

/** A look at the shop every so often shows what other devices have logged. */
const LOOK_MILLISECONDS = 15_000;

/** A plan with what this device has logged since and the shop does not have yet. */
function withPresses(plan: Plan, presses: readonly Logging[]): Plan {
  return presses.reduce((so, { edit }) => {
    if (!edit) return so;
    const done = applyCommands(so, edit.commands);
    return done.ok ? done.plan : so;
  }, plan);
}

const idOf = ({ events }: Logging) => events[0]!.id;

const known = new WeakMap<object, Map<string, BenchJob>>();

/** The jobs of the bench with what is still to be handed in; worked out once for what came and what was pressed. */
export function jobsWith(state: BenchState, presses: readonly Logging[]): BenchJob[] {
  const key = presses.map(idOf).join();
  const kept = known.get(state.jobs) ?? new Map<string, BenchJob>();
  known.set(state.jobs, kept);
  return state.jobs.map(({ text, events, bookings }) => {
    const sent = planOfText(text);
    const own = presses.filter(({ planId }) => planId === sent.id);
    const name = own.length === 0 ? sent.id : `${sent.id} ${key}`;
    const made = kept.get(name);
    if (made) return made;
    const edited = withPresses(sent, own);
    const ledger = replay([...events, ...own.flatMap((press) => press.events)]);
    const job: BenchJob = { plan: withLedger(edited, ledger), state: ledger, bookings };
    kept.set(name, job);
    return job;
  });
}

export interface BenchView {
  bench: Bench;
  jobs: readonly BenchJob[];
  /** milliseconds on the shop's clock */
  now: number;
  /** minutes on the wall, with a fraction */
  wall: number;
  /** what has not been handed in */
  waiting: number;
  /** the shop does not answer */
  away: boolean;
  /** this device may not log */
  out: string | null;
  /** Logs a press; what is wrong with it, or null. */
  log: (fields: FormFields, photo?: Blob) => string | null;
}

/** The bench on this device: what the shop last said, what was logged here since, and the time on the shop's clock. */
export function useBench(state: BenchState, by: string | null): BenchView {
  const { revalidate } = useRevalidator();
  const [presses, setPresses] = useState<readonly Logging[]>([]);
  const [behind, setBehind] = useState(0);
  const [now, setNow] = useState(state.now);
  const [away, setAway] = useState(false);
  const [out, setOut] = useState<string | null>(null);

  const look = useCallback(async () => {
    const before = new Set((await kept()).map(idOf));
    const done = await handIn();
    setOut(done.is === "put out" ? done.says : null);
    if (done.is === "done") {
      for (const says of done.told) toast(says, { duration: 12_000 });
      for (const says of done.refused) toast.error(says, { duration: 20_000 });
    }
    const there = (await askClock()) !== null;
    setAway(!there);
    setBehind(behindShop());
    // what was handed in stays on view until it comes back with the rest
    if (there) await revalidate();
    const left = await kept();
    const leftIds = new Set(left.map(idOf));
    setPresses((all) => {
      const shown = all.filter((press) => leftIds.has(idOf(press)) || !before.has(idOf(press)));
      const ids = new Set(shown.map(idOf));
      return [...left.filter((press) => !ids.has(idOf(press))), ...shown];
    });
  }, [revalidate]);

  const looking = useRef(false);
  const wanted = useRef(false);
  const lookOnce = useCallback(async () => {
    wanted.current = true;
    if (looking.current) return;
    looking.current = true;
    try {
      // what is pressed while it looks is handed in right after
      while (wanted.current) {
        wanted.current = false;
        await look();
      }
    } finally {
      looking.current = false;
    }
  }, [look]);

  useEffect(() => {
    setBehind(behindShop());
    void kept().then(setPresses);
    void lookOnce();
    const again = () => void (document.visibilityState === "visible" && lookOnce());
    const timer = setInterval(again, LOOK_MILLISECONDS);
    document.addEventListener("visibilitychange", again);
    window.addEventListener("online", again);
    return () => {
      clearInterval(timer);
      document.removeEventListener("visibilitychange", again);
      window.removeEventListener("online", again);
    };
  }, [lookOnce]);

  useEffect(() => {
    const tick = () => setNow(Date.now() + behind);
    tick();
    const timer = setInterval(tick, 1000);
    return () => clearInterval(timer);
  }, [behind]);

  const jobs = useMemo(() => jobsWith(state, presses), [state, presses]);
  const wall = now / 60_000 + state.offset;
  const minute = Math.floor(wall);
  const bench = useMemo(() => benchOf(jobs, minute), [jobs, minute]);

  const log = useCallback(
    (fields: FormFields, photo?: Blob) => {
      const plan = jobs.find((job) => job.plan.id === fields.plan)?.plan;
      if (!plan) return "That job is no longer at the bench. Reload the page.";
      const read = readLogForm(
        { ...fields, ...(by ? { by } : {}) },
        // its own clock, as the shop will put it right by what this device's clock says when it is handed in
        { plan, id: nanoid(16), at: Date.now(), offset: state.offset },
      );
      if (!read.ok) return read.says;
      const { ok: _, ...lines } = read;
      const press: Logging = photo ? { ...lines, photo } : lines;
      const shown = behindShop();
      setPresses((all) => [
        ...all,
        { ...press, events: press.events.map((event) => ({ ...event, at: event.at + shown })) },
      ]);
      void keep(press).then(lookOnce, () => {
        toast.error("This browser keeps nothing. Free some space on the device, then log it again.");
      });
      return null;
    },
    [jobs, by, state.offset, lookOnce],
  );
  return { bench, jobs, now, wall, waiting: presses.length, away, out, log };
}
