import { data } from "react-router";
import { Id } from "#core/plan/plan";
import type { Store } from "#db/open";
import { StorageTrouble, UnreadableJob } from "#db/trouble";
import type { Refusal } from "./guard.server";
import { plainPage } from "./plain-page";
import { theStore } from "./store.server";

/** What an error page shows instead of a stack: where it went wrong and what to do. */
export interface Trouble {
  title: string;
  says: string;
  /** a file that helps to fix it */
  file?: { href: string; label: string };
}

export const troubleResponse = (status: number, title: string, says: string, file?: Trouble["file"]) =>
  data({ title, says, ...(file ? { file } : {}) } satisfies Trouble, { status });

export const noSuchJob = (planId: string) =>
  troubleResponse(
    404,
    "Job not found",
    `No job has the id "${planId.slice(0, 80)}". It may have been removed, or the address may be incomplete. Check the jobs list.`,
  );

/** The id of a job as written in an address; one that no job can have is not looked up. */
export function planIdOf({ planId }: { planId: string }): string {
  if (!Id.safeParse(planId).success) throw noSuchJob(planId.replaceAll(/\p{Cc}/gu, " "));
  return planId;
}

/** Reads or writes the store for a page; its trouble becomes an error page with a sentence. */
export async function withStore<T>(work: (store: Store) => Promise<T>): Promise<T> {
  try {
    return await work(await theStore());
  } catch (error) {
    if (error instanceof UnreadableJob)
      throw troubleResponse(500, "This job cannot be read", error.message, {
        href: `/jobs/${error.planId}/export?as=stored`,
        label: "Download its file as it is",
      });
    if (error instanceof StorageTrouble) throw troubleResponse(503, "The shop's data cannot be used", error.message);
    throw error;
  }
}

const isTold = (thrown: unknown): thrown is { data: Trouble; init: ResponseInit | null } =>
  typeof thrown === "object" &&
  thrown !== null &&
  "type" in thrown &&
  thrown.type === "DataWithResponseInit" &&
  "data" in thrown;

/** A file, a feed or a picture; if it cannot be given, a page that says so instead of raw data. */
export async function resource(make: () => Promise<Response>): Promise<Response> {
  try {
    return await make();
  } catch (thrown) {
    if (!isTold(thrown)) throw thrown;
    const refusal: Refusal = { status: thrown.init?.status ?? 500, title: thrown.data.title, says: thrown.data.says };
    return new Response(plainPage(refusal), {
      status: refusal.status,
      headers: { "Content-Type": "text/html; charset=utf-8", "Cache-Control": "no-store" },
    });
  }
}
