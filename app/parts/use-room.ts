import { type RefObject, useEffect, useLayoutEffect, useRef, useState } from "react";
import { isNarrow } from "./panes";

/** Height of a view's frame until it is measured. */
const USUAL = 708;
const LEAST_NARROW = 600;
/** The header of the page, where the page scrolls as a whole. */
const HEADER = 180;

/** The height a view has: of its frame, or of what one looks at where the page scrolls as a whole. */
export function useRoom(): { frame: RefObject<HTMLDivElement | null>; height: number; narrow: boolean } {
  const frame = useRef<HTMLDivElement>(null);
  const [room, setRoom] = useState({ height: USUAL, narrow: false });
  const effect = typeof window === "undefined" ? useEffect : useLayoutEffect;
  effect(() => {
    const measure = () =>
      setRoom(
        isNarrow()
          ? { height: Math.max(LEAST_NARROW, window.innerHeight - HEADER), narrow: true }
          : { height: frame.current?.clientHeight ?? USUAL, narrow: false },
      );
    measure();
    window.addEventListener("resize", measure);
    return () => window.removeEventListener("resize", measure);
  }, []);
  return { frame, ...room };
}
