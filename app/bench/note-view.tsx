import { useState } from "react";
import { toast } from "sonner";
import type { BenchTask } from "#core/ledger/bench";
import { READING_UNITS, READINGS } from "#core/ledger/event";
import type { Plan } from "#core/plan/plan";
import { LogForm } from "./log-press";

const READING_WORDS = {
  weight: { name: "Weight on the scale", of: "scale" },
  moisture: { name: "Moisture of the timber", of: "moisture meter" },
  "wet film": { name: "Wet film", of: "comb" },
} as const;

/** Asks a tool on the bench for its reading and puts it into the field, to be sent or typed over. */
function ReadingField({ of }: { of: (typeof READINGS)[number] }) {
  const [value, setValue] = useState("");
  const [from, setFrom] = useState("typed");
  const ask = async () => {
    try {
      const response = await fetch(`/bench/tool?of=${encodeURIComponent(of)}`);
      const answer = (await response.json()) as { value?: number; says?: string };
      if (answer.value === undefined) {
        toast.error(answer.says ?? "It does not answer. Type what it shows.");
        return;
      }
      setValue(String(answer.value));
      setFrom("tool");
    } catch {
      toast.error("It does not answer. Type what it shows.");
    }
  };
  return (
    <span className="bench-fields">
      <input type="hidden" name="of" value={of} />
      <input type="hidden" name="from" value={from} />
      <label className="grow">
        {READING_WORDS[of].name}, {READING_UNITS[of]}
        <input
          name="value"
          inputMode="decimal"
          className="bench-field"
          value={value}
          onChange={(event) => {
            setValue(event.target.value);
            setFrom("typed");
          }}
        />
      </label>
      <button type="button" className="bench-press" onClick={ask}>
        Ask the {READING_WORDS[of].of}
      </button>
      <button className="bench-press">Add</button>
    </span>
  );
}

/** What is worth keeping of a step besides its times: words, a photo, a test patch, readings, what was used. */
export function NoteView({ task, plan, back }: { task: BenchTask; plan: Plan; back: () => void }) {
  const about = { planId: task.planId, on: task.on };
  const material = plan.pinned.materials.find(({ id }) => id === task.materialId);
  return (
    <section aria-label="Note or photo" className="bench-notes">
      <h1 className="bench-title">Note or photo</h1>
      <p className="bench-how">
        {task.card.title}, {task.zones.join(", ").toLowerCase()}
      </p>
      <LogForm about={about} kind="note" label="Note" onLogged={back}>
        <label>
          What did you see?
          <textarea name="text" rows={3} maxLength={1000} className="bench-field" />
        </label>
        <button className="bench-press">Add the note</button>
      </LogForm>
      <LogForm
        about={about}
        kind="photo"
        label="Photo"
        withPhoto
        to={`/bench?task=${encodeURIComponent(task.id)}`}
        onLogged={back}
      >
        <label>
          Photo
          <input type="file" name="photo" accept="image/*" capture="environment" className="bench-field" />
        </label>
        <label>
          What it shows (optional)
          <input name="text" maxLength={200} className="bench-field" />
        </label>
        <button className="bench-press">Add the photo</button>
      </LogForm>
      {material && task.millilitres !== null && (
        <LogForm
          about={about}
          kind="amount"
          fields={{ material: material.id, unit: "ml" }}
          label="Amount used"
          onLogged={back}
        >
          <span className="bench-fields">
            <label className="grow">
              Used of {material.name.toLowerCase()}, ml (planned {Math.round(task.millilitres)})
              <input name="amount" inputMode="decimal" className="bench-field" />
            </label>
            <button className="bench-press">Add</button>
          </span>
        </LogForm>
      )}
      {READINGS.map((of) => (
        <LogForm key={of} about={about} kind="reading" label={READING_WORDS[of].name} onLogged={back}>
          <ReadingField of={of} />
        </LogForm>
      ))}
      <LogForm about={about} kind="test patch" label="Test patch" onLogged={back}>
        <label>
          Test patch: what was tried, and what came of it
          <input name="text" maxLength={400} className="bench-field" />
        </label>
        <span className="bench-fields">
          <button className="bench-press" name="holds" value="yes">
            It holds
          </button>
          <button className="bench-press" name="holds" value="no">
            It does not hold
          </button>
        </span>
      </LogForm>
    </section>
  );
}
