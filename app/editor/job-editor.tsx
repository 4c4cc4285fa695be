import { nanoid } from "nanoid";
import {
  createContext,
  type ReactNode,
  useContext,
  useDeferredValue,
  useEffect,
  useMemo,
  useRef,
  useState,
  useSyncExternalStore,
} from "react";
import { toast } from "sonner";
import type { Command } from "#core/edit/command";
import type { Judgement } from "#core/judge/judge";
import type { Plan } from "#core/plan/plan";
import { type Dates, datesOf } from "#core/schedule/dates";
import { isHeavy, judgementOf, scheduleOf, undatedSchedule } from "#core/schedule/kept";
import type { Schedule } from "#core/schedule/schedule";
import { type Looking, useBestSchedule } from "~/days/use-schedule";
import { postTo } from "./post";
import { EditQueue, type PendingEdit, type QueueView, type SavedJob } from "./queue";
import { Unsent } from "./unsent";

export interface JobEditor {
  plan: Plan;
  version: number;
  judgement: Judgement;
  schedule: Schedule;
  /** whether a better schedule is still being looked for */
  looking: Looking["state"];
  stopLooking: () => void;
  dates: Dates | null;
  /** the schedule still belongs to the plan before the last edit */
  settling: boolean;
  queue: QueueView;
  undo: string | null;
  redo: string | null;
  /** different for every load of the page: forms sent without scripts sign with it */
  token: string;
  /** Makes an edit: shown at once, saved in the background. Returns why it cannot be made. */
  send: (label: string, commands: Command[], id?: string) => string | null;
  /** Keeps what is being typed in a field in the browser until the field is left; null when it has been. */
  draft: (field: string, edit: PendingEdit | null) => void;
  stepThrough: (way: "undo" | "redo") => void;
  resolve: (choice: "mine" | "theirs") => void;
  /** Decides what happens to edits from an earlier page whose places others have changed. */
  settleContested: (choice: "mine" | "theirs") => void;
}

/**
 * The part of a job that does not depend on dates or saving: components that use only this render again only after
 * edits.
 */
export type Job = Pick<JobEditor, "plan" | "judgement" | "token" | "send" | "draft" | "resolve" | "settleContested">;

const Editor = createContext<JobEditor | null>(null);
const JobContext = createContext<Job | null>(null);

export function useJob(): Job {
  const job = useContext(JobContext);
  if (!job) throw new Error("outside a job");
  return job;
}

export function useJobEditor(): JobEditor {
  const editor = useContext(Editor);
  if (!editor) throw new Error("outside a job");
  return editor;
}

/** Milliseconds in which the worker looks for better dates after an edit. */
const LOOKS_FOR = 800;

/** The selected job, where the page is about one. */
export const useJobIfAny = () => useContext(Editor);

/** A tab that was closed just before this one opened may take a moment to disappear. */
const LOOK_AGAIN_MILLISECONDS = 1500;

const listLabels = (edits: readonly PendingEdit[]) => edits.map((edit) => edit.label).join("; ");

export function JobEditorProvider({ job, token, children }: { job: SavedJob; token: string; children: ReactNode }) {
  const planId = job.plan.id;
  const [unsent] = useState(() => (typeof window === "undefined" ? null : new Unsent(planId)));
  const [queue] = useState(
    () => new EditQueue(job, postTo(`/jobs/${planId}/edit`), (pending) => unsent?.keep(pending)),
  );
  const view = useSyncExternalStore(queue.subscribe, queue.current, queue.current);
  const restored = useRef(false);

  useEffect(() => {
    if (restored.current) return;
    restored.current = true;
    const takeOver = async () => {
      const left = await unsent?.takeOver();
      const lost = [...queue.takeOver(left?.edits ?? []).map(({ label }) => label), ...(left?.unreadable ?? [])];
      if (lost.length > 0)
        toast.error(`These earlier edits no longer fit the plan: ${lost.join("; ")}.`, { duration: 20_000 });
    };
    void takeOver().then(() => setTimeout(takeOver, LOOK_AGAIN_MILLISECONDS));
  }, [queue, unsent]);
  useEffect(() => {
    // a page restored from the browser's memory may be of an older version than the job is now
    const back = ({ persisted }: PageTransitionEvent) => persisted && window.location.reload();
    window.addEventListener("pageshow", back);
    return () => window.removeEventListener("pageshow", back);
  }, []);
  useEffect(() => queue.refresh(job), [queue, job]);
  useEffect(() => {
    if (view.says && view.state === "saved") toast.error(view.says);
  }, [view.says, view.state]);

  const { plan } = view;
  // what lies under an edit is taken from the judgement before it; the result is the same
  const before = useRef<Judgement | undefined>(undefined);
  const judgement = useMemo(() => {
    before.current = judgementOf(plan, before.current);
    return before.current;
  }, [plan]);
  const { judgement: settled, plan: settledPlan } = useDeferredValue(
    useMemo(() => ({ plan, judgement }), [plan, judgement]),
  );
  const heavy = isHeavy([settled]);
  const quick = useMemo(
    () => (heavy ? undatedSchedule(settledPlan, settled) : scheduleOf(settledPlan, settled)),
    [settledPlan, settled, heavy],
  );
  const together = useMemo(() => [settledPlan], [settledPlan]);
  const { schedule: made, state: looking, stop } = useBestSchedule(together, quick, LOOKS_FOR, heavy);
  const dates = useMemo(() => datesOf({ plan: settledPlan, judgement: settled }, made), [settledPlan, settled, made]);

  const jobPart = useMemo<Job>(
    () => ({
      plan,
      judgement,
      token,
      send: (label, commands, id = nanoid()) => queue.add({ id, label, commands }),
      draft: (field, edit) => unsent?.keepDraft(field, edit),
      resolve: (choice) => {
        const lost = queue.resolve(choice);
        if (lost.length > 0)
          toast.error(`These edits could not be combined with the other changes: ${listLabels(lost)}.`, {
            duration: 20_000,
          });
      },
      settleContested: (choice) => {
        const lost = queue.settleContested(choice);
        if (lost.length > 0) toast.error(`These no longer fit the plan: ${listLabels(lost)}.`, { duration: 20_000 });
      },
    }),
    [plan, judgement, token, queue, unsent],
  );
  const editor = useMemo<JobEditor>(
    () => ({
      ...jobPart,
      version: view.saved.version,
      schedule: made,
      looking,
      stopLooking: stop,
      dates,
      settling: settled !== judgement,
      queue: view,
      undo: view.pending.at(-1)?.label ?? view.saved.undo,
      redo: view.pending.length > 0 ? null : view.saved.redo,
      stepThrough: (way) => {
        const label = way === "undo" ? (view.pending.at(-1)?.label ?? view.saved.undo) : view.saved.redo;
        void queue.step(way).then((trouble) => {
          if (trouble) toast.error(trouble);
          else toast(`${way === "undo" ? "Undone" : "Redone"}: ${label}`, { duration: 2500 });
        });
      },
    }),
    [jobPart, view, judgement, settled, made, looking, stop, dates, queue],
  );
  return (
    <JobContext.Provider value={jobPart}>
      <Editor.Provider value={editor}>{children}</Editor.Provider>
    </JobContext.Provider>
  );
}
