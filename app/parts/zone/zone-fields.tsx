import type { Zone } from "#core/plan/plan";
import type { Faults, FormFields } from "~/forms/fields";
import { GroundFields } from "./ground-fields";
import { HandlingFields } from "./handling-fields";
import { PlacesFields } from "./places-fields";
import { ShapeFields } from "./shape-fields";
import { UseFields } from "./use-fields";

export interface ZoneFieldsProps {
  values: FormFields;
  faults: Faults;
  /** the zone as it is, where there is one already */
  zone?: Zone;
  /** zones that it could stay fitted to */
  hosts?: readonly Zone[];
}

/** Shape, ground and use of a zone, for a new job and for the piece's own form. */
export function ZoneFields(props: ZoneFieldsProps) {
  return (
    <>
      <ShapeFields {...props} />
      <GroundFields {...props} />
      <UseFields {...props} />
      <PlacesFields {...props} />
      <HandlingFields {...props} />
    </>
  );
}
