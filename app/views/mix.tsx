import { Lock, LockOpen } from "lucide-react";
import { useDeferredValue, useMemo } from "react";
import { Link, useLoaderData, useNavigate, useSearchParams } from "react-router";
import { colourDifference, labOf } from "#core/colour/difference";
import { contrastRatioOf } from "#core/colour/film";
import { filmColour, isMetallic, opticsOfMix } from "#core/colour/material-colour";
import { colourOfMix, type Mix, type MixPart, nearestMixes } from "#core/colour/nearest-mix";
import { readColour } from "#core/colour/written";
import { CATALOGUE } from "#core/materials/catalogue";
import type { Material } from "#core/materials/material";
import { dryFilm } from "#core/quantity/spread";
import { together } from "#core/rules/mixing/p1-what-may-be-mixed";
import { unitOf } from "#core/shelf/usage";
import { DrawDown } from "~/drawing/draw-down";
import { Swatch } from "~/drawing/swatch";
import { useJob } from "~/editor/job-editor";
import { EditForm, Field, TextField, useRefused } from "~/forms/edit-form-parts";
import { MOST_PARTS, MOST_TINS, readMixParts } from "~/forms/edits/colour";
import { panes } from "~/parts/panes";
import { Term } from "~/parts/term";
import type { There } from "~/routes/mix";
import { sayDifference } from "~/words/difference";

const POTS: ReadonlySet<Material["role"]> = new Set([
  "paint",
  "pigment",
  "tint-base",
  "glaze",
  "wax",
  "primer",
  "paste",
  "stain",
]);
const OPAQUE: ReadonlySet<Material["role"]> = new Set(["paint", "pigment", "tint-base"]);

/** Where the tins of a mix may come from. */
const FROM = [
  { value: null, name: "All paints" },
  { value: "job", name: "In this job" },
  { value: "shelf", name: "On the shelf" },
] as const;
/** Less than this is not worth opening a tin for. */
const LEAST_WORTH = 20;
const MOST_LOCKED = 3;
/** Beyond this ΔE00 a mix is visibly another colour. */
const NEAR = 6;

const written = (parts: readonly MixPart[]) =>
  parts.map(({ material, parts: count }) => `${material.id}:${count}`).join(",");
const sayLab = (colour: string) => {
  const { l, a, b } = labOf(colour);
  return `Lab ${l.toFixed(0)} ${a.toFixed(0)} ${b.toFixed(0)}`;
};

function address(params: URLSearchParams, change: Record<string, string | null>): string {
  const next = new URLSearchParams(params);
  for (const [key, value] of Object.entries(change))
    if (value === null) next.delete(key);
    else next.set(key, value);
  return `?${next}`;
}

/** One tin on the bench: which, and how many parts of it. */
function Tin({
  part,
  at,
  parts,
  choices,
  locked,
  there,
}: {
  part: MixPart;
  at: number;
  parts: readonly MixPart[];
  choices: readonly Material[];
  locked: ReadonlySet<string>;
  there: number;
}) {
  const [params] = useSearchParams();
  const navigate = useNavigate();
  const go = (next: readonly MixPart[]) =>
    navigate(address(params, { mix: written(next) }), { replace: true, preventScrollReset: true });
  const change = (own: Partial<MixPart>) => go(parts.map((one, index) => (index === at ? { ...one, ...own } : one)));
  const { id } = part.material;
  const isLocked = locked.has(id);
  const lock = [...locked].filter((one) => one !== id).concat(isLocked ? [] : [id]);
  return (
    <li className="flex items-center gap-3 border-b border-hair py-1.5">
      <Swatch material={part.material} size={26} />
      {OPAQUE.has(part.material.role) && (
        <Link
          to={address(params, { lock: lock.length > 0 ? lock.join(",") : null })}
          replace
          preventScrollReset
          title={isLocked ? "In every mix that is looked for" : "Look only for mixes with this tin"}
          aria-label={`${isLocked ? "Unlock" : "Lock"} ${part.material.name}`}
          className={`flex size-8 shrink-0 items-center justify-center rounded-std border ${isLocked ? "border-ink bg-wash" : "border-line text-soft hover:border-ink"}`}
        >
          {isLocked ? (
            <Lock size={14} strokeWidth={1.75} aria-hidden="true" />
          ) : (
            <LockOpen size={14} strokeWidth={1.5} aria-hidden="true" />
          )}
        </Link>
      )}
      <select
        aria-label={`Tin ${at + 1}`}
        className="field min-w-0 flex-1"
        value={part.material.id}
        onChange={(event) => change({ material: choices.find(({ id }) => id === event.target.value) ?? part.material })}
      >
        {choices.map((one) => (
          <option key={one.id} value={one.id}>
            {one.name}
          </option>
        ))}
      </select>
      <span className="w-20 shrink-0 text-right text-note text-soft">
        {there > 0 ? `${Math.round(there)} ${unitOf(part.material)} there` : "none there"}
      </span>
      <div className="flex items-center">
        <Link
          to={address(params, {
            mix: written(
              parts.map((one, index) => (index === at ? { ...one, parts: Math.max(1, one.parts - 1) } : one)),
            ),
          })}
          replace
          preventScrollReset
          className="button !min-w-8 !px-0"
          aria-label={`One fewer part of ${part.material.name}`}
        >
          −
        </Link>
        <output className="w-12 text-center text-[1.0625rem] font-semibold">{part.parts}</output>
        <Link
          to={address(params, {
            mix: written(
              parts.map((one, index) => (index === at ? { ...one, parts: Math.min(MOST_PARTS, one.parts + 1) } : one)),
            ),
          })}
          replace
          preventScrollReset
          className="button !min-w-8 !px-0"
          aria-label={`One more part of ${part.material.name}`}
        >
          +
        </Link>
      </div>
      {parts.length > 1 && (
        <Link
          to={address(params, { mix: written(parts.filter((_, index) => index !== at)) })}
          replace
          preventScrollReset
          className="link text-note text-soft"
          aria-label={`Remove ${part.material.name}`}
        >
          Remove
        </Link>
      )}
    </li>
  );
}

/** Why these tins should not be mixed. */
function Quarrels({ parts }: { parts: readonly MixPart[] }) {
  const told = parts.flatMap((one, at) =>
    parts.slice(at + 1).flatMap((two) => {
      const verdict = together(one.material, two.material);
      return verdict && verdict.severity !== "note"
        ? [{ key: `${one.material.id}+${two.material.id}`, one, two, ...verdict }]
        : [];
    }),
  );
  if (told.length === 0) return null;
  return (
    <ul className="mt-3 flex flex-col gap-1.5">
      {told.map(({ key, one, two, severity, because }) => (
        <li
          key={key}
          className={`border-l-4 bg-board px-3 py-1.5 text-note ${severity === "stop" ? "border-l-ochre" : "border-l-sienna"}`}
        >
          <b className="font-semibold">
            {severity === "stop" ? "Do not mix" : "Test first"}: {one.material.name} with {two.material.name}.
          </b>{" "}
          {because}
        </li>
      ))}
    </ul>
  );
}

function MixLine({ mix, wanted, chosen, to }: { mix: Mix; wanted: string; chosen: boolean; to: string }) {
  const whole = mix.parts.reduce((sum, { parts }) => sum + parts, 0);
  return (
    <li>
      <Link
        to={to}
        replace
        preventScrollReset
        aria-current={chosen ? "true" : undefined}
        className={`flex items-center gap-3 border-b border-l-[3px] border-b-hair py-2 pl-2 ${chosen ? "border-l-verdigris bg-board" : "border-l-transparent hover:bg-board/60"}`}
      >
        <span className="flex h-10 w-16 shrink-0 overflow-hidden rounded-std border border-edge" aria-hidden="true">
          <span className="flex-1" style={{ background: wanted }} />
          <span className="flex-1" style={{ background: mix.colour }} />
        </span>
        <span className="min-w-0 flex-1">
          {mix.parts.map(({ material, parts }) => (
            <span key={material.id} className="flex items-center gap-2">
              <b className="w-6 shrink-0 text-right font-semibold">{parts}</b>
              <span className="truncate">{material.name}</span>
              <span
                className="h-1.5 shrink-0 rounded-full"
                style={{ width: `${(60 * parts) / whole}px`, background: material.colour }}
                aria-hidden="true"
              />
            </span>
          ))}
        </span>
        <span className="w-40 shrink-0 text-right whitespace-nowrap">
          <b className="font-semibold">ΔE00 {mix.difference.toFixed(1)}</b>
          <span className="block text-note text-soft">{sayDifference(mix.difference)}</span>
        </span>
      </Link>
    </li>
  );
}

export default function MixView() {
  const { plan } = useJob();
  const [params] = useSearchParams();
  const navigate = useNavigate();
  const { materials } = plan.pinned;
  const all = useMemo(() => {
    return [...materials, ...CATALOGUE.filter((one) => !materials.some(({ id }) => id === one.id))].filter(({ role }) =>
      POTS.has(role),
    );
  }, [materials]);
  const find = (id: string) => all.find((one) => one.id === id);
  const asked = readMixParts(params.get("mix") ?? "", find).slice(0, MOST_TINS);
  const first = all.filter(({ role }) => OPAQUE.has(role));
  const parts: MixPart[] =
    asked.length > 0 ? asked : first.slice(0, 2).map((material, at) => ({ material, parts: 2 - at }));
  const colour = colourOfMix(parts);
  const optics = opticsOfMix(parts);
  const film =
    parts.reduce((sum, { material, parts: count }) => sum + count * dryFilm(material), 0) /
    parts.reduce((sum, one) => sum + one.parts, 0);
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
        (one) =>
          OPAQUE.has(one.role) && !isMetallic(one) && (from.value !== "shelf" || (there[one.id] ?? 0) > LEAST_WORTH),
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
            together: (one, two) => together(one, two)?.severity !== "stop",
            must,
            most: 6,
          }),
    [sought, shelf, must],
  );
  // what is farther than can be worked with is shown only where nothing is near
  const limit = Math.max(NEAR, (nearest[0]?.difference ?? 0) + 1);
  const near = nearest.filter(({ difference }) => difference <= limit);
  const addTin = all.find((one) => OPAQUE.has(one.role) && !parts.some(({ material }) => material.id === one.id));
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
          {parts.map((part, at) => (
            <Tin
              key={`${parts.slice(0, at).filter((one) => one.material === part.material).length} ${part.material.id}`}
              part={part}
              at={at}
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

/** The job's target colours: saved, imported from a palette, exported as one. */
function WantedColours({ wanted }: { wanted: string | null }) {
  const { plan } = useJob();
  const refused = useRefused("add target", "import palette");
  const [params] = useSearchParams();
  return (
    <div className="mt-3">
      {plan.palette.length > 0 && (
        <ul className="flex flex-wrap gap-1.5" aria-label="Target colours of this job">
          {plan.palette.map(({ name, colour }, at) => (
            <li key={`${colour} ${name}`} className="flex items-center rounded-std border border-line bg-board">
              <Link
                to={address(params, { want: colour })}
                replace
                preventScrollReset
                aria-current={colour === wanted ? "true" : undefined}
                className="flex min-h-[26px] items-center gap-1.5 px-2 text-note hover:underline"
              >
                <span
                  className="size-3.5 rounded-full border border-edge"
                  style={{ background: colour }}
                  aria-hidden="true"
                />
                {name}
              </Link>
              <EditForm does="remove target" about={{ at: String(at) }} label={`Remove ${name}`}>
                <button className="px-1.5 text-soft hover:text-ink" aria-label={`Remove ${name}`}>
                  ×
                </button>
              </EditForm>
            </li>
          ))}
        </ul>
      )}
      <details className="mt-2" open={refused}>
        <summary className="py-1 text-note text-soft">Save this colour, or import a palette</summary>
        <div className="mt-1 grid grid-cols-2 gap-4">
          <EditForm key={wanted} does="add target" label="Save a target colour" className="flex flex-col gap-2">
            {({ faults, values }) => (
              <>
                <TextField name="wanted" label="Colour" fault={faults.wanted} value={values?.wanted ?? wanted ?? ""} />
                <Field name="wantedName" label="Name" fault={faults.wantedName}>
                  {(field) => <input {...field} type="text" maxLength={80} defaultValue={values?.wantedName ?? ""} />}
                </Field>
                <button className="button">Save colour</button>
              </>
            )}
          </EditForm>
          <EditForm
            key={plan.palette.length}
            does="import palette"
            label="Import a palette"
            className="flex flex-col gap-2"
          >
            {({ faults, values }) => (
              <>
                <Field name="palette" label="GIMP palette (*.gpl), as text" fault={faults.palette}>
                  {(field) => (
                    <textarea
                      {...field}
                      rows={4}
                      defaultValue={values?.palette ?? ""}
                      placeholder={"GIMP Palette\nName: harbour\n169 189 179 duck egg"}
                    />
                  )}
                </Field>
                <PaletteFile />
                <div className="flex gap-2">
                  <button className="button">Import</button>
                  <a className="button" href={`/jobs/${plan.id}/palette.gpl`} download>
                    Export palette
                  </a>
                </div>
              </>
            )}
          </EditForm>
        </div>
      </details>
    </div>
  );
}

/** Puts a file's text into the field above it. */
function PaletteFile() {
  return (
    <input
      type="file"
      accept=".gpl,text/plain"
      aria-label="Palette file"
      className="text-note"
      onChange={async (event) => {
        const input = event.currentTarget;
        const file = input.files?.[0];
        const field = input.form?.elements.namedItem("palette");
        if (file && field instanceof HTMLTextAreaElement)
          field.value = (await file.slice(0, 70_000).text()).slice(0, 65_000);
        input.value = "";
      }}
    />
  );
}
