import { type ComponentProps, useEffect, useRef, useState } from "react";
import { readWallTime } from "#core/units/wall-time";
import { sayFullDate, sayFullMoment } from "#core/units/when";

type Props = Omit<ComponentProps<"input">, "type" | "defaultValue"> & {
  type: "date" | "datetime-local";
  defaultValue?: string | undefined;
};

/** What a date or a moment in a form is called on the page; null for none, or one half typed. */
export function sayEntered(value: string, type: Props["type"]): string | null {
  const wall = readWallTime(type === "date" && value ? `${value}T00:00` : value);
  if (wall === null) return null;
  return type === "date" ? sayFullDate(wall) : sayFullMoment(wall);
}

/**
 * A date or a moment. It is typed and picked in the browser's own way, and read as every other date of the page: while it is not
 * in focus, that lies over the browser's own format.
 */
export function WhenInput({ type, defaultValue = "", onChange, ...field }: Props) {
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
        type={type}
        defaultValue={defaultValue}
        onChange={(event) => {
          setValue(event.target.value);
          onChange?.(event);
        }}
      />
      {value !== null && (
        <span className="when-said" aria-hidden="true">
          {sayEntered(value, type) ?? <span className="text-soft">Pick a date</span>}
        </span>
      )}
    </span>
  );
}
