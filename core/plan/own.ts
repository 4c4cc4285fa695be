/**
 * What a table has under a name that somebody typed or sent: nothing where that is a name which every object has, such
 * as "constructor".
 */
export const own = <T>(table: Readonly<Record<string, T>>, name: string): T | undefined =>
  Object.hasOwn(table, name) ? table[name] : undefined;
