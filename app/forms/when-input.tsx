import { type ComponentProps, useEffect, useRef, useState } from "react";
import { readWallTime } from "#core/units/wall-time";
import { sayDate, sayFullDate, sayFullMoment, sayMoment } from "#core/units/when";

type Props = Omit<ComponentProps<"input">, "type" | "defaultValue"> & {
  type: "date" | "datetime-local";
  defaultValue?: string | undefined;
};

/** What a date or a moment in a form is called on the page, with its year unless that is this one; null for none, or one half typed. */
export function sayEntered(value: string, type: Props["type"], year: number): string | null {
  const wall = readWallTime(type === "date" && value ? `${value}T00:00` : value);
  if (wall === null) return null;
  const [say, inFull] = type === "date" ? [sayDate, sayFullDate] : [sayMoment, sayFullMoment];
  return Number(value.slice(0, 4)) === year ? say(wall) : inFull(wall);
}

/**
 * A date or a moment. It is typed and picked in the browser's own way, and read as every other date of the page: while it is not
 * in focus, that lies over the browser's own format.
 */
export function WhenInput({ type, defaultValue = "", className = "", onChange, ...field }: Props) {
  const input = useRef<HTMLInputElement>(null);
  // before scripts run nothing lies over it: it could not follow what is typed
  const [value, setValue] = useState<string | null>(null);
  // biome-ignore lint/correctness/useExhaustiveDependencies: another value given is another value shown
  useEffect(() => setValue(input.current?.value ?? ""), [defaultValue]);
  return (
    <span className="when">
      <input
        {...field}
        ref={input}
        className={value === null ? className : `${className} when-under`}
        type={type}
        defaultValue={defaultValue}
        onChange={(event) => {
          setValue(event.target.value);
          onChange?.(event);
        }}
      />
      {value !== null && (
        <span className="when-said" aria-hidden="true">
          {sayEntered(value, type, new Date().getFullYear()) ?? <span className="text-soft">Pick a date</span>}
        </span>
      )}
    </span>
  );
}
