import { Bell, MessageCircle, Moon, Sun, Volume2, VolumeX } from "lucide-react";
import { useEffect, useState } from "react";
import { toast } from "sonner";
import type { BenchTask } from "#core/ledger/bench";
import { sayClock, sayDate } from "#core/units/when";
import { useKeptHere } from "~/bench/kept-here";
import { readOut } from "~/bench/task-words";
import type { BenchView } from "~/bench/use-bench";
import { Brand } from "~/parts/brand";

const LIGHT = "jolly-crust/light";

export const HANDS = "jolly-crust/hands";

/** By day or in the dark: as was chosen on this device, else by the system's wish. */
export function useLight() {
  const [chosen, choose] = useKeptHere(LIGHT, "");
  const [dim, setDim] = useState(false);
  useEffect(() => {
    const wish = window.matchMedia("(prefers-color-scheme: dark)");
    const follow = () => setDim(wish.matches);
    follow();
    wish.addEventListener("change", follow);
    return () => wish.removeEventListener("change", follow);
  }, []);
  return { chosen, dark: chosen === "" ? dim : chosen === "dark", choose };
}

type Light = ReturnType<typeof useLight>;

function speak(text: string) {
  const voice = typeof window === "undefined" ? undefined : window.speechSynthesis;
  if (!voice) {
    toast("This browser has no voice.");
    return;
  }
  voice.cancel();
  const said = new SpeechSynthesisUtterance(text);
  said.lang = "en-GB";
  said.rate = 0.95;
  voice.speak(said);
}

export function Head({
  view,
  air,
  light,
  sound,
  setSound,
  task,
}: {
  view: BenchView;
  air: { celsius: number; relativeHumidity: number } | null;
  light: Light;
  sound: boolean;
  setSound: (on: boolean) => void;
  task: BenchTask | null;
}) {
  const wall = Math.floor(view.wall);
  const [asks, setAsks] = useState(false);
  useEffect(() => setAsks(typeof Notification !== "undefined" && Notification.permission === "default"), []);
  return (
    <header className="bench-bar">
      <Brand />
      <span className="bench-clock">
        Bench · <b>{`${sayDate(wall)}, ${sayClock(wall)}`}</b>
      </span>
      <span className="grow" />
      {air && (
        <span className="bench-air">
          {air.celsius} °C · {air.relativeHumidity} %
        </span>
      )}
      {task && (
        <button
          type="button"
          className="bench-icon"
          onClick={() => speak(readOut(task, view.wall, view.now))}
          aria-label="Read this step aloud"
          title="Read this step aloud"
        >
          <MessageCircle size={24} strokeWidth={1.5} aria-hidden="true" />
        </button>
      )}
      {asks && (
        <button
          type="button"
          className="bench-icon"
          onClick={() => void Notification.requestPermission().then(() => setAsks(false))}
          aria-label="Allow notices when a window is about to shut"
          title="Allow notices when a window is about to shut"
        >
          <Bell size={24} strokeWidth={1.5} aria-hidden="true" />
        </button>
      )}
      <button
        type="button"
        className="bench-icon"
        onClick={() => setSound(!sound)}
        aria-pressed={sound}
        aria-label="Sound of warnings"
        title={sound ? "Warnings sound: turn off" : "Warnings are silent: turn on"}
      >
        {sound ? (
          <Volume2 size={24} strokeWidth={1.5} aria-hidden="true" />
        ) : (
          <VolumeX size={24} strokeWidth={1.5} aria-hidden="true" />
        )}
      </button>
      <button
        type="button"
        className="bench-icon"
        onClick={() => light.choose(light.dark ? "day" : "dark")}
        aria-label={light.dark ? "Daylight" : "Dark room"}
        title={light.dark ? "Daylight" : "Dark room"}
      >
        {light.dark ? (
          <Sun size={24} strokeWidth={1.5} aria-hidden="true" />
        ) : (
          <Moon size={24} strokeWidth={1.5} aria-hidden="true" />
        )}
      </button>
    </header>
  );
}

export const taskLink = (task: BenchTask, more = "") => `/bench?task=${encodeURIComponent(task.id)}${more}`;
