import { CATALOGUE } from "#core/materials/catalogue";
import type { Material } from "#core/materials/material";
import { useJob } from "~/editor/job-editor";

/** The materials a step can use: those of the job as it has them, then the rest of the catalogue. */
export function useShelfMaterials(): readonly Material[] {
  const { plan } = useJob();
  const { materials } = plan.pinned;
  return [...materials, ...CATALOGUE.filter((material) => !materials.some((pinned) => pinned.id === material.id))];
}
