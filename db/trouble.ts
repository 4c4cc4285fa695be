import type { DatabasePlace } from "./place";

/** The store cannot do what was asked; the message says where and what to do. */
export class StorageTrouble extends Error {
  override name = "StorageTrouble";
}

/** One job's document cannot be read; the others are not affected. */
export class UnreadableJob extends StorageTrouble {
  override name = "UnreadableJob";
  constructor(
    message: string,
    readonly planId: string,
  ) {
    super(message);
  }
}

/** The codes of an error and of what caused it: those of the file system and the database, never their words. */
export function codesOf(error: unknown): string[] {
  const codes: string[] = [];
  for (let cause = error, depth = 0; cause instanceof Error && depth < 6; cause = cause.cause, depth++) {
    if ("code" in cause && typeof cause.code === "string") codes.push(cause.code);
    if ("extendedCode" in cause && typeof cause.extendedCode === "string") codes.push(cause.extendedCode);
  }
  return codes;
}

const any = (codes: readonly string[], ...wanted: readonly string[]) =>
  codes.some((code) => wanted.some((text) => code === text || code.startsWith(`${text}_`)));

/** Another program is holding the store, and the same may work in a moment. */
export const isBusy = (error: unknown): boolean => any(codesOf(error), "SQLITE_BUSY", "SQLITE_LOCKED");

/** Codes of the embedded file, of the file system, and of a server: its protocol, its address, and the way there. */
const STORAGE_CODE =
  /^(SQLITE|LIBSQL|HRANA|E(?!RR_)[A-Z]{2,}|UND_ERR|CLIENT_CLOSED|TRANSACTION_|SERVER_ERROR|STREAM_EXPIRED|PROTOCOL_VERSION|URL_)/;

/** Whether an error comes from the store, not from a mistake in the code around it. */
export const isStorageError = (error: unknown): boolean => codesOf(error).some((code) => STORAGE_CODE.test(code));

/** A sentence for what went wrong with the store, from the codes of the file system and the database. */
export function saidOf(error: unknown, place: DatabasePlace): string {
  const codes = codesOf(error);
  const where = place.file ?? "The database server";
  const inside = place.file ?? "the database server";
  if (any(codes, "SQLITE_READONLY", "EROFS", "EACCES", "EPERM"))
    return `${where} can be read but not written. Make it and its folder writable, or set JOLLY_CRUST_DATA to a folder that is. Nothing was changed.`;
  if (any(codes, "SQLITE_FULL", "ENOSPC", "EDQUOT"))
    return `The disk of ${inside} is full. Free some space, then try again. Nothing was changed.`;
  if (any(codes, "SQLITE_BUSY", "SQLITE_LOCKED"))
    return `${where} is in use by another program. Try again in a moment. Nothing was changed.`;
  if (any(codes, "SQLITE_NOTADB", "SQLITE_CORRUPT"))
    return `${where} is damaged, or not a database. The file was not touched; restore a backup.`;
  if (any(codes, "SQLITE_IOERR", "EIO"))
    return `The disk of ${inside} does not read or write properly. Check the disk and its cable. Nothing was changed.`;
  if (any(codes, "SQLITE_CANTOPEN", "ENOTDIR", "ENOENT", "EEXIST", "ENAMETOOLONG"))
    return `${where} cannot be opened or created. Check the path in JOLLY_CRUST_DATA, and that its folder is writable.`;
  if (place.file === null)
    return "The database server at DATABASE_URL is not responding properly. Check the address, the token and the network. Nothing was changed.";
  if (any(codes, "SQLITE_ERROR", "SQLITE_SCHEMA"))
    return `The tables in ${inside} are from another version. Restart the tool to bring them up to date; if that does not help, restore a backup. Nothing was changed.`;
  return `${where} cannot be used at the moment. Nothing was changed.`;
}
