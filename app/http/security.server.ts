import type { MiddlewareFunction } from "react-router";
import { troubleResponse } from "./trouble.server";

const SAFE = new Set(["GET", "HEAD", "OPTIONS"]);
/** A crust file and its form fields; anything larger is no form of ours, but for photos. */
const MOST_BYTES = 5_200_000;
const MOST_PHOTO_BYTES = 8_300_000;

/** Only pages of this very address may change anything: judged by Sec-Fetch-Site, or by Origin where a browser sends none. */
function isOurs(request: Request): boolean {
  const site = request.headers.get("Sec-Fetch-Site");
  if (site) return site === "same-origin" || site === "none";
  const origin = request.headers.get("Origin");
  if (!origin) return false;
  try {
    return new URL(origin).host === (request.headers.get("Host") ?? new URL(request.url).host);
  } catch {
    return false;
  }
}

export const guardWrites: MiddlewareFunction<Response> = async ({ request }, next) => {
  if (!SAFE.has(request.method)) {
    if (!isOurs(request))
      throw troubleResponse(
        403,
        "This came from another page",
        "Changes are only taken from the tool's own pages. Open the job here and do it again.",
      );
    const photo = new URL(request.url).pathname.replace(/\.data$/, "").endsWith("/board");
    if (Number(request.headers.get("Content-Length") ?? 0) > (photo ? MOST_PHOTO_BYTES : MOST_BYTES))
      throw troubleResponse(
        413,
        "That is too large",
        `${photo ? "A photo holds 8 MB" : "A form or file holds 5 MB"} at most. Nothing was changed; save it smaller.`,
      );
  }
  return next();
};

export const securityHeaders = (nonce: string): Record<string, string> => ({
  "Content-Security-Policy": [
    "default-src 'self'",
    `script-src 'self' 'nonce-${nonce}'`,
    "style-src 'self' 'unsafe-inline'",
    "img-src 'self' data: blob:",
    "font-src 'self' data:",
    "connect-src 'self'",
    "worker-src 'self'",
    "object-src 'none'",
    "base-uri 'none'",
    "form-action 'self'",
    "frame-ancestors 'none'",
  ].join("; "),
  "X-Content-Type-Options": "nosniff",
  "Referrer-Policy": "same-origin",
  "Cross-Origin-Opener-Policy": "same-origin",
  "Permissions-Policy": "camera=(), microphone=(), geolocation=()",
});
