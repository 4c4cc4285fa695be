import { createHash, randomBytes, X509Certificate } from "node:crypto";
import { existsSync, mkdirSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { createServer, type Server } from "node:https";
import { hostname, networkInterfaces } from "node:os";
import { dirname, join, resolve } from "node:path";
import { generate } from "selfsigned";
import { placeFrom } from "#db/place";
import { type Front, HTTP_TIMES } from "./shop-front";

// The door to the shop's own network: an encrypted one, with a certificate that is made at its first opening. What the shop keeps to
// itself (the key that sessions are signed with, and that of the certificate) lies beside its data, readable by nobody else.

const KEY_MODE = 0o600;
const SESSION_BYTES = 32;
const CERTIFICATE_DAYS = 825;

/** The folder of the shop's own keys. */
function keysFolder(): string {
  const { file } = placeFrom(process.env);
  const folder = join(
    file === null ? resolve(process.env.JOLLY_CRUST_DATA ?? "data") : dirname(resolve(file)),
    "shop-keys",
  );
  mkdirSync(folder, { recursive: true, mode: 0o700 });
  return folder;
}

function kept(name: string, make: () => string): string {
  const path = join(keysFolder(), name);
  if (existsSync(path)) return readFileSync(path, "utf8").trim();
  const made = make();
  writeFileSync(path, made, { mode: KEY_MODE });
  return made;
}

/** The key that sessions are signed with: the same after a restart, so that devices stay let in. */
export const sessionKey = (): string => kept("session.key", () => randomBytes(SESSION_BYTES).toString("hex"));

/** Addresses of this machine on networks it is part of. */
export function addressesHere(): string[] {
  return Object.values(networkInterfaces())
    .flatMap((list) => list ?? [])
    .filter(({ internal, family }) => !internal && family === "IPv4")
    .map(({ address }) => address)
    .sort();
}

interface Certificate {
  cert: string;
  key: string;
  fingerprint: string;
}

/** The certificate for these addresses: made once, and again where the machine has got another address. */
async function certificateFor(addresses: readonly string[]): Promise<Certificate> {
  const folder = keysFolder();
  const paths = { cert: join(folder, "certificate.pem"), key: join(folder, "certificate.key") };
  if (existsSync(paths.cert) && existsSync(paths.key)) {
    const cert = readFileSync(paths.cert, "utf8");
    const read = new X509Certificate(cert);
    const lasts = Date.parse(read.validTo) > Date.now() + 7 * 86_400_000;
    if (lasts && addresses.every((address) => read.checkIP(address) !== undefined))
      return { cert, key: readFileSync(paths.key, "utf8"), fingerprint: read.fingerprint256 };
  }
  const made = await generate([{ name: "commonName", value: "Jolly Crust" }], {
    keySize: 2048,
    algorithm: "sha256",
    notAfterDate: new Date(Date.now() + CERTIFICATE_DAYS * 86_400_000),
    extensions: [
      {
        name: "subjectAltName",
        altNames: [
          { type: 2, value: "localhost" },
          { type: 2, value: `${hostname().toLowerCase()}.local` },
          ...[...addresses, "127.0.0.1"].map((ip) => ({ type: 7 as const, ip })),
        ],
      },
    ],
  });
  writeFileSync(paths.cert, made.cert, { mode: KEY_MODE });
  writeFileSync(paths.key, made.private, { mode: KEY_MODE });
  return { cert: made.cert, key: made.private, fingerprint: new X509Certificate(made.cert).fingerprint256 };
}

/** What the pages tell of an open door: where it is, and by what its certificate is known. */
export interface OpenDoor {
  addresses: string[];
  fingerprint: string;
}

const doorFile = () => join(keysFolder(), "door.json");

/** Nothing is open until somebody opens it. */
export const forgetDoor = () => rmSync(doorFile(), { force: true });

/** Opens the shop to its own network; answers where. */
export async function openNetwork(front: Front, port: number): Promise<{ server: Server; door: OpenDoor }> {
  const here = addressesHere();
  const { cert, key, fingerprint } = await certificateFor(here);
  const names = [...here, hostname().toLowerCase(), `${hostname().toLowerCase()}.local`];
  const own = names.map((name) => `${name}:${port}`);
  const server = createServer({ cert, key, ...HTTP_TIMES }, (request, response) =>
    front.fromNetwork(request, response, own),
  );
  server.maxConnections = 200;
  server.on("clientError", (_, socket) => socket.destroy());
  server.on("tlsClientError", (_, socket) => socket.destroy());
  await new Promise<void>((done, failed) => {
    server.once("error", failed);
    server.listen(port, "0.0.0.0", done);
  });
  const door: OpenDoor = { addresses: here.map((address) => `https://${address}:${port}`), fingerprint };
  writeFileSync(doorFile(), JSON.stringify(door), { mode: KEY_MODE });
  return { server, door };
}

/** A word that only the front and its desks know. */
export const doorToken = (): string => createHash("sha256").update(randomBytes(SESSION_BYTES)).digest("hex");
