import { openStore, placeFrom, type Store, watchPath } from "#db/open";

let opening: Promise<Store> | null = null;

/** The shop's store, opened once. If it fails to open, the next request tries again. */
export function theStore(): Promise<Store> {
  opening ??= openStore(placeFrom(process.env)).then(
    (store) => {
      watchPath(store);
      return store;
    },
    (error) => {
      opening = null;
      throw error;
    },
  );
  return opening;
}
