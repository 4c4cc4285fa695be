import { type Options, useHotkeys } from "react-hotkeys-hook";
import type { Key } from "./keys";

/** The browser's own names for keys whose name on the page is another. */
const NAMED: Readonly<Record<string, string>> = {
  left: "ArrowLeft",
  right: "ArrowRight",
  up: "ArrowUp",
  down: "ArrowDown",
  space: " ",
};

const isDigit = (press: string) => /^\d$/.test(press);

/** Listens to a key of the page. What it does may change from one rendering to the next; typing in a field is left alone. */
export function useKey(key: Key, act: (event: KeyboardEvent) => void, options: Options = {}): void {
  useHotkeys(key.press, act, {
    preventDefault: true,
    splitKey: " ",
    // by what is printed on the key; the digits by their place, since some keyboards print others there
    useKey: !key.press.some(isDigit),
    ...options,
  });
}

/** Whether an event of the element in focus is this key. Modifiers count only where the key names them. */
export function pressed({ press }: Key, event: Pick<KeyboardEvent, "key" | "shiftKey" | "altKey">): boolean {
  return press.some((text) => {
    const parts = text.split(" ");
    const last = parts.pop()!;
    const named = NAMED[last] ?? last;
    return (
      event.key.toLowerCase() === named.toLowerCase() &&
      (!parts.includes("shift") || event.shiftKey) &&
      (!parts.includes("alt") || event.altKey)
    );
  });
}
