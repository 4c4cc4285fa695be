import type { Material } from "#core/materials/material";

/** Materials to choose from, by name. */
export function MaterialOptions({ of }: { of: readonly Material[] }) {
  return of.map((one) => (
    <option key={one.id} value={one.id}>
      {one.name}
    </option>
  ));
}
