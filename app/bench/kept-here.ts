import useLocalStorageState from "use-local-storage-state";

/** As plain text, as every version has written it. */
const PLAIN = { parse: (text: string): unknown => text, stringify: (value: unknown) => String(value) };

/** A setting of this device, kept by its browser; where that keeps nothing, until the page is left. */
export function useKeptHere(name: string, usual: string): readonly [string, (value: string) => void] {
  const [value = usual, set] = useLocalStorageState<string>(name, { serializer: PLAIN, defaultServerValue: usual });
  return [value, set];
}
