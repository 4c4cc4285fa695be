import type { ReactNode } from "react";
import { Brand } from "./brand";

/** The head of the pages a job begins with: where one is among its three steps. */
export function NewJobHead({ at }: { at: "Piece" | "Finish" }) {
  return (
    <header className="flex min-h-[52px] flex-wrap items-center gap-x-6 gap-y-1 border-b border-line px-5">
      <Brand />
      <span className="min-w-0 flex-1">
        <a href="/" className="link text-soft hover:text-ink">
          Jobs
        </a>
        <span className="text-edge"> / </span>
        <b className="font-semibold">New job</b>
      </span>
      <ol className="flex gap-5" aria-label="Where you are">
        {(["Piece", "Finish", "Crust"] as const).map((step, index) => (
          <li key={step} className="job-tab" aria-current={step === at ? "page" : undefined}>
            {index + 1} {step}
          </li>
        ))}
      </ol>
    </header>
  );
}

/** What was wrong with a form, above it. */
export function FormTrouble({ faults }: { faults: Readonly<Record<string, string>> }): ReactNode {
  const wrong = Object.keys(faults).length;
  if (wrong === 0) return null;
  return (
    <p role="alert" className="mb-4 border-l-4 border-l-ochre bg-board px-4 py-2.5 font-medium text-ochre">
      {faults[""] ??
        `${wrong === 1 ? "One field needs" : `${wrong} fields need`} another look. Everything you typed is still here.`}
    </p>
  );
}
