import { useEffect, useRef } from "react";
import type { Bench } from "#core/ledger/bench";
import { useKeptHere } from "./kept-here";
import { SOON } from "./task-words";

// A window that is about to shut is said by sound, by sight, by the device's buzz, and last by a notice of the system, each only
// where it is wanted. Every gate is said once, on every device.

/** One thing to warn of. */
export interface Warning {
  id: string;
  says: string;
  /** minutes until it shuts; not above 0 where it has */
  left: number;
}

const TOLD = "jolly-crust/told/";
const SOUND = "jolly-crust/sound";

/** Windows of what is next or in hand that shut within minutes. */
export function warningsOf(bench: Bench, wall: number): Warning[] {
  const seen = new Set<string>();
  return [...bench.inHand, ...bench.next].flatMap((task) =>
    task.countdowns.flatMap((countdown): Warning[] => {
      if (countdown.shuts === null || countdown.opens > wall) return [];
      const left = countdown.shuts - wall;
      const id = `${task.planId} ${countdown.zoneId} ${countdown.from} ${Math.round(countdown.shuts)}`;
      if (left > SOON || left < -1 || seen.has(id) || !task.isNext) return [];
      seen.add(id);
      const what = `${task.card.title}, ${task.zones.join(", ").toLowerCase()}`;
      return [
        {
          id,
          left,
          says: left > 0 ? `${what}: the window shuts in ${Math.ceil(left)} min` : `${what}: the window has shut`,
        },
      ];
    }),
  );
}

const wasTold = (id: string): boolean => {
  try {
    if (localStorage.getItem(TOLD + id)) return true;
    localStorage.setItem(TOLD + id, "1");
    return false;
  } catch {
    return false;
  }
};

let audio: AudioContext | null = null;

/** Two short notes. */
function ring() {
  try {
    audio ??= new AudioContext();
    const { currentTime } = audio;
    for (const [at, pitch] of [
      [0, 660],
      [0.22, 880],
    ] as const) {
      const tone = audio.createOscillator();
      const gain = audio.createGain();
      tone.frequency.value = pitch;
      gain.gain.setValueAtTime(0.0001, currentTime + at);
      gain.gain.exponentialRampToValueAtTime(0.25, currentTime + at + 0.02);
      gain.gain.exponentialRampToValueAtTime(0.0001, currentTime + at + 0.2);
      tone.connect(gain).connect(audio.destination);
      tone.start(currentTime + at);
      tone.stop(currentTime + at + 0.22);
    }
  } catch {
    // no sound on this device: the others say it
  }
}

/** Sound is on until it is turned off; the browser plays it from the first touch on. */
export function useSound(): { sound: boolean; setSound: (on: boolean) => void } {
  const [sound, set] = useKeptHere(SOUND, "on");
  return {
    sound: sound !== "off",
    setSound: (on) => {
      set(on ? "on" : "off");
      if (on) ring();
    },
  };
}

/** Says each warning once, in the order of courtesy. */
export function useWarnings(bench: Bench, wall: number, sound: boolean): Warning[] {
  const warnings = warningsOf(bench, wall);
  const key = warnings.map(({ id, left }) => `${id} ${left > 1 ? "soon" : left > 0 ? "now" : "shut"}`).join("|");
  const list = useRef(warnings);
  list.current = warnings;
  useEffect(() => {
    if (key === "") return;
    for (const { id, says, left } of list.current) {
      if (wasTold(`${id} ${left > 1 ? "soon" : left > 0 ? "now" : "shut"}`)) continue;
      if (sound) ring();
      navigator.vibrate?.(left > 0 ? [200, 100, 200] : 600);
      if (typeof Notification !== "undefined" && Notification.permission === "granted" && document.hidden)
        void navigator.serviceWorker?.ready
          .then((worker) => worker.showNotification("Jolly Crust", { body: says, tag: id }))
          .catch(() => new Notification("Jolly Crust", { body: says, tag: id }));
    }
  }, [key, sound]);
  return warnings;
}
