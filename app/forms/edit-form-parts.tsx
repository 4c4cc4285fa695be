import { nanoid } from "nanoid";
import { type FormEvent, type ReactNode, useEffect, useId, useRef, useState } from "react";
import { Form, useActionData, useLocation, useNavigate } from "react-router";
import type { Command } from "#core/edit/command";
import { useJobEditor } from "~/editor/job-editor";
import type { PendingEdit } from "~/editor/queue";
import type { FormResult } from "~/http/job-action.server";
import { readEditForm } from "./edit-form";
import { type Faults, type FormFields, fieldsOf } from "./fields";
import { searchAfter } from "./search-after";

interface Props {
  does: string;
  /** fixed fields; they also say which of several such forms an answer is for */
  about?: FormFields;
  children: ReactNode | ((state: { faults: Faults; values: FormFields | null }) => ReactNode);
  className?: string;
  label?: string;
  /** sends the form whenever a changed field is left: autosave */
  autosave?: boolean;
  onDone?: () => void;
}

/**
 * A form that edits the plan. With scripts the edit is shown at once and saved in the background; without, the server
 * reads the same form, and returns it as typed where something is wrong.
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

  const typing = useTyping((form) => {
    const done = readEditForm(editor.plan, fieldsOf(new FormData(form)), () => nanoid(10));
    return done.ok ? done : null;
  });

  const read = (form: HTMLFormElement, submitter?: HTMLElement | null): boolean => {
    const fields = fieldsOf(new FormData(form, submitter));
    const done = readEditForm(editor.plan, fields, () => nanoid(10));
    if (!done.ok) {
      setFaults(done.faults);
      return false;
    }
    // kept as typed until it is saved as sent
    const refused = editor.send(done.label, done.commands, typing.id());
    typing.settle();
    setFaults(refused ? { "": refused } : null);
    if (!refused && (done.step || done.zone || done.material || done.face))
      navigate(pathname + searchAfter(search, done), { replace: true, preventScrollReset: true });
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
      onInput={autosave ? (event) => typedIn(event.target) && typing.typed(event.currentTarget) : undefined}
      onBlur={
        autosave
          ? (event) => {
              if (!typedIn(event.target)) return;
              if (changed(event.target)) read(event.currentTarget);
              else typing.settle();
            }
          : undefined
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

/**
 * Whether one of these forms has come back from the server with something wrong in it, as it does without scripts: what it is folded
 * into must then stand open.
 */
export function useRefused(...does: readonly string[]): boolean {
  const result = useActionData() as FormResult | undefined;
  return does.includes(result?.values.do ?? "");
}

/** Milliseconds after which typing is kept, before the field is left. */
const KEPT_AFTER = 150;

/**
 * Keeps what is being typed in the browser, as the edit that leaving the field would make: closing the page loses
 * nothing. The edit keeps one id from its first character, so that it is made only once.
 */
function useTyping(editOf: (form: HTMLFormElement) => { label: string; commands: Command[] } | null) {
  const { draft, send } = useJobEditor();
  const field = useId();
  const at = useRef<{ id: string; timer: ReturnType<typeof setTimeout>; edit: PendingEdit | null } | null>(null);
  const settle = () => {
    if (!at.current) return;
    clearTimeout(at.current.timer);
    at.current = null;
    draft(field, null);
  };
  const latest = useRef({ send, draft });
  latest.current = { send, draft };
  useEffect(
    () => () => {
      // the form is removed while a field is still in use: its content is saved
      const typed = at.current;
      if (!typed) return;
      clearTimeout(typed.timer);
      if (typed.edit) latest.current.send(typed.edit.label, typed.edit.commands, typed.id);
      latest.current.draft(field, null);
    },
    [field],
  );
  const typed = (form: HTMLFormElement) => {
    if (at.current) clearTimeout(at.current.timer);
    const id = at.current?.id ?? nanoid();
    const timer = setTimeout(() => {
      const done = editOf(form);
      const edit = done && { id, label: done.label, commands: done.commands };
      if (at.current) at.current.edit = edit;
      draft(field, edit);
    }, KEPT_AFTER);
    at.current = { id, timer, edit: at.current?.edit ?? null };
  };
  return { typed, settle, id: () => at.current?.id };
}

const typedIn = (target: EventTarget) =>
  target instanceof HTMLTextAreaElement ||
  (target instanceof HTMLInputElement && ["text", "number", "search", "datetime-local"].includes(target.type));
const changedAtOnce = (target: EventTarget) =>
  target instanceof HTMLSelectElement || (target instanceof HTMLInputElement && !typedIn(target));
const changed = (target: EventTarget) =>
  (target instanceof HTMLInputElement || target instanceof HTMLTextAreaElement) && target.value !== target.defaultValue;

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

type TextFieldProps = Omit<FieldProps, "children"> & {
  value: string | number | undefined;
  /** which keys a tablet offers */
  keys?: "numeric" | "decimal";
  placeholder?: string;
};

/** A field to type in. */
export function TextField({ value, keys, placeholder, ...its }: TextFieldProps) {
  return (
    <Field {...its}>
      {(field) => <input {...field} type="text" inputMode={keys} placeholder={placeholder} defaultValue={value} />}
    </Field>
  );
}
