import { LRUCache } from "lru-cache";

/** What is not valid JSON is nothing, and reported like any other that cannot be read. */
function parsed(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    return null;
  }
}

/**
 * Reads what is stored as JSON: the same text under the same key need not be read again. What it gives back is not to be written to;
 * what could not be read is tried again.
 */
export function readOnce<T extends object>(most: number, read: (stored: unknown, key: string) => T) {
  const known = new LRUCache<string, { text: string; value: T }>({ max: most });
  const reading = (text: string, key: string): T => {
    const before = known.get(key);
    if (before?.text === text) return before.value;
    const value = read(parsed(text), key);
    known.set(key, { text, value });
    return value;
  };
  /** What is written has just been checked: it need not be read to be known. */
  const written = (value: T, key: string) => known.set(key, { text: JSON.stringify(value), value });
  return Object.assign(reading, { written });
}
