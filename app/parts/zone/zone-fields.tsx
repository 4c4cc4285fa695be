import { GroundFields } from "./ground-fields";
import { HandlingFields } from "./handling-fields";
import { PlacesFields } from "./places-fields";
import { ShapeFields } from "./shape-fields";
import { UseFields } from "./use-fields";
import type { ZoneFieldsProps } from "./zone-fields-props";

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
