import { openStore, placeFrom, type Store, watchPath } from "#db/open";

let opening: Promise<Store> | null = null;

/** The shop's store, opened once. A failed opening is tried again at the next request. */
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
