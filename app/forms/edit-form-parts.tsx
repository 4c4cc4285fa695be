import { nanoid } from "nanoid";
import { type FormEvent, type ReactNode, useId, useState } from "react";
import { Form, useActionData, useLocation, useNavigate } from "react-router";
import { useJobEditor } from "~/editor/job-editor";
import type { FormResult } from "~/http/job-action.server";
import { readEditForm } from "./edit-form";
import { type Faults, type FormFields, fieldsOf } from "./fields";

interface Props {
  does: string;
  /** fixed fields; they also tell which of several such forms an answer is for */
  about?: FormFields;
  children: ReactNode | ((state: { faults: Faults; values: FormFields | null }) => ReactNode);
  className?: string;
  label?: string;
  /** sends the form whenever a field is left changed: autosave */
  autosave?: boolean;
  onDone?: () => void;
}

/** Selects what an edit made, so that it is in hand at once. */
function afterwards(
  pathname: string,
  search: string,
  done: { step?: string; zone?: string; material?: string },
): string {
  const params = new URLSearchParams(search);
  params.delete("add");
  if (done.zone) params.set("zone", done.zone);
  if (done.step) params.set("step", done.step);
  if (done.material) params.set("material", done.material);
  return `${pathname}?${params}`;
}

/**
 * A form that edits the plan. With script the edit is shown at once and saved behind it; without, the same form is read by
 * the server, and comes back with what was typed where something is wrong.
 */
export function EditForm({ does, about = {}, children, className, label, autosave, onDone }: Props) {
  const editor = useJobEditor();
  const navigate = useNavigate();
  const { pathname, search } = useLocation();
  const result = useActionData() as FormResult | undefined;
  const [faults, setFaults] = useState<Faults | null>(null);
  const id = useId();
  const mine =
    result?.values.do === does && Object.entries(about).every(([key, value]) => result.values[key] === value);
  const answered = mine && result ? result : null;
  const shown = faults ?? answered?.faults ?? {};

  const read = (form: HTMLFormElement, submitter?: HTMLElement | null): boolean => {
    const fields = fieldsOf(new FormData(form, submitter));
    const done = readEditForm(editor.plan, fields, () => nanoid(10));
    if (!done.ok) {
      setFaults(done.faults);
      return false;
    }
    const refused = editor.send(done.label, done.commands);
    setFaults(refused ? { "": refused } : null);
    if (!refused && (done.step || done.zone || done.material))
      navigate(afterwards(pathname, search, done), { replace: true, preventScrollReset: true });
    if (!refused) onDone?.();
    return !refused;
  };
  const submit = (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    read(event.currentTarget, (event.nativeEvent as SubmitEvent).submitter);
  };

  return (
    <Form
      method="post"
      className={className}
      aria-label={label}
      onSubmit={submit}
      onChange={autosave ? (event) => changedAtOnce(event.target) && read(event.currentTarget) : undefined}
      onBlur={
        autosave ? (event) => typedIn(event.target) && changed(event.target) && read(event.currentTarget) : undefined
      }
    >
      <input type="hidden" name="do" value={does} />
      <input type="hidden" name="base" value={editor.version} />
      <input type="hidden" name="edit" value={`${editor.token}-${id.replace(/\W/g, "")}`} />
      {Object.entries(about).map(([name, value]) => (
        <input key={name} type="hidden" name={name} value={value} />
      ))}
      {shown[""] && (
        <p role="alert" className="mb-2 border-l-4 border-l-ochre bg-board px-3 py-2 text-ochre">
          {shown[""]}
        </p>
      )}
      {typeof children === "function" ? children({ faults: shown, values: answered?.values ?? null }) : children}
    </Form>
  );
}

const typedIn = (target: EventTarget) =>
  target instanceof HTMLInputElement && ["text", "number", "search", "datetime-local"].includes(target.type);
const changedAtOnce = (target: EventTarget) =>
  target instanceof HTMLSelectElement || (target instanceof HTMLInputElement && !typedIn(target));
const changed = (target: EventTarget) => target instanceof HTMLInputElement && target.value !== target.defaultValue;

interface FieldProps {
  name: string;
  label: string;
  fault?: string;
  hint?: string;
  children: (field: {
    id: string;
    name: string;
    "aria-invalid"?: true;
    "aria-describedby"?: string;
    className: string;
  }) => ReactNode;
}

/** A field with its label, its hint, and what is wrong with it. */
export function Field({ name, label, fault, hint, children }: FieldProps) {
  const id = useId();
  const told = [fault && `${id}-fault`, hint && `${id}-hint`].filter(Boolean).join(" ");
  return (
    <div className="min-w-0">
      <label htmlFor={id} className="mb-0.5 block text-note text-soft">
        {label}
      </label>
      {children({
        id,
        name,
        className: "field",
        ...(fault ? { "aria-invalid": true as const } : {}),
        ...(told ? { "aria-describedby": told } : {}),
      })}
      {hint && (
        <p id={`${id}-hint`} className="mt-0.5 text-note text-soft">
          {hint}
        </p>
      )}
      {fault && (
        <p id={`${id}-fault`} role="alert" className="mt-0.5 text-note font-medium text-ochre">
          {fault}
        </p>
      )}
    </div>
  );
}
