import { useEffect, useRef } from "react";
import type { Signals } from "../../../state/settingsSlice.ts";
import { useClock } from "../../../ui/useClock.ts";

/** What this browser has of it. */
export const canVibrate = typeof navigator !== "undefined" && "vibrate" in navigator;
export const canStayAwake = typeof navigator !== "undefined" && "wakeLock" in navigator;
export const canSpeak = typeof window !== "undefined" && "speechSynthesis" in window;

const BEEP = 0.25;
/** A short tone; a browser that lets none through stays silent. */
function beep(): void {
  try {
    const audio = new AudioContext();
    const tone = audio.createOscillator();
    const volume = audio.createGain();
    tone.frequency.value = 880;
    volume.gain.value = 0.2;
    tone.connect(volume).connect(audio.destination);
    tone.start();
    tone.stop(audio.currentTime + BEEP);
    tone.onended = () => void audio.close();
  } catch {
    // Forbidden or none there: the clock shows it.
  }
}

/** Sounds and shakes at the hours given (ms since 1970) as they come, and says the next step when it changes. */
export function useSignals(
  { sound, vibrate, awake, speak }: Signals,
  hours: readonly number[],
  say: string | undefined,
): void {
  const clock = useClock();
  const key = hours.join(" ");
  useEffect(() => {
    const timers = key
      .split(" ")
      .map((hour) => (Number(hour) - clock.now()) / Math.max(clock.rate, 0.001))
      .filter((wait) => wait > 0 && wait < 6 * 3_600_000)
      .map((wait) =>
        setTimeout(() => {
          if (sound) beep();
          if (vibrate && canVibrate) navigator.vibrate([200, 100, 200]);
        }, wait),
      );
    return () => {
      for (const timer of timers) clearTimeout(timer);
    };
  }, [key, sound, vibrate, clock]);

  const said = useRef(say);
  useEffect(() => {
    if (said.current === say) return;
    said.current = say;
    if (!speak || !canSpeak || !say) return;
    speechSynthesis.cancel();
    speechSynthesis.speak(new SpeechSynthesisUtterance(say));
  }, [say, speak]);

  useEffect(() => {
    if (!awake || !canStayAwake) return;
    let lock: WakeLockSentinel | undefined;
    let over = false;
    const hold = async () => {
      if (document.visibilityState !== "visible") return;
      try {
        lock = await navigator.wakeLock.request("screen");
        if (over) void lock.release();
      } catch {
        // Refused, on a low battery say: the screen sleeps as it would.
      }
    };
    void hold();
    document.addEventListener("visibilitychange", hold);
    return () => {
      over = true;
      document.removeEventListener("visibilitychange", hold);
      void lock?.release();
    };
  }, [awake]);
}
