import { useCallback, useEffect, useRef, useState } from "react";
import { useRevalidator } from "react-router";
import { toast } from "sonner";
import { USUAL_LOOKS } from "#core/schedule/looks";
import type { JobStanding, Standing } from "./standing";

const LOOK_AGAIN_MILLISECONDS = 900;
/** How often is looked again for what was asked for, before it is taken as having come to nothing. */
const EXPECTED_TIMES = 5;
/** After an edit was saved, it takes the server this long at least to begin planning. */
const SAVED_MILLISECONDS = 500;

type Shape = { standing: Standing } & Partial<JobStanding>;

/** Whether what is known will change by itself soon. */
const isMoving = ({ planning, stale, offered, left, trouble }: Standing) =>
  planning !== null || (stale && offered === null && !left && trouble === null);

/** The new with every part of the old that is still the same, or not said again: what follows from that part need not be worked out again. */
function withOld<Known extends object>(old: Known, fresh: Partial<Known>): Known {
  const entries = Object.entries(fresh).map(([key, value]) => {
    const before = old[key as keyof Known];
    return [key, JSON.stringify(before) === JSON.stringify(value) ? before : value] as const;
  });
  const same = entries.every(([key, value]) => old[key as keyof Known] === value);
  return same ? old : { ...old, ...(Object.fromEntries(entries) as Partial<Known>) };
}

/**
 * How the plan of work stands, from what came with the page on: looked at again as long as something is being worked
 * out, after every edit (`version` counts them), and when the window is come back to.
 */
export function useStanding<Known extends Shape>(
  initial: Known,
  address: string,
  version: number,
  isSettled: (known: Known) => boolean = () => true,
) {
  // what came with the page is another object for every load, and the same as long as it is on screen
  const of = initial.standing;
  const [known, setKnown] = useState({ of, now: initial });
  const now = known.of === of ? known.now : initial;
  const latest = useRef(initial);
  latest.current = initial;
  const refresh = useCallback(async () => {
    const asked = latest.current;
    try {
      const response = await fetch(address, { headers: { Accept: "application/json" } });
      if (!response.ok) return;
      const fresh = (await response.json()) as Partial<Known>;
      if (latest.current.standing !== asked.standing) return;
      setKnown((before) => ({
        of: asked.standing,
        now: withOld(before.of === asked.standing ? before.now : asked, fresh),
      }));
    } catch {
      // the server does not answer: what is known stays
    }
  }, [address]);
  // what was asked for takes a moment to begin
  const [expecting, setExpecting] = useState(0);
  const moving = isMoving(now.standing) || !isSettled(now) || expecting > 0;
  useEffect(() => {
    if (!moving) return;
    const timer = setInterval(() => {
      setExpecting((times) => Math.max(0, times - 1));
      void refresh();
    }, LOOK_AGAIN_MILLISECONDS);
    return () => clearInterval(timer);
  }, [moving, refresh]);
  useNothingBetter(now.standing);
  const seen = useRef(version);
  useEffect(() => {
    if (seen.current === version) return;
    seen.current = version;
    const timer = setTimeout(() => void refresh(), SAVED_MILLISECONDS);
    return () => clearTimeout(timer);
  }, [version, refresh]);
  useEffect(() => {
    const back = () => document.visibilityState === "visible" && void refresh();
    document.addEventListener("visibilitychange", back);
    window.addEventListener("focus", back);
    return () => {
      document.removeEventListener("visibilitychange", back);
      window.removeEventListener("focus", back);
    };
  }, [refresh]);
  /** Sends one of the forms of the plan of work, and shows what came of it. */
  const ask = useCallback(
    async (form: FormData): Promise<boolean> => {
      try {
        const response = await fetch("/plan-of-work", {
          method: "POST",
          body: form,
          headers: { Accept: "application/json" },
        });
        const said = (await response.json().catch(() => null)) as { trouble?: string } | null;
        if (response.ok) setExpecting(EXPECTED_TIMES);
        else toast.error(said?.trouble ?? "That did not work. Reload the page and try again.");
        await refresh();
        return response.ok;
      } catch {
        toast.error("Jolly Crust is not answering. Nothing was changed; try again in a moment.");
        return false;
      }
    },
    [refresh],
  );
  return { known: now, refresh, ask };
}

/** Says so where a longer search has ended and found nothing better. */
function useNothingBetter({ planning, offered, kept, left }: Standing) {
  const searching = useRef<number | null>(null);
  useEffect(() => {
    if (planning) searching.current = planning.of;
    else if (searching.current !== null) {
      if (searching.current > USUAL_LOOKS && offered === null && !left && kept) toast("No better schedule was found.");
      searching.current = null;
    }
  }, [planning, offered, kept, left]);
}

/** Loads the page again when another plan of work is kept. */
export function useFreshPage({ kept }: Standing) {
  const { revalidate } = useRevalidator();
  const seen = useRef(kept?.id);
  useEffect(() => {
    if (seen.current === kept?.id) return;
    seen.current = kept?.id;
    void revalidate();
  }, [kept?.id, revalidate]);
}

export type AskPlan = ReturnType<typeof useStanding>["ask"];
