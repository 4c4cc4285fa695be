import type { CSSProperties } from "react";

/** From this width on a view shows its columns side by side; the same figure is in the styles of `panes`. */
const ONE_COLUMN = 1024;

/** The columns of a view where there is room for them. */
export const panes = (columns: string) => ({ "--panes": columns }) as CSSProperties;

/** Whether the page has one column and scrolls as a whole. */
export const isNarrow = (): boolean => window.innerWidth < ONE_COLUMN;
