import { nanoid } from "nanoid";
import {
  createContext,
  type ReactNode,
  useContext,
  useEffect,
  useMemo,
  useRef,
  useState,
  useSyncExternalStore,
} from "react";
import { toast } from "sonner";
import type { Command } from "#core/edit/command";
import type { Judgement } from "#core/judge/judge";
import { type Plan, stateOf } from "#core/plan/plan";
import type { Dates } from "#core/schedule/dates";
import { isHeavy, judgementOf } from "#core/schedule/kept";
import type { JobPlan } from "#core/schedule/plan-of-work";
import type { JobStanding } from "~/plan-of-work/standing";
import { type AskPlan, useStanding } from "~/plan-of-work/use-standing";
import { postTo } from "./post";
import { EditQueue, type PendingEdit, type QueueView, type SavedJob } from "./queue";
import { Unsent } from "./unsent";
import { isOf, useFit } from "./use-fit";

export interface JobEditor {
  plan: Plan;
  version: number;
  judgement: Judgement;
  /** the job's part of the shop's plan of work, or as it would fit in; null where nothing is known yet */
  planned: JobPlan | null;
  /** it is promised: its dates stand until a new plan is taken on */
  isKept: boolean;
  /** roughly what an edit makes of that; null where it is of the job as it is */
  rough: JobPlan | null;
  /** nothing is known yet, because dating this much work would hold up the page */
  dating: boolean;
  /** when it leaves and may be used, by the plan of work */
  dates: Dates | null;
  /** the shop's plan of work, and what the job has to fit into */
  plans: JobStanding;
  askPlan: AskPlan;
  /** the rough dates still belong to the plan before the last edit */
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

/** The selected job, where the page is about one. */
export const useJobIfAny = () => useContext(Editor);

const listLabels = (edits: readonly PendingEdit[]) => edits.map((edit) => edit.label).join("; ");

interface ProviderProps {
  job: SavedJob;
  token: string;
  plans: JobStanding;
  children: ReactNode;
}

/** Of what is over, nothing is planned any more. */
const isOver = (plan: Plan) => stateOf(plan) === "finished" || stateOf(plan) === "put away";

export function JobEditorProvider({ job, token, plans: first, children }: ProviderProps) {
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
      const left = await unsent?.takeOver(takeOver);
      const lost = [...queue.takeOver(left?.edits ?? []).map(({ label }) => label), ...(left?.unreadable ?? [])];
      if (lost.length > 0)
        toast.error(`These earlier edits no longer fit the plan: ${lost.join("; ")}.`, { duration: 20_000 });
    };
    void takeOver();
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
  const address = `/plan-of-work?job=${planId}`;
  const saved = view.saved.plan;
  const { known: plans, ask: askPlan } = useStanding(
    first,
    address,
    view.saved.version,
    // an idea is fitted in again by itself
    ({ own, kind }) => kind === "planned" || isOf(own, saved) || isOver(saved),
  );
  const { own, kind } = plans;
  const { rough, settling } = useFit(plan, plans, isHeavy([judgement]));
  const planned = own ?? rough;

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
      planned,
      isKept: own !== null && kind === "planned",
      rough: own === null ? null : rough,
      dating: planned === null,
      dates: planned?.dates ?? null,
      plans,
      askPlan,
      settling,
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
    [jobPart, view, planned, own, kind, rough, settling, plans, askPlan, queue],
  );
  return (
    <JobContext.Provider value={jobPart}>
      <Editor.Provider value={editor}>{children}</Editor.Provider>
    </JobContext.Provider>
  );
}
