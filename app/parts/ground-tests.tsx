import { type Ground, isTimber, mayHoldLead } from "#core/plan/ground";
import { contradictionsIn, GUIDED_TESTS } from "#core/plan/ground-tests";
import type { Zone } from "#core/plan/plan";
import { listed } from "#core/rules/words";
import { EditForm, useRefused } from "~/forms/edit-form-parts";

const CLUES = ["slotted screws", "hand-cut joints", "crazed varnish"] as const;

/** The properties of a ground in words, as the tests have set them. */
function Properties({ ground }: { ground: Ground }) {
  const drinks = ground.absorbency >= 0.6 ? "thirsty" : ground.absorbency >= 0.25 ? "half open" : "closed";
  const slick = ground.tooth < 0.2 ? "slick" : ground.tooth < 0.5 ? "smooth" : "rough enough to key";
  const facts = [
    drinks,
    slick,
    ground.soundness,
    ground.bleeds.length > 0 ? `bleeds ${listed(ground.bleeds)}` : "does not bleed",
    ground.contamination.length > 0 ? `${ground.contamination.join(" and ")} on it` : "clean",
    ground.lead === "found"
      ? "contains lead"
      : ground.lead === "none found"
        ? "no lead found"
        : mayHoldLead(ground)
          ? "lead not tested"
          : null,
    isTimber(ground.kind) ? `${ground.grain} grain` : null,
  ].filter(Boolean);
  return <p className="first-letter:uppercase">{facts.join(", ")}.</p>;
}

/** Guided tests at the piece: what to do, and what each answer sets. */
export function GroundTestsPart({ zone }: { zone: Zone }) {
  const { ground } = zone;
  const refused = useRefused("test ground");
  const doubts = contradictionsIn(ground);
  const fits = GUIDED_TESTS.filter(({ name }) =>
    name === "leadSwab"
      ? mayHoldLead(ground) || ground.tests.leadSwab
      : name === "tapePull"
        ? ground.kind !== "raw timber"
        : true,
  );
  return (
    <section aria-label="Tests on the ground" className="mt-5 border-t border-line pt-3">
      <h3 className="text-lg">What the ground is like</h3>
      <Properties ground={ground} />
      {doubts.length > 0 && (
        <ul role="status" className="mt-2 border-l-4 border-l-sienna bg-board px-3 py-2">
          {doubts.map((says) => (
            <li key={says}>{says}</li>
          ))}
        </ul>
      )}
      <div className="mt-2 flex flex-col">
        {fits.map(({ name, title, todo, answers }) => {
          const given = ground.tests[name];
          return (
            <details key={name} className="border-t border-hair" open={refused || (name === "leadSwab" && !given)}>
              <summary className="flex items-baseline gap-2 py-1.5">
                <span className="font-semibold">{title}</span>
                <span className="text-note text-soft">{typeof given === "string" ? given : "not done"}</span>
              </summary>
              <p className="text-note">{todo}</p>
              <EditForm
                does="test ground"
                about={{ zoneId: zone.id, test: name }}
                className="mt-1.5 mb-2 flex flex-wrap gap-1.5"
                label={title}
              >
                {Object.entries(answers).map(([answer, means]) => (
                  <button
                    key={answer}
                    name="answer"
                    value={answer}
                    className={`button !min-h-8 ${given === answer ? "button-main" : ""}`}
                    title={means}
                  >
                    {answer}
                  </button>
                ))}
              </EditForm>
            </details>
          );
        })}
        <details className="border-t border-hair" open={refused}>
          <summary className="flex items-baseline gap-2 py-1.5">
            <span className="font-semibold">Clues of age</span>
            <span className="text-note text-soft">{ground.tests.clues.join(", ") || "none noted"}</span>
          </summary>
          <EditForm
            key={ground.tests.clues.join()}
            does="test ground"
            about={{ zoneId: zone.id, test: "clues" }}
            autosave
            label="Clues of age"
            className="mb-2"
          >
            {CLUES.map((clue) => (
              <label key={clue} className="flex min-h-7 items-center gap-2">
                <input
                  type="checkbox"
                  name="clues"
                  value={clue}
                  defaultChecked={ground.tests.clues.includes(clue)}
                  className="size-4 accent-verdigris"
                />
                {clue}
              </label>
            ))}
            <noscript>
              <button className="button">Save these</button>
            </noscript>
          </EditForm>
        </details>
      </div>
    </section>
  );
}
