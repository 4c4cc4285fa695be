import { createContext, type ReactNode, useContext, useRef, useState } from "react";
import type { WorkRef } from "#core/ledger/event";
import type { FormFields } from "~/forms/fields";
import { fieldsOf } from "~/forms/fields";
import { writePlaces } from "./log-form";

interface Logs {
  /** Logs a press; what is wrong with it, or null. */
  log: (fields: FormFields, photo?: Blob) => string | null;
  /** signs the forms of a page that is read without scripts */
  token: string;
}

const Log = createContext<Logs | null>(null);
export const LogProvider = Log.Provider;

export function useLog(): Logs {
  const log = useContext(Log);
  if (!log) throw new Error("outside the bench");
  return log;
}

/** A form that writes a line of the ledger: at once and also without a connection; without scripts the server reads it. */
export function LogForm({
  about: { planId, on },
  kind,
  fields = {},
  to,
  className,
  label,
  withPhoto = false,
  onLogged,
  children,
}: {
  about: { planId: string; on: readonly WorkRef[] };
  kind: string;
  fields?: Readonly<Record<string, string>>;
  /** where the page goes on to, without scripts */
  to?: string;
  className?: string;
  label?: string;
  /** it brings a photo */
  withPhoto?: boolean;
  onLogged?: () => void;
  children: ReactNode;
}) {
  const { log, token } = useLog();
  const [says, setSays] = useState<string | null>(null);
  // a wet knuckle presses twice
  const last = useRef(0);
  const places = writePlaces(on);
  return (
    <form
      method="post"
      action="/bench"
      aria-label={label}
      className={className}
      {...(withPhoto ? { encType: "multipart/form-data" as const } : {})}
      onSubmit={(event) => {
        event.preventDefault();
        if (Date.now() - last.current < TWICE) return;
        last.current = Date.now();
        const { submitter } = event.nativeEvent as SubmitEvent;
        const form = new FormData(event.currentTarget, submitter);
        const photo = form.get("photo");
        const wrong = photoFault(photo) ?? log(fieldsOf(form), photo instanceof File ? photo : undefined);
        setSays(wrong);
        if (wrong === null) {
          event.currentTarget.reset();
          onLogged?.();
        } else last.current = 0;
      }}
    >
      <input type="hidden" name="plan" value={planId} />
      <input type="hidden" name="on" value={places} />
      <input type="hidden" name="kind" value={kind} />
      <input type="hidden" name="line" value={`${token}-${kind}`.slice(0, 40)} />
      {to && <input type="hidden" name="to" value={to} />}
      {Object.entries(fields).map(([name, value]) => (
        <input key={name} type="hidden" name={name} value={value} />
      ))}
      {children}
      {says && (
        <p role="alert" className="mt-2 font-semibold text-ochre">
          {says}
        </p>
      )}
    </form>
  );
}

const MOST_PHOTO_BYTES = 8_000_000;

/** What is wrong with a photo before it is kept; null where there is none to send. */
function photoFault(photo: FormDataEntryValue | null): string | null {
  if (!(photo instanceof File)) return null;
  if (photo.size === 0) return "Choose a photo first.";
  return photo.size > MOST_PHOTO_BYTES
    ? `This photo is ${(photo.size / 1e6).toFixed(1)} MB; the limit is 8 MB. Save it smaller.`
    : null;
}

/** Two presses within this time are one. */
const TWICE = 700;
