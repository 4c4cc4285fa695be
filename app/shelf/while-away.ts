import { isRouteErrorResponse } from "react-router";

/**
 * What a view shows of the shelf while the server is away: what it showed last of the same job, or else what is handed in. A page that the server
 * did answer, with trouble, shows that trouble.
 */
export function lastKnown<Data>(
  away: () => Data | Promise<Data>,
): (ask: () => Promise<Data>, of: string) => Promise<Data> {
  const last = new Map<string, Data>();
  return async (ask, of) => {
    try {
      const fresh = await ask();
      last.set(of, fresh);
      return fresh;
    } catch (error) {
      if (error instanceof Response || isRouteErrorResponse(error)) throw error;
      return last.get(of) ?? away();
    }
  };
}
