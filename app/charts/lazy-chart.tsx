import { type ComponentType, lazy } from "react";

const NotLoaded = () => (
  <p className="text-note text-soft" role="status">
    The chart could not be loaded. It appears when Jolly Crust answers again and the page is reloaded.
  </p>
);

/** A chart that is loaded when it is first shown; where the server does not answer, a note stands in its place. */
export const lazyChart = <Props extends object>(load: () => Promise<{ default: ComponentType<Props> }>) =>
  lazy(() => load().catch((): { default: ComponentType<Props> } => ({ default: NotLoaded })));
