import { useDeferredValue, useMemo } from "react";
import { Link, useLoaderData, useNavigate, useSearchParams } from "react-router";
import { colourDifference } from "#core/colour/difference";
import { contrastRatioOf } from "#core/colour/film";
import { filmColour, isMetallic, opticsOfMix } from "#core/colour/material-colour";
import { colourOfMix, type MixPart, nearestMixes } from "#core/colour/nearest-mix";
import { readColour } from "#core/colour/written";
import { CATALOGUE } from "#core/materials/catalogue";
import { dryFilm } from "#core/quantity/spread";
import { together } from "#core/rules/mixing/p1-what-may-be-mixed";
import { DrawDown } from "~/drawing/draw-down";
import { useJob } from "~/editor/job-editor";
import { EditForm, Field } from "~/forms/edit-form-parts";
import { MOST_TINS, readMixParts } from "~/forms/edits/colour";
import { MixLine, NEAR, Quarrels, sayLab } from "~/mix/mix-lines";
import { address, FROM, LEAST_WORTH, MOST_LOCKED, OPAQUE, POTS, Tin, written } from "~/mix/tin";
import { WantedColours } from "~/mix/wanted-colours";
import { panes } from "~/parts/panes";
import { Term } from "~/parts/term";
import type { There } from "~/routes/mix";
import { sayDifference } from "~/words/difference";

export default function MixView() {
  const { plan } = useJob();
  const [params] = useSearchParams();
  const navigate = useNavigate();
  const { materials } = plan.pinned;
  const all = useMemo(() => {
    return [...materials, ...CATALOGUE.filter((material) => !materials.some(({ id }) => id === material.id))].filter(
      ({ role }) => POTS.has(role),
    );
  }, [materials]);
  const find = (id: string) => all.find((material) => material.id === id);
  const asked = readMixParts(params.get("mix") ?? "", find).slice(0, MOST_TINS);
  const first = all.filter(({ role }) => OPAQUE.has(role));
  const parts: MixPart[] =
    asked.length > 0 ? asked : first.slice(0, 2).map((material, index) => ({ material, parts: 2 - index }));
  const colour = colourOfMix(parts);
  const optics = opticsOfMix(parts);
  const film =
    parts.reduce((sum, { material, parts: count }) => sum + count * dryFilm(material), 0) /
    parts.reduce((sum, part) => sum + part.parts, 0);
  const gloss = parts[0]!.material.gloss.typical;
  const chart = {
    overWhite: filmColour(optics, film, "#fbfbfa", gloss),
    overBlack: filmColour(optics, film, "#1c1b1a", gloss),
  };
  const wantedText = params.get("want") ?? plan.palette[0]?.colour ?? plan.pinned.materials[0]?.colour ?? "#a9bdb3";
  const wantedRead = readColour(wantedText);
  const wanted = wantedRead.ok ? wantedRead.colour : null;
  const { there } = useLoaderData<There>();
  const from = FROM.find(({ value }) => value === params.get("from")) ?? FROM[0]!;
  const locked = useMemo(() => new Set((params.get("lock") ?? "").split(",").filter(Boolean)), [params]);
  const shelf = useMemo(
    () =>
      (from.value === "job" ? materials : all).filter(
        (material) =>
          OPAQUE.has(material.role) &&
          !isMetallic(material) &&
          (from.value !== "shelf" || (there[material.id] ?? 0) > LEAST_WORTH),
      ),
    [from, materials, all, there],
  );
  const must = useMemo(
    () => all.filter(({ id, role }) => locked.has(id) && OPAQUE.has(role)).slice(0, MOST_LOCKED),
    [all, locked],
  );
  const sought = useDeferredValue(wanted);
  const nearest = useMemo(
    () =>
      sought === null
        ? []
        : nearestMixes(sought, shelf, {
            together: (a, b) => together(a, b)?.severity !== "stop",
            must,
            most: 6,
          }),
    [sought, shelf, must],
  );
  // what is farther than can be worked with is shown only where nothing is near
  const limit = Math.max(NEAR, (nearest[0]?.difference ?? 0) + 1);
  const near = nearest.filter(({ difference }) => difference <= limit);
  const addTin = all.find((other) => OPAQUE.has(other.role) && !parts.some(({ material }) => material.id === other.id));
  return (
    <div className="panes" style={panes("minmax(0, 1fr) minmax(0, 1fr)")}>
      <section aria-label="The mix" className="pane px-6 pt-4 pb-8 max-sm:px-4">
        <h1 className="text-view">Mixing bench</h1>
        <p className="mb-3 text-note text-soft">
          Parts by volume, straight from the tin. Predicted from how each paint absorbs and scatters light; keep a wet
          sample and the written ratio.
        </p>
        <DrawDown colour={colour} chart={chart} label={`The mix: ${colour}, ${sayLab(colour)}`} />
        <div className="mt-1.5 flex items-baseline gap-4">
          <b className="font-semibold" data-mix-colour="">
            {colour}
          </b>
          <span className="text-soft">{sayLab(colour)}</span>
          <span className="flex-1" />
          <span className="text-note text-soft">
            one coat hides {Math.round(100 * contrastRatioOf(optics, film))} %, shown over white and over black
          </span>
        </div>
        <ol className="mt-3">
          {parts.map((part, index) => (
            <Tin
              key={`${parts.slice(0, index).filter((mixPart) => mixPart.material === part.material).length} ${part.material.id}`}
              part={part}
              at={index}
              parts={parts}
              choices={all}
              locked={locked}
              there={there[part.material.id] ?? 0}
            />
          ))}
        </ol>
        {addTin && parts.length < MOST_TINS && (
          <Link
            to={address(params, { mix: written([...parts, { material: addTin, parts: 1 }]) })}
            replace
            preventScrollReset
            className="mt-2 inline-block font-semibold text-verdigris hover:underline"
          >
            Add tin
          </Link>
        )}
        <Quarrels parts={parts} />
        {wanted && (
          <p className="mt-3">
            Against the target colour:{" "}
            <b className="font-semibold">
              <Term of="ΔE00" /> {colourDifference(colour, wanted).toFixed(1)}
            </b>
            , {sayDifference(colourDifference(colour, wanted))}.
          </p>
        )}
        {parts.length > 1 && (
          <EditForm
            does="save mix"
            about={{ mix: written(parts) }}
            label="Save this mix"
            className="mt-4 flex items-end gap-2"
          >
            {({ faults, values }) => (
              <>
                <div className="min-w-0 flex-1">
                  <Field name="mixName" label="Save as" fault={faults.mixName}>
                    {(field) => <input {...field} type="text" maxLength={80} defaultValue={values?.mixName ?? ""} />}
                  </Field>
                </div>
                <button className="button button-main">Save mix</button>
              </>
            )}
          </EditForm>
        )}
      </section>
      <section aria-label="Target colour" className="min-h-0 overflow-y-auto px-6 pt-4 pb-8">
        <h2 className="text-view">Target colour</h2>
        <form method="get" className="mt-2 flex items-end gap-2">
          {[...params]
            .filter(([key]) => key !== "want")
            .map(([key, value]) => (
              <input key={key} type="hidden" name={key} value={value} />
            ))}
          <input
            type="color"
            aria-label="Pick the target colour"
            className="h-14 w-16 shrink-0 cursor-pointer rounded-std border border-edge bg-board p-0.5"
            value={wanted ?? "#a9bdb3"}
            onChange={(event) =>
              navigate(address(params, { want: event.target.value }), { replace: true, preventScrollReset: true })
            }
          />
          <div className="min-w-0 flex-1">
            <Field name="want" label="As #a9bdb3, or Lab 74 -8 4" fault={wantedRead.ok ? undefined : wantedRead.says}>
              {(field) => <input {...field} key={wantedText} type="text" maxLength={40} defaultValue={wantedText} />}
            </Field>
          </div>
          <button className="button button-main">Find the nearest mixes</button>
        </form>
        <WantedColours wanted={wanted} />
        <div className="mt-5 flex items-baseline gap-3 border-b border-line pb-1">
          <h3 className="flex-1 font-head text-lg font-semibold">Nearest mixes</h3>
          {FROM.map(({ value, name }) => (
            <Link
              key={name}
              to={address(params, { from: value })}
              replace
              preventScrollReset
              aria-current={from.value === value ? "true" : undefined}
              className={from.value === value ? "font-semibold" : "link text-soft"}
            >
              {name}
            </Link>
          ))}
        </div>
        {wanted && (
          <ol aria-label="Nearest mixes">
            {near.map((mix) => (
              <MixLine
                key={written(mix.parts)}
                mix={mix}
                wanted={wanted}
                chosen={written(mix.parts) === written(parts)}
                to={address(params, { mix: written(mix.parts) })}
              />
            ))}
          </ol>
        )}
        {wanted && near.length > 0 && near.length < nearest.length && (
          <p className="mt-2 text-note text-soft">Everything else is a different colour.</p>
        )}
        {wanted && nearest.length === 0 && (
          <p className="mt-3 text-soft">
            {must.length > 0
              ? "No mix can be made with the tins that are locked. Unlock one."
              : "There is no paint to mix. Choose All paints instead."}
          </p>
        )}
      </section>
    </div>
  );
}
