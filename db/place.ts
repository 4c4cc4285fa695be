import { join, resolve } from "node:path";

export interface DatabasePlace {
  /** the address of a libSQL server, or of the embedded file */
  url: string;
  token?: string;
  /** path of the embedded file; null for a server */
  file: string | null;
  /** the file was there when the program started: if it is gone since, no empty one is put in its place */
  wasThere?: boolean;
}

/** Set by the program's first thread for all others. */
export const WAS_THERE = "JOLLY_CRUST_FILE_WAS_THERE";

/** Where the data is kept: DATABASE_URL for a server, otherwise crust.db in JOLLY_CRUST_DATA (./data). */
export function placeFrom(environment: Record<string, string | undefined>): DatabasePlace {
  const url = environment.DATABASE_URL;
  if (url && !url.startsWith("file:")) return { url, token: environment.DATABASE_AUTH_TOKEN, file: null };
  const file = url ? url.slice("file:".length) : join(resolve(environment.JOLLY_CRUST_DATA ?? "data"), "crust.db");
  return { url: `file:${file}`, file, ...(environment[WAS_THERE] ? { wasThere: true } : {}) };
}
