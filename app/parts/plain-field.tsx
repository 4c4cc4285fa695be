import type { ReactNode } from "react";
import { Explained, Term } from "./term";

/** A group of fields under a heading, with an explanation of what they are for. */
export function FieldGroup({ title, says, children }: { title: string; says?: string; children: ReactNode }) {
  return (
    <fieldset className="border-t border-line pt-4">
      <legend className="float-left mb-3 w-full">
        <span className="font-head text-lg font-semibold">
          <Term of={title} />
        </span>
        {says && (
          <span className="ml-3 text-note text-soft">
            <Explained text={says} />
          </span>
        )}
      </legend>
      <div className="clear-both grid grid-cols-6 gap-x-3 gap-y-3">{children}</div>
    </fieldset>
  );
}
