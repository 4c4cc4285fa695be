import { useMemo, useState } from "react";
import { Form, Link, useNavigation } from "react-router";
import { judge } from "#core/judge/judge";
import { GROUND_KINDS, type GroundKind, groundOf, isTimber, SPECIES } from "#core/plan/ground";
import { PIECE_KITS, type PieceKit, zonesFromKit } from "#core/plan/kits";
import { examplePlan } from "#core/rules/example";
import { Elevation } from "~/drawing/elevation";
import { Field, TextField } from "~/forms/edit-form-parts";
import type { Faults, FormFields } from "~/forms/fields";
import { WhenInput } from "~/forms/when-input";
import { FormTrouble, NewJobHead } from "~/parts/new-job-parts";
import { FieldGroup } from "~/parts/plain-field";
import { Choice } from "~/parts/zone/choice";
import { HotThings, WATER_CHOICES, WEAR_CHOICES } from "~/parts/zone/use-fields";
import { ZoneFields } from "~/parts/zone/zone-fields";
import type { Route } from "../routes/+types/new-job";

interface Props {
  values: FormFields;
  faults: Faults;
  id: string;
  start: string;
}

function Moment({ name, label, value, faults }: { name: string; label: string; value?: string; faults: Faults }) {
  return (
    <Field name={name} label={label} fault={faults[name]}>
      {(field) => <WhenInput {...field} type="datetime-local" defaultValue={value} />}
    </Field>
  );
}

/** The two ways on: to the finishes, or straight to an empty crust. */
function Next() {
  const busy = useNavigation().state !== "idle";
  return (
    <div className="flex flex-wrap items-center gap-3">
      <button className="button button-main px-6 text-base" name="next" value="finish" disabled={busy}>
        {busy ? "Creating the job …" : "Choose a finish"}
      </button>
      <button className="button" name="next" value="crust" disabled={busy}>
        Begin with an empty crust
      </button>
    </div>
  );
}

function KitDrawing({
  kit,
  ground,
  species,
}: {
  kit: PieceKit;
  ground: GroundKind;
  species: (typeof SPECIES)[number];
}) {
  const { zones, judged } = useMemo(() => {
    let made = 0;
    const plan = examplePlan({ shows: "nothing yet", ground: "raw timber", steps: [] });
    const list = zonesFromKit(
      kit,
      kit.sizes.map(({ usual }) => usual),
      { crustId: "c1", ground: groundOf(ground, species), newId: () => `${kit.id}-${++made}` },
    );
    const faces = list.filter(({ place }) => place?.drawn !== "knob");
    return { zones: faces, judged: judge({ ...plan, pieces: [{ id: "p1", name: kit.name, zones: faces }] }).zones };
  }, [kit, ground, species]);
  return <Elevation zones={zones} judged={judged} width={190} height={170} />;
}

const isGround = (text: string): text is GroundKind => (GROUND_KINDS as readonly string[]).includes(text);

const isSpecies = (text: string): text is (typeof SPECIES)[number] => (SPECIES as readonly string[]).includes(text);

/** one of the standard pieces, by its drawing and a few measures. */
function ReadyPieces({ values, faults, id, start }: Props) {
  const [kitId, setKit] = useState(values.kit ?? PIECE_KITS[0]!.id);
  const [ground, setGround] = useState<GroundKind>(
    isGround(values.groundKind ?? "") ? (values.groundKind as GroundKind) : "raw timber",
  );
  const [species, setSpecies] = useState<(typeof SPECIES)[number]>(
    isSpecies(values.species ?? "") ? (values.species as "oak") : "pine",
  );
  const kit = PIECE_KITS.find((pieceKit) => pieceKit.id === kitId) ?? PIECE_KITS[0]!;
  return (
    <Form method="post" className="new-piece" noValidate>
      <input type="hidden" name="id" value={values.id ?? id} />
      <div className="p-5">
        <h1 className="text-[1.5rem]">What is it?</h1>
        <p className="mb-3 text-soft">
          Pick what comes nearest; every measure and zone can be changed later. Or{" "}
          <Link className="link" to="/jobs/new?measures=own">
            give your own measures
          </Link>
          .
        </p>
        <FormTrouble faults={faults} />
        <fieldset>
          <legend className="sr-only">Piece</legend>
          <div className="kit-grid">
            {PIECE_KITS.map((pieceKit) => (
              <label key={pieceKit.id} className="kit-card">
                <input
                  type="radio"
                  name="kit"
                  value={pieceKit.id}
                  className="sr-only"
                  defaultChecked={pieceKit.id === kit.id}
                  onChange={() => setKit(pieceKit.id)}
                />
                <KitDrawing kit={pieceKit} ground={ground} species={species} />
                <span className="font-medium">{pieceKit.name}</span>
              </label>
            ))}
          </div>
          {faults.kit && <p className="mt-2 text-ochre">{faults.kit}</p>}
        </fieldset>
      </div>
      <div className="new-piece-more">
        <h2 className="text-view">Your {kit.name.toLowerCase()}</h2>
        <div className="grid grid-cols-3 gap-3">
          {kit.sizes.map(({ key, label, usual }) => (
            <TextField
              key={`${kit.id}/${key}`}
              name={key}
              label={`${label}, mm`}
              fault={faults[key]}
              keys="decimal"
              placeholder={String(usual)}
              value={values[key]}
            />
          ))}
        </div>
        <div className="grid grid-cols-2 gap-3">
          <Field name="groundKind" label="What is on it now" fault={faults.groundKind}>
            {(field) => (
              <select
                {...field}
                value={ground}
                onChange={({ target }) => isGround(target.value) && setGround(target.value)}
              >
                {GROUND_KINDS.map((kind) => (
                  <option key={kind}>{kind}</option>
                ))}
              </select>
            )}
          </Field>
          <Field name="species" label="Timber" fault={faults.species}>
            {(field) => (
              <select
                {...field}
                value={species}
                disabled={!isTimber(ground)}
                onChange={({ target }) => isSpecies(target.value) && setSpecies(target.value)}
              >
                {SPECIES.map((species) => (
                  <option key={species}>{species}</option>
                ))}
              </select>
            )}
          </Field>
          <Choice name="wear" label="Use" values={values} faults={faults} usual="gentle" choices={WEAR_CHOICES} />
          <Choice name="water" label="Water" values={values} faults={faults} usual="dry" choices={WATER_CHOICES} />
        </div>
        <HotThings on={values.heat === "on"} />
        <TextField
          name="title"
          label="Job name (optional)"
          fault={faults.title}
          placeholder={kit.name}
          value={values.title}
        />
        <div className="grid grid-cols-2 gap-3">
          <Moment name="start" label="Work can begin" value={values.start ?? start} faults={faults} />
          <Moment name="due" label="Due (optional)" value={values.due} faults={faults} />
        </div>
        <TextField name="client" label="Client (optional)" fault={faults.client} value={values.client} />
        <Next />
      </div>
    </Form>
  );
}

/** A piece that none of the standard ones comes near: its first zone, by hand. */
function OwnMeasures({ values, faults, id, start }: Props) {
  return (
    <div className="mx-auto max-w-3xl px-5 py-5">
      <h1 className="text-[1.5rem]">Your own measures</h1>
      <p className="mb-5 text-soft">
        The piece and its first zone; you can add more later. Or{" "}
        <Link className="link" to="/jobs/new">
          pick a standard piece
        </Link>
        .
      </p>
      <FormTrouble faults={faults} />
      <Form method="post" className="flex flex-col gap-6" noValidate>
        <input type="hidden" name="own" value="yes" />
        <input type="hidden" name="id" value={values.id ?? id} />
        <FieldGroup title="Job">
          <div className="col-span-3">
            <TextField
              name="title"
              label="Job name"
              fault={faults.title}
              placeholder="Carved settle"
              value={values.title}
            />
          </div>
          <div className="col-span-3">
            <TextField name="client" label="Client (optional)" fault={faults.client} value={values.client} />
          </div>
          <div className="col-span-2">
            <TextField name="piece" label="Piece" fault={faults.piece} placeholder="Settle" value={values.piece} />
          </div>
          <div className="col-span-2">
            <Moment name="start" label="Work can begin" value={values.start ?? start} faults={faults} />
          </div>
          <div className="col-span-2">
            <Moment name="due" label="Due (optional)" value={values.due} faults={faults} />
          </div>
        </FieldGroup>
        <ZoneFields values={values} faults={faults} />
        <div className="flex justify-end border-t border-line pt-4">
          <Next />
        </div>
      </Form>
    </div>
  );
}

export default function NewJob({ loaderData, actionData }: Route.ComponentProps) {
  const values: FormFields = actionData?.values ?? {};
  const faults: Faults = actionData?.faults ?? {};
  const { id, start, own } = loaderData;
  const Way = own ? OwnMeasures : ReadyPieces;
  return (
    <div className="min-h-screen">
      <NewJobHead at="Piece" />
      <main>
        <Way values={values} faults={faults} id={id} start={start} />
      </main>
    </div>
  );
}
