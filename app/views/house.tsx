import { Link, useLoaderData } from "react-router";
import { HOUSE_RULE_KEYS, SCHOOLS } from "#core/plan/house-rules";
import { RULES } from "#core/rules/rules";
import { useJob } from "~/editor/job-editor";
import { EditForm } from "~/forms/edit-form-parts";
import { HoursForm } from "~/parts/hours-form";
import { panes } from "~/parts/panes";
import { RoomForm } from "~/parts/room-form";
import { RoomSensor } from "~/parts/room-sensor";
import { SidePane } from "~/parts/side-pane";
import { Explained, Term } from "~/parts/term";

const inSentence = (title: string) => title.charAt(0).toLowerCase() + title.slice(1);

/** One question on which practitioners differ: every answer with its reason, the shop's own selected. */
function Question({ name }: { name: (typeof HOUSE_RULE_KEYS)[number] }) {
  const { plan } = useJob();
  const { title, asks, reason, choices } = SCHOOLS[name];
  const chosen = plan.pinned.houseRules[name];
  const judging = RULES.filter((rule) => rule.meta.schools.includes(name));
  return (
    <section className="border-t border-line py-3" aria-label={title}>
      <div className="grid gap-x-6 gap-y-2 sm:grid-cols-[minmax(0,1fr)_minmax(0,1.35fr)]">
        <div>
          <h2 className="text-lg">{title}</h2>
          <p className="mt-0.5 text-note text-soft">
            <Explained text={reason} />
          </p>
          {judging.length > 0 && (
            <p className="mt-1 text-note text-soft">
              Affects:{" "}
              {judging.map((rule, index) => (
                <span key={rule.meta.id}>
                  {index > 0 && ", "}
                  <Link to={`/guide#${rule.meta.id}`} className="link">
                    {inSentence(rule.meta.title)}
                  </Link>
                </span>
              ))}
              .
            </p>
          )}
        </div>
        <EditForm key={chosen} does="set house rules" autosave label={asks}>
          <fieldset>
            <legend className="mb-1 text-note text-soft">{asks}</legend>
            {Object.entries(choices).map(([choice, says]) => (
              <label
                key={choice}
                className={`flex min-h-8 items-baseline gap-2 border-l-[3px] px-2 py-1 ${choice === chosen ? "border-l-verdigris bg-board" : "border-l-transparent"}`}
              >
                <input
                  type="radio"
                  name={name}
                  value={choice}
                  defaultChecked={choice === chosen}
                  className="accent-verdigris"
                />
                <span>
                  <span className="font-semibold first-letter:uppercase">{choice}</span>
                  <span className="ml-2 text-note text-soft">{says}</span>
                </span>
              </label>
            ))}
          </fieldset>
          <noscript>
            <button className="button mt-1">Follow this school</button>
          </noscript>
        </EditForm>
      </div>
    </section>
  );
}

export default function HouseView() {
  const loaderData = useLoaderData<{ sensor: boolean }>();
  return (
    <div className="panes" style={panes("minmax(0, 1fr) 340px")}>
      <section className="pane px-6 pt-4 pb-8 max-sm:px-4" aria-label="House rules">
        <h1 className="text-view">House rules</h1>
        <p className="mt-0.5 mb-3 text-soft">
          Where practitioners differ, the tool follows your <Term of="School">school</Term> and says who would do
          otherwise. Changes take effect at once.
        </p>
        {HOUSE_RULE_KEYS.map((name) => (
          <Question key={name} name={name} />
        ))}
      </section>
      <SidePane label="Room and hours" className="px-5 py-4">
        <h2 className="text-lg">Air of the room</h2>
        <p className="mb-2 text-note text-soft">
          Every wait and <Term of="Window">window</Term> depends on it, hour by hour; so do the checks for cold, damp,
          dew and draught.
        </p>
        {loaderData.sensor && <RoomSensor />}
        <RoomForm />
        <AsSeenHere />
        <h2 className="mt-7 text-lg">Working hours</h2>
        <p className="mb-2 text-note text-soft">When someone is at work; drying goes on all the time.</p>
        <HoursForm />
      </SidePane>
    </div>
  );
}

/** Kinds that this job takes to dry as they have been seen to in this shop, and not as their tins say. */
function AsSeenHere() {
  const { plan } = useJob();
  const factors = Object.entries(plan.pinned.drying ?? {});
  if (factors.length === 0) return null;
  return (
    <p className="mt-3 text-note">
      Dries as seen in this shop:{" "}
      {factors.map(([family, factor]) => `${family} ${factor.toFixed(2)} times as long as the tin says`).join(", ")}.{" "}
      <Link className="link" to={`/jobs/${plan.id}/ledger`}>
        What that comes from
      </Link>
    </p>
  );
}
