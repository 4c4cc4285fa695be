import type { MiddlewareFunction } from "react-router";
import { type Caller, callerOf, isFromNetwork, mayAsk } from "./access.server";
import { refusalOf } from "./guard.server";
import { theStore } from "./store.server";
import { troubleResponse } from "./trouble.server";

/** Lets in who may come in: every request by the network is checked against the list of devices and what their role may do. */
export const admitDevices: MiddlewareFunction<Response> = async ({ request }, next) => {
  if (!isFromNetwork(request)) return next();
  const { pathname, search } = new URL(request.url);
  if (pathname === "/pair") return next();
  const caller: Caller = await callerOf(await theStore(), request);
  if (caller.is === "stranger")
    throw troubleResponse(
      401,
      caller.putOut ? "This device was put out" : "This device is not paired",
      "Pair it again with a code from the main machine, at /pair.",
    );
  if (caller.is === "device" && !mayAsk(caller.device.role, request.method, pathname + search))
    throw troubleResponse(
      403,
      "That is not for this device",
      caller.device.role === "hand"
        ? "It has the bench and the ledgers. Plans and prices are on the main machine."
        : "It may look at the bench and the ledgers, and change nothing.",
    );
  return next();
};

/** Checks every request that reaches a page against the guard. */
export const guardRequests: MiddlewareFunction<Response> = async ({ request }, next) => {
  const { pathname, search, host } = new URL(request.url);
  const refusal = refusalOf({
    method: request.method,
    target: pathname + search,
    header: (name) => request.headers.get(name) ?? (name === "Host" ? host : null),
    // the front has held the name against those of its network already
    ...(isFromNetwork(request) ? { own: [request.headers.get("Host")?.toLowerCase() ?? host] } : {}),
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
