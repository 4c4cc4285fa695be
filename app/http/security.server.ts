import type { MiddlewareFunction } from "react-router";
import { refusalOf } from "./guard.server";
import { troubleResponse } from "./trouble.server";

/** Checks every request that reaches a page against the guard. */
export const guardRequests: MiddlewareFunction<Response> = async ({ request }, next) => {
  const { pathname, search, host } = new URL(request.url);
  const refusal = refusalOf({
    method: request.method,
    target: pathname + search,
    header: (name) => request.headers.get(name) ?? (name === "Host" ? host : null),
  });
  if (refusal) throw troubleResponse(refusal.status, refusal.title, refusal.says);
  return next();
};

export const contentPolicy = (nonce: string): string =>
  [
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
  ].join("; ");

/** Headers of every answer. */
export const PLAIN_HEADERS: Readonly<Record<string, string>> = {
  "X-Content-Type-Options": "nosniff",
  "X-Frame-Options": "DENY",
  "Referrer-Policy": "same-origin",
  "Cross-Origin-Opener-Policy": "same-origin",
  "Cross-Origin-Resource-Policy": "same-origin",
  "Permissions-Policy": "camera=(), microphone=(), geolocation=()",
};
