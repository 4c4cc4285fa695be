import { data } from "react-router";
import type { Store } from "#db/open";
import { StorageTrouble } from "#db/trouble";
import { theStore } from "./store.server";

/** What an error page shows instead of a stack: where it went wrong and what to do. */
export interface Trouble {
  title: string;
  says: string;
}

export const troubleResponse = (status: number, title: string, says: string) =>
  data({ title, says } satisfies Trouble, { status });

export const noSuchJob = (planId: string) =>
  troubleResponse(
    404,
    "There is no such job here",
    `No job has the id "${planId.slice(0, 80)}". It may have been taken off the list, or the address is cut short. The jobs list shows what there is.`,
  );

/** Reads or writes the store for a page; its trouble becomes an error page with a sentence. */
export async function withStore<T>(work: (store: Store) => Promise<T>): Promise<T> {
  try {
    return await work(await theStore());
  } catch (error) {
    if (error instanceof StorageTrouble) throw troubleResponse(503, "The shop's book cannot be used", error.message);
    throw error;
  }
}
