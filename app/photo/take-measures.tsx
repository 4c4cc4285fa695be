import { newZonesOn, zoneReadings } from "#core/photo/into-zones";
import type { Zone } from "#core/plan/plan";
import { useJob } from "~/editor/job-editor";
import { EditForm } from "~/forms/edit-form-parts";
import { SHAPE_SIZES } from "~/forms/zone-form";
import { sayArea } from "~/words/amount";

const sayShape = (shape: Zone["shape"]) =>
  `${SHAPE_SIZES[shape.kind].sizes.map(({ key }) => (shape as Record<string, unknown>)[key]).join(" × ")} mm${shape.count > 1 ? `, ${shape.count} of them` : ""}`;

/** What the zones measure now and by the photos, and the press that takes the measures over. */
export function TakeMeasures() {
  const { plan } = useJob();
  const readings = zoneReadings(plan);
  const fresh = newZonesOn(plan);
  const changed = readings.filter((reading) => reading.changed);
  if (readings.length === 0 && fresh.length === 0) return null;
  return (
    <section aria-label="Sizes from the photo" className="border-t border-line px-3 pt-3">
      <h2 className="text-lg">Sizes from the photo</h2>
      <table className="mt-1 w-full text-note">
        <thead>
          <tr className="text-left text-soft">
            <th scope="col" className="py-1 font-normal">
              zone
            </th>
            <th scope="col" className="py-1 font-normal">
              now
            </th>
            <th scope="col" className="py-1 font-normal">
              by the photo
            </th>
          </tr>
        </thead>
        <tbody>
          {readings.map(({ zone, shape, changed: other }) => (
            <tr key={zone.id} className="border-t border-hair align-top">
              <th scope="row" className="py-1 pr-2 text-left font-semibold">
                {zone.name}
              </th>
              <td className="py-1 pr-2">{sayShape(zone.shape)}</td>
              <td className="py-1">{other ? sayShape(shape) : "the same"}</td>
            </tr>
          ))}
          {fresh.map(({ face, size }) => (
            <tr key={face.id} className="border-t border-hair align-top">
              <th scope="row" className="py-1 pr-2 text-left font-semibold">
                {face.name}
              </th>
              <td className="py-1 pr-2 text-soft">no zone yet</td>
              <td className="py-1">
                {Math.round(size.width)} × {Math.round(size.height)} mm, {sayArea(size.area)}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      {(changed.length > 0 || fresh.length > 0) && (
        <EditForm does="read measures" label="Use these sizes" className="mt-2">
          <button className="button button-main">Use these sizes for the zones</button>
        </EditForm>
      )}
    </section>
  );
}
