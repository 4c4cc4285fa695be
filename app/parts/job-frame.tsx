import { BookOpen, CircleHelp, Redo2, Undo2 } from "lucide-react";
import type { ReactNode } from "react";
import { useMemo } from "react";
import { Link, NavLink, useLocation, useNavigate } from "react-router";
import { isPlannedFor, zonesOf } from "#core/plan/plan";
import type { Severity } from "#core/rules/rule";
import { readWallTime, sayWallTime } from "#core/units/wall-time";
import { sayDate, sayMoment } from "#core/units/when";
import { SEVERITY_WORDS, SeamMark } from "~/drawing/severity";
import { useJob, useJobEditor } from "~/editor/job-editor";
import { capsOf, KEYS, type Key } from "~/keys/keys";
import { useKey } from "~/keys/use-key";
import { PlanNotice } from "~/plan-of-work/plan-notice";
import { sayRoom } from "~/words/room";
import { PageHead } from "./brand";
import { ConflictNotice } from "./conflict-notice";
import { KeysDialog } from "./keys-dialog";
import { ViewBar } from "./view-bar";
import { VIEWS, viewSearch, worstOfViews } from "./views";

function Tabs() {
  const { search } = useLocation();
  const { plan, judgement, planned } = useJobEditor();
  const kept = useMemo(() => viewSearch(search), [search]);
  const worst = worstOfViews(judgement, planned);
  return (
    <nav aria-label="Views of this job" className="job-tabs">
      {VIEWS.map(({ path, name }) => (
        <NavLink
          key={path}
          to={`/jobs/${plan.id}/${path}${kept}`}
          className={({ isActive }) =>
            `job-frame-tab ${isActive ? "border-b-verdigris text-ink" : "border-b-transparent text-soft hover:text-ink"}`
          }
        >
          {name}
          <TabMark severity={worst[path]} keyed={KEYS.job.keys[path]} />
        </NavLink>
      ))}
      <NavLink to={`/jobs/${plan.id}/ledger`} className="job-frame-tab border-b-transparent text-soft hover:text-ink">
        Ledger
        <TabMark severity={undefined} keyed={KEYS.job.keys.ledger} />
      </NavLink>
    </nav>
  );
}

/** What is wrong on a view, or else the key that opens it. */
function TabMark({ severity, keyed }: { severity: Severity | undefined; keyed: Key }) {
  return severity ? (
    <span className="flex items-center">
      <SeamMark severity={severity} width={14} />
      <span className="sr-only">has {SEVERITY_WORDS[severity].many}</span>
    </span>
  ) : (
    <span className="text-note font-normal max-lg:hidden" aria-hidden="true">
      {capsOf(keyed)}
    </span>
  );
}

function StepThrough({ way }: { way: "undo" | "redo" }) {
  const editor = useJobEditor();
  const label = editor[way];
  const Icon = way === "undo" ? Undo2 : Redo2;
  const says = label ? `${way === "undo" ? "Undo" : "Redo"}: ${label}` : `Nothing to ${way}`;
  return (
    <form
      method="post"
      onSubmit={(event) => {
        event.preventDefault();
        editor.stepThrough(way);
      }}
    >
      <input type="hidden" name="do" value={way} />
      <input type="hidden" name="base" value={editor.version} />
      <button
        className="flex size-8 items-center justify-center rounded-full border border-line bg-board enabled:hover:border-ink disabled:text-edge"
        disabled={!label}
        title={says}
        aria-label={says}
      >
        <Icon size={15} strokeWidth={1.5} aria-hidden="true" />
      </button>
    </form>
  );
}

const SAVED_WORDS = {
  saved: "saved",
  saving: "saving …",
  unsaved: "not saved yet",
  overtaken: "changed elsewhere",
} as const;

function Foot() {
  const { plan, judgement, planned, queue } = useJobEditor();
  const first = planned?.bookings[0];
  const start = readWallTime(plan.start)!;
  const findings = judgement.zones.flatMap((zone) => zone.findings);
  const { counts } = judgement;
  const zone = first && zonesOf(plan).find((zone) => zone.id === first.zoneId);
  return (
    <footer className="job-foot">
      {(["stop", "caution", "note"] as const).map((severity) => {
        const count = counts[severity];
        const target = findings.find((finding) => finding.severity === severity);
        const words = `${count} ${count === 1 ? SEVERITY_WORDS[severity].one : SEVERITY_WORDS[severity].many}`;
        const tone =
          count > 0 ? `${SEVERITY_WORDS[severity].text} ${severity === "note" ? "" : "font-semibold"}` : "text-soft";
        return target ? (
          <Link
            key={severity}
            to={`/jobs/${plan.id}/crust?zone=${target.zoneId}&step=${target.stepId}`}
            className={`flex min-h-7 items-center hover:underline ${tone}`}
          >
            {words}
          </Link>
        ) : (
          <span key={severity} className={tone}>
            {words}
          </span>
        );
      })}
      {queue.state !== "saved" && (
        <output
          className={queue.state === "saving" ? "text-soft" : "truncate font-semibold text-ochre"}
          title={queue.says ?? undefined}
        >
          {queue.state === "unsaved" && queue.says ? queue.says : SAVED_WORDS[queue.state]}
        </output>
      )}
      <span className="flex-1 max-sm:hidden" />
      {first && zone && (
        <span className="truncate max-md:hidden">
          Begins <b className="font-semibold">{sayMoment(first.starts, start)}</b>, {zone.name.toLowerCase()}
        </span>
      )}
      <Leaves />
      <Link
        to={`/jobs/${plan.id}/house`}
        className="link shrink-0 text-soft max-md:hidden"
        title="The room's air, which every wait and window depends on"
      >
        {sayRoom(plan.pinned.room)}
      </Link>
    </footer>
  );
}

/** When the job leaves by the plan of work; and roughly, with an edit that is not in it yet. */
function Leaves() {
  const { plan, isKept, rough, dating, dates, settling } = useJobEditor();
  const start = readWallTime(plan.start)!;
  if (!dates)
    return (
      <span className="text-soft" role="status">
        {dating ? "Working out the dates …" : "No dates yet: add a step"}
      </span>
    );
  const edited = rough !== null;
  return (
    <span className="shrink-0" data-finish="" aria-busy={settling} data-edited={edited ? "" : undefined}>
      <span data-leaves={sayWallTime(dates.leaves)}>
        {isKept ? "Leaves" : "Could leave"} <b className="font-semibold">{sayDate(dates.leaves, start)}</b>
      </span>
      {edited ? (
        <span className="text-soft">
          {" "}
          {isKept ? "as scheduled" : "before your edit"}; with it{" "}
          {rough.dates ? `about ${sayMoment(rough.dates.leaves, start)}` : "nothing is left to do"}
        </span>
      ) : (
        <>
          , full use <b className="font-semibold">{sayDate(dates.fullUse, start)}</b>
        </>
      )}
    </span>
  );
}

function FrameKeys() {
  const editor = useJobEditor();
  const { search } = useLocation();
  const job = `/jobs/${editor.plan.id}`;
  useKey(KEYS.job.keys.undo, () => editor.stepThrough("undo"));
  useKey(KEYS.job.keys.redo, () => editor.stepThrough("redo"));
  return (
    <>
      {VIEWS.map(({ path }) => (
        <OpenedBy key={path} by={KEYS.job.keys[path]} to={`${job}/${path}${viewSearch(search)}`} />
      ))}
      <OpenedBy by={KEYS.job.keys.ledger} to={`${job}/ledger`} />
      <OpenedBy by={KEYS.job.keys.photo} to={`${job}/photo`} />
      <OpenedBy by={KEYS.job.keys.bench} to="/bench" />
    </>
  );
}

function OpenedBy({ by, to }: { by: Key; to: string }) {
  const navigate = useNavigate();
  useKey(by, () => navigate(to));
  return null;
}

/** An idea has no part in the plan of work, so that what goes on there is no matter of its pages. */
function JobPlanNotice() {
  const { plan, plans, askPlan } = useJobEditor();
  return isPlannedFor(plan) ? <PlanNotice standing={plans.standing} ask={askPlan} /> : null;
}

/** The frame of a job: brand and name, the views, undo and redo; the view; the foot line. */
export function JobFrame({ children }: { children: ReactNode }) {
  const { plan } = useJob();
  return (
    <div className="job-frame">
      <FrameKeys />
      <PageHead title={plan.title}>
        <Tabs />
        <div className="ml-4 flex gap-2 max-lg:ml-auto">
          <Link
            to="/guide"
            className="flex size-8 items-center justify-center rounded-full border border-line bg-board hover:border-ink"
            aria-label="Guide: every rule and its reason"
            title="Guide: every rule and its reason"
          >
            <BookOpen size={15} strokeWidth={1.5} aria-hidden="true" />
          </Link>
          <StepThrough way="undo" />
          <StepThrough way="redo" />
          <KeysDialog>
            <a
              href="/keys"
              className="flex size-8 items-center justify-center rounded-full border border-line bg-board hover:border-ink"
              aria-label="Keys and words"
              title="Keys and words"
            >
              <CircleHelp size={16} strokeWidth={1.5} aria-hidden="true" />
            </a>
          </KeysDialog>
        </div>
      </PageHead>
      <ConflictNotice />
      <main className="job-main">{children}</main>
      <JobPlanNotice />
      <Foot />
      <ViewBar />
    </div>
  );
}
