import { nanoid } from "nanoid";
import { Link } from "react-router";
import { sayDuration } from "#core/units/duration";
import { useCrustKeys } from "~/crust/crust-keys";
import { SelectionPanel, selectionName } from "~/crust/selection-panel";
import { useJob } from "~/editor/job-editor";
import { readEditForm, stepName } from "~/forms/edit-form";
import { EditForm } from "~/forms/edit-form-parts";
import { Ladder } from "~/ladder/ladder";
import { useLadder } from "~/ladder/use-ladder";
import { useFold } from "~/parts/fold";
import { Leaders } from "~/parts/leaders";
import { NoZone } from "~/parts/no-zone";
import { panes } from "~/parts/panes";
import { useSelection } from "~/parts/selection";
import { SidePane } from "~/parts/side-pane";
import { useRoom } from "~/parts/use-room";
import { columnRoom, ZoneColumn } from "~/parts/zone-column";
import { countOf } from "~/words/amount";

const LADDER_TOP = 46;

export default function CrustView() {
  const { plan, send } = useJob();
  const selection = useSelection();
  const { judged } = selection;
  useCrustKeys(judged, selection);
  const { frame, height, narrow } = useRoom();
  const fold = useFold();
  const room = columnRoom({ height, narrow });
  const layout = useLadder(judged, height - LADDER_TOP - 8, selection);
  if (!judged || !layout) return <NoZone says="Add a zone, and build its crust here" />;
  const { crust, phases } = judged;
  const hands = phases.reduce((sum, placed) => sum + placed.phase.hands, 0);
  return (
    <div ref={frame} className="panes relative" style={panes(`${fold.width} minmax(0, 1fr) 324px`)}>
      <div className="pane-left">
        {fold.folded ? (
          <div className="p-2">{fold.button}</div>
        ) : (
          <ZoneColumn judged={judged} selection={selection} room={room} stepId={selection.stepId} fold={fold.button} />
        )}
      </div>
      <div className="pane" style={{ scrollbarGutter: "stable" }}>
        <div
          className="flex items-center gap-x-3 pr-4 pl-6 max-sm:flex-wrap max-sm:py-2 max-sm:pl-4"
          style={{ minHeight: LADDER_TOP }}
        >
          <div className="min-w-0 flex-1 max-sm:basis-full">
            <EditForm
              key={crust.name}
              does="rename crust"
              about={{ crustId: crust.id }}
              autosave
              label="Name of the crust"
              className="min-w-0"
            >
              {({ faults }) => (
                <>
                  <input
                    name="crustName"
                    type="text"
                    aria-label="Name of the crust"
                    aria-invalid={faults.crustName ? true : undefined}
                    defaultValue={crust.name}
                    className="h-7 w-full truncate rounded-std border border-transparent bg-transparent px-1 py-0 font-head text-xl font-semibold hover:border-line focus:border-edge focus:bg-white"
                  />
                  {faults.crustName && <p className="text-note text-ochre">{faults.crustName}</p>}
                </>
              )}
            </EditForm>
            <p className="px-[5px] text-note leading-4 text-soft">
              {countOf(crust.steps.length, "step")} · {sayDuration(hands)}
            </p>
          </div>
          <Link
            to={`/jobs/${plan.id}/finish?zone=${judged.zone.id}`}
            className="shrink-0 py-1 font-semibold text-verdigris hover:underline"
          >
            Finishes
          </Link>
          <Link
            to={selection.linkTo({ aside: "next", step: selection.stepId })}
            replace
            preventScrollReset
            className="shrink-0 py-1 font-semibold text-verdigris hover:underline"
          >
            What next?
          </Link>
          <Link
            to={selection.linkTo({ add: crust.steps.length, step: null })}
            replace
            preventScrollReset
            className="shrink-0 py-1 font-semibold text-verdigris hover:underline"
          >
            Add step
          </Link>
        </div>
        <Ladder
          judged={judged}
          layout={layout}
          selection={selection}
          nameOf={(step) => stepName(plan, step)}
          onMove={(stepId, to) => {
            const done = readEditForm(plan, { do: "move step", crustId: crust.id, stepId, to: String(to) }, () =>
              nanoid(10),
            );
            if (done.ok) send(done.label, done.commands);
          }}
        />
        {crust.steps.length === 0 && (
          <p className="px-14 py-3 text-soft">
            No steps yet.{" "}
            <Link to={`/jobs/${plan.id}/finish?zone=${judged.zone.id}`} className="link">
              Choose a finish
            </Link>
            , or the first step on the right; work from the ground up.
          </p>
        )}
        {layout.height > height - LADDER_TOP && <div className="h-8" />}
      </div>
      {!fold.folded && LADDER_TOP + layout.height <= height && (
        <div className="contents max-lg:hidden">
          <Leaders
            judged={judged}
            stepId={selection.stepId}
            room={room}
            ladderTop={LADDER_TOP}
            middles={layout.middles}
            height={height}
          />
        </div>
      )}
      <SidePane
        label="Selection"
        button={selectionName(judged, selection, (step) => stepName(plan, step))}
        wake={`${selection.addAt ?? ""} ${selection.aside ?? ""} ${selection.stepId ?? ""}`.trim()}
        opened={selection.addAt !== null || crust.steps.length === 0}
        className="p-4"
      >
        <SelectionPanel judged={judged} selection={selection} />
      </SidePane>
    </div>
  );
}
