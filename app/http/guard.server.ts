// Who may ask for what: checked for every request, before anything is read or worked out. The server checks here first, and the
// pages once more, so that it also holds under the development server.

/** A request that is not answered, and what is said instead. */
export interface Refusal {
  status: number;
  title: string;
  says: string;
}

export interface Asked {
  method: string;
  /** path and query, as they came in */
  target: string;
  header(name: string): string | null | undefined;
  /** names by which this door is its own, besides those of this machine: "192.168.1.5:4174" */
  own?: readonly string[];
}

const METHODS: ReadonlySet<string> = new Set(["GET", "HEAD", "POST", "OPTIONS"]);
export const ALLOWED = [...METHODS].join(", ");
const SAFE: ReadonlySet<string> = new Set(["GET", "HEAD", "OPTIONS"]);
const LONGEST_TARGET = 4000;

/** Names that can only mean this machine. Any other may be a foreign site's name that points here. */
const OWN_NAME = /^(localhost|127\.0\.0\.1|\[::1\])(:\d{1,5})?$/i;

export const isOwnHost = (host: string | null | undefined): boolean => OWN_NAME.test(host ?? "");

/**
 * Only pages of this very address may change anything: judged by Sec-Fetch-Site, or by Origin where a browser sends
 * none.
 */
function isFromOwnPage({ header }: Asked): boolean {
  const site = header("Sec-Fetch-Site");
  if (site) return site === "same-origin" || site === "none";
  const origin = header("Origin");
  if (!origin) return false;
  try {
    return new URL(origin).host === header("Host");
  } catch {
    return false;
  }
}

/** Things that take long to work out, or are data as a file: no other site may have them loaded. */
const COSTS =
  /\/(board\.png|look\.png|photo\.jpg|backup\.db|days\.ics|export|palette\.gpl|room-sensor|(list|stock|prices)\.csv)(\.data)?$/;

/** Another site may link to a page here, and nothing else: no picture, frame, script or download. */
function isForeignLoad({ header }: Asked, path: string): boolean {
  const site = header("Sec-Fetch-Site");
  if (site !== "cross-site" && site !== "same-site") return false;
  const follows = header("Sec-Fetch-Mode") === "navigate" && header("Sec-Fetch-Dest") === "document";
  return !follows || COSTS.test(path);
}

/** The path in plain characters; null where its escapes are broken or hide a control character. */
function plainPath(target: string): string | null {
  try {
    const path = decodeURIComponent(target.split("?", 1)[0]!);
    return /\p{Cc}/u.test(path) ? null : path;
  } catch {
    return null;
  }
}

/** Why a request is refused; null if it may be answered. */
export function refusalOf(asked: Asked): Refusal | null {
  const host = asked.header("Host");
  if (!isOwnHost(host) && !asked.own?.includes(host?.toLowerCase() ?? ""))
    return {
      status: 421,
      title: "Jolly Crust is not at this address",
      says: "It only answers on this machine. Open it at http://localhost with the port it printed when it started.",
    };
  if (!METHODS.has(asked.method))
    return {
      status: 405,
      title: "That cannot be done here",
      says: "Go back to the page you came from and try again.",
    };
  if (asked.target.length > LONGEST_TARGET)
    return { status: 414, title: "That address is too long", says: "Open the page from the jobs list." };
  const path = plainPath(asked.target);
  if (path === null)
    return {
      status: 404,
      title: "Page not found",
      says: "The address is damaged. Open the page from the jobs list.",
    };
  if (!SAFE.has(asked.method) && !isFromOwnPage(asked))
    return {
      status: 403,
      title: "This came from another page",
      says: "Changes are only accepted from Jolly Crust's own pages. Nothing was changed; open the job here and try again.",
    };
  if (SAFE.has(asked.method) && isForeignLoad(asked, path))
    return {
      status: 403,
      title: "This came from another site",
      says: "Pictures, calendars and files are only sent to Jolly Crust's own pages. Open the job here.",
    };
  return null;
}

/** A crust file and its form fields; anything larger is not a form of ours, except photos. */
const MOST_BYTES = 5_200_000;
const MOST_PHOTO_BYTES = 8_300_000;

/** A whole shop with all its photos. */
const MOST_BACKUP_BYTES = 256_000_000;

/** Bytes that may be sent to a path. */
export const bodyLimit = (path: string): number =>
  /^\/shop\/backup(\.data)?$/.test(path.split("?", 1)[0]!) ? MOST_BACKUP_BYTES : bodyLimitOfForms(path);

/** A job with its photos, brought to the jobs list by its own form. */
export const MOST_ARCHIVE_BYTES = 64_000_000;
const JOBS_FORM = /^\/(_root\.data)?\?index(&|$)/;

const bodyLimitOfForms = (target: string): number =>
  JOBS_FORM.test(target) ? MOST_ARCHIVE_BYTES : bodyLimitOfPages(target);

const bodyLimitOfPages = (path: string): number =>
  /\/(board|photo|bench|bench\/log)(\.data)?$/.test(path.split("?", 1)[0]!) ? MOST_PHOTO_BYTES : MOST_BYTES;

export const tooLarge = (limit: number): Refusal => ({
  status: 413,
  title: "That is too large",
  says: `${limit === MOST_BACKUP_BYTES ? "A backup can be up to 256 MB here; restore a larger one with npm run restore" : limit === MOST_ARCHIVE_BYTES ? "A job with its photos can be up to 64 MB" : limit === MOST_PHOTO_BYTES ? "A photo can be up to 8 MB" : "A form or file can be up to 5 MB"}. Nothing was changed; save it smaller and try again.`,
});
