import { type ComponentType, lazy } from "react";

/**
 * A page of which the scripts are not needed to show it first: it comes whole from the server, and these load beside it, from the
 * moment its route does. Loaded once more if that failed.
 */
export function afterPaint<Props extends object>(load: () => Promise<{ default: ComponentType<Props> }>) {
  const loading = load();
  loading.catch(() => undefined);
  return lazy(() => loading.catch(load));
}
