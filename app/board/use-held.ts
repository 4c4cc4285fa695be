import { useEffect, useLayoutEffect, useRef, useState } from "react";
import { useLocation, useNavigate, useSearchParams } from "react-router";
import { boardAddress } from "./board-address";

/** The address follows when scrubbing pauses: until then scrubbing is the page's own affair. */
const REST = 250;
/** Marks an address as set by scrubbing. */
const BY_HAND = { byHand: true };

/** The step that is shown: at once while scrubbing, and in the address soon after. */
export function useHeld(inAddress: number, last: number): [count: number, hold: (count: number) => void] {
  const [params] = useSearchParams();
  const navigate = useNavigate();
  const [held, setHeld] = useState<number | null>(null);
  const count = held ?? inAddress;
  const moved = held !== null && held !== inAddress;
  useEffect(() => {
    if (!moved) return;
    const rest = setTimeout(
      () =>
        navigate(boardAddress(params, { after: String(held) }), {
          replace: true,
          preventScrollReset: true,
          state: BY_HAND,
        }),
      REST,
    );
    return () => clearTimeout(rest);
  }, [moved, held, params, navigate]);
  // following a link wins over earlier scrubbing; an address set by scrubbing that arrives late does not
  const { state } = useLocation();
  const byHand = (state as Partial<typeof BY_HAND> | null)?.byHand === true;
  const from = useRef(inAddress);
  useLayoutEffect(() => {
    if (from.current !== inAddress && !byHand) setHeld(null);
    from.current = inAddress;
  }, [inAddress, byHand]);
  return [count, (next) => setHeld(Math.min(last, Math.max(0, next)))];
}
