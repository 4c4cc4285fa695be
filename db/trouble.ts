import type { Place } from "./open";

/** The store cannot do what was asked; the message tells the painter where and what to do. */
export class StorageTrouble extends Error {
  override name = "StorageTrouble";
}

function wordsOf(error: unknown): string {
  if (!(error instanceof Error)) return String(error);
  return `${"code" in error ? error.code : ""} ${error.message} ${error.cause ? wordsOf(error.cause) : ""}`;
}

/** A sentence for what went wrong with the store, from the codes of the file system and the database. */
export function saidOf(error: unknown, place: Place): string {
  const words = wordsOf(error);
  const where = place.file ?? "the database server";
  if (/READONLY|EROFS|EACCES|EPERM|readonly/i.test(words))
    return `${where} can be read but not written. Make it and its folder writable, or set JOLLY_CRUST_DATA to a folder that is. Nothing was changed.`;
  if (/FULL|ENOSPC|disk is full/i.test(words))
    return `The disk that holds ${where} is full. Free some space, then try again. Nothing was changed.`;
  if (/BUSY|LOCKED/i.test(words))
    return `${where} is held by another program. Try again in a moment. Nothing was changed.`;
  if (/NOTADB|CORRUPT|malformed/i.test(words))
    return `${where} is not a whole database. Put a backup in its place; the damaged file was not touched.`;
  if (/CANTOPEN|ENOTDIR|ENOENT|EEXIST|unable to open/i.test(words))
    return `${where} cannot be opened or made there. Check the path in JOLLY_CRUST_DATA, and that its folder may be written.`;
  if (place.file === null)
    return `The database server at DATABASE_URL does not answer as it should. Check the address, the token and the network. Nothing was changed.`;
  return `${where} cannot be used just now. Nothing was changed.`;
}
