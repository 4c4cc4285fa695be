import { INTENTS } from "#core/plan/plan";
import { INTENT_WORDS } from "../step-words";
import { useShelfMaterials } from "./shelf-materials";
import type { StepFieldsProps } from "./step-fields";

/** What a coat is meant to do. */
export function IntentFields({ step, values }: StepFieldsProps) {
  const material = useShelfMaterials().find((shelfMaterial) => shelfMaterial.id === step.what);
  return (
    <>
      {material && (
        <fieldset className="col-span-2">
          <legend className="mb-0.5 text-note text-soft">Intended</legend>
          <input type="hidden" name="hasIntents" value="yes" />
          {INTENTS.map((intent) => (
            <label key={intent} className="flex min-h-[26px] items-center gap-2">
              <input
                type="checkbox"
                name="intents"
                value={intent}
                defaultChecked={
                  values ? (values.intents ?? "").split(",").includes(intent) : step.intents.includes(intent)
                }
                className="size-4 accent-verdigris"
              />
              {INTENT_WORDS[intent]}
            </label>
          ))}
        </fieldset>
      )}
    </>
  );
}
