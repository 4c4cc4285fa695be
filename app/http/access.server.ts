import { createHmac, randomBytes, randomInt } from "node:crypto";
import { createCookie } from "react-router";
import { type Device, deviceOf, noteSeen, type Role } from "#db/devices";
import type { Store } from "#db/open";

// Who is asking. On this machine whoever sits at it is the owner. Any other device comes in by the shop's network, and has to have
// been let in: it carries a signed cookie with its name, and its name is looked up every time.

/** The front says by this header that a request came in by the network; nobody else can know its value. */
export const DOOR = "x-crust-door";
export const DOOR_TOKEN = "JOLLY_CRUST_DOOR";
export const SESSION_KEY = "JOLLY_CRUST_SESSION_KEY";

const ONE_YEAR = 365 * 24 * 60 * 60;
const anyKey = randomBytes(32).toString("hex");
const sessionKey = () => process.env[SESSION_KEY] ?? anyKey;

const cookie = () =>
  createCookie("crust-device", {
    secrets: [sessionKey()],
    httpOnly: true,
    sameSite: "strict",
    secure: true,
    path: "/",
    maxAge: ONE_YEAR,
  });

/** The device that a cookie names, if its signature is the shop's; whether it is still let in is another question. */
export async function deviceIn(header: string | null | undefined): Promise<string | null> {
  const value: unknown = header
    ? await cookie()
        .parse(header)
        .catch(() => null)
    : null;
  return typeof value === "string" && value.length <= 60 ? value : null;
}

export const cookieFor = (id: string): Promise<string> => cookie().serialize(id);
export const noCookie = (): Promise<string> => cookie().serialize("", { maxAge: 0 });

export const isFromNetwork = (request: Request): boolean => {
  const token = process.env[DOOR_TOKEN];
  return token !== undefined && token !== "" && request.headers.get(DOOR) === token;
};

/** Letters and figures that cannot be taken for each other. */
const LETTERS = [..."ABCDEFGHIJKLMNOPQRSTUVWXYZ23456789"].filter((letter) => !"ILO".includes(letter));
const CODE_LENGTH = 8;
/** How long a code can be used, in milliseconds. */
export const CODE_LASTS = 10 * 60_000;

/** A code to let one device in: "K7PM-3XRD". */
export function newCode(): string {
  const letters = Array.from({ length: CODE_LENGTH }, () => LETTERS[randomInt(LETTERS.length)]!).join("");
  return `${letters.slice(0, 4)}-${letters.slice(4)}`;
}

/** What is kept of a code, however it was typed. */
export const digestOf = (code: string): string =>
  createHmac("sha256", sessionKey())
    .update(code.toUpperCase().replaceAll(/[^A-Z0-9]/g, ""))
    .digest("hex");

/** A path without what the framework adds when it asks for a page's data. */
const plain = (path: string): string => path.replace(/\.data$/, "").replace(/^\/_root$/, "/") || "/";

const LOOKED_AT =
  /^(\/bench(\/log)?|\/days|\/jobs\/[A-Za-z0-9_-]+\/(ledger|care|report|wall|board\.png|photo\.jpg|photos\/[A-Za-z0-9_-]+))$/;
const WORKED_WITH =
  /^(\/bench\/tool|\/train|\/find|\/guide|\/words|\/keys|\/room-sensor|\/jobs\/[A-Za-z0-9_-]+\/(mix-cards|recipe))$/;
const WRITTEN_BY_HANDS = /^(\/bench|\/bench\/log|\/train|\/jobs\/[A-Za-z0-9_-]+\/ledger)$/;

/** Whether a role may ask for something: an owner anything; a hand the bench and the ledger, and no prices; a looker-on may only look. */
export function mayAsk(role: Role, method: string, target: string): boolean {
  if (role === "owner") return true;
  const path = plain(target.split("?", 1)[0]!);
  const reads = method === "GET" || method === "HEAD" || method === "OPTIONS";
  if (!reads) return role === "hand" && WRITTEN_BY_HANDS.test(path);
  return LOOKED_AT.test(path) || (role === "hand" && WORKED_WITH.test(path));
}

export type Caller =
  | { is: "here" }
  | { is: "device"; device: Device }
  /** never let in, or put out */
  | { is: "stranger"; putOut: boolean };

/** Whoever asks, as the shop knows them. */
export async function callerOf(store: Store, request: Request): Promise<Caller> {
  if (!isFromNetwork(request)) return { is: "here" };
  const id = await deviceIn(request.headers.get("Cookie"));
  const device = id === null ? null : await deviceOf(store, id);
  if (!device || device.putOutAt !== null) return { is: "stranger", putOut: device !== null };
  await noteSeen(store, device);
  return { is: "device", device };
}
