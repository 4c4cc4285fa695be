import { useState } from "react";
import { PIECE_KITS } from "#core/plan/kits";
import { type Piece, type Plan, type Zone, zonesOf } from "#core/plan/plan";
import { useJob } from "~/editor/job-editor";
import { EditForm, Field, TextField, useRefused } from "~/forms/edit-form-parts";
import { zoneFields } from "~/forms/zone-form";
import { ZoneFields } from "~/parts/zone/zone-fields";

/** Zones of a standard piece, from a few measurements. */
export function KitForm({ onto }: { onto: Piece | undefined }) {
  const refused = useRefused("add standard piece");
  const [kitId, setKit] = useState(PIECE_KITS[0]!.id);
  const kit = PIECE_KITS.find((pieceKit) => pieceKit.id === kitId) ?? PIECE_KITS[0]!;
  return (
    <details className="mt-6 border-t border-line pt-2" open={refused}>
      <summary className="py-1 font-head text-lg font-semibold">Or start from a standard piece</summary>
      <p className="mb-2 text-note text-soft">
        Adds its zones with their sizes and places; you can change all of it later.
      </p>
      <EditForm
        does="add standard piece"
        about={{ pieceId: onto?.id ?? "" }}
        label="Standard piece"
        className="grid grid-cols-3 gap-3"
      >
        {({ faults }) => (
          <>
            <div className="col-span-3">
              <Field name="kit" label="Piece" fault={faults.kit}>
                {(field) => (
                  <select {...field} value={kitId} onChange={(event) => setKit(event.target.value)}>
                    {PIECE_KITS.map((pieceKit) => (
                      <option key={pieceKit.id} value={pieceKit.id}>
                        {pieceKit.name}
                      </option>
                    ))}
                  </select>
                )}
              </Field>
            </div>
            {kit.sizes.map((size) => (
              <TextField
                key={`${kit.id}/${size.key}`}
                name={size.key}
                label={`${size.label}, mm`}
                fault={faults[size.key]}
                keys="decimal"
                value={size.usual}
              />
            ))}
            <button className="button button-main col-span-3">Add its zones</button>
          </>
        )}
      </EditForm>
    </details>
  );
}

function CrustChoice({ plan, chosen, own }: { plan: Plan; chosen?: string; own: string }) {
  return (
    <Field name="crustId" label="Crust">
      {(field) => (
        <select {...field} defaultValue={chosen ?? ""}>
          {plan.crusts.map((crust) => (
            <option key={crust.id} value={crust.id}>
              {crust.name}
            </option>
          ))}
          <option value={chosen ? "new" : ""}>{own}</option>
        </select>
      )}
    </Field>
  );
}

/** The piece that a new zone is on: to be chosen where a job has several. */
function PieceChoice({ pieces, onto }: { pieces: readonly Piece[]; onto: string }) {
  if (pieces.length < 2) return <input type="hidden" name="pieceId" value={onto} />;
  return (
    <Field name="pieceId" label="Piece">
      {(field) => (
        <select {...field} defaultValue={onto}>
          {pieces.map((piece) => (
            <option key={piece.id} value={piece.id}>
              {piece.name}
            </option>
          ))}
        </select>
      )}
    </Field>
  );
}

/** Zones that another could stay fitted to: of its piece, under the same crust, and worked by themselves. */
const hostsFor = ({ pieces }: Plan, zone: Zone): readonly Zone[] => {
  const zones = pieces.find((piece) => piece.zones.includes(zone))?.zones ?? [];
  if (zones.some(({ along }) => along === zone.id)) return [];
  return zones.filter(({ id, crustId, along }) => id !== zone.id && crustId === zone.crustId && along === undefined);
};

export function ZoneForm({ zone }: { zone: Zone }) {
  const { plan } = useJob();
  return (
    <>
      <EditForm
        key={`${zone.id}/${JSON.stringify(zone)}`}
        does="patch zone"
        about={{ zoneId: zone.id }}
        label={`Zone ${zone.name}`}
        autosave
      >
        {({ faults, values }) => (
          <div className="flex flex-col gap-5">
            <ZoneFields values={values ?? zoneFields(zone)} faults={faults} zone={zone} hosts={hostsFor(plan, zone)} />
            <CrustChoice plan={plan} chosen={zone.crustId} own="a new crust of its own" />
            <noscript>
              <button className="button button-main" type="submit">
                Save the zone
              </button>
            </noscript>
          </div>
        )}
      </EditForm>
      {zonesOf(plan).length > 1 && (
        <EditForm does="remove zone" about={{ zoneId: zone.id }} className="mt-4">
          <button className="button">Remove this zone</button>
        </EditForm>
      )}
    </>
  );
}

export function NewZone({ onto }: { onto: Piece | undefined }) {
  const { plan } = useJob();
  return (
    <EditForm does="add zone" label="New zone">
      {({ faults, values }) => (
        <div className="flex flex-col gap-5">
          <PieceChoice pieces={plan.pieces} onto={values?.pieceId ?? onto?.id ?? ""} />
          <ZoneFields values={values ?? {}} faults={faults} />
          <CrustChoice plan={plan} own="a new crust of its own" />
          <button className="button button-main">Add the zone</button>
        </div>
      )}
    </EditForm>
  );
}
