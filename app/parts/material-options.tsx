import type { Material } from "#core/materials/material";

/** Materials to choose from, by name. */
export function MaterialOptions({ of }: { of: readonly Material[] }) {
  return of.map((material) => (
    <option key={material.id} value={material.id}>
      {material.name}
    </option>
  ));
}
