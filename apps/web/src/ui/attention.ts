import { useEffect, useRef, useState, useSyncExternalStore } from 'react';
import type { Advice } from '@idle-kettle/core';

/** How the stove calls: not at all, by a sound, or by a sound and a spoken word. */
export const CALLS = ['silent', 'sound', 'spoken'] as const;
export type Call = (typeof CALLS)[number];

const KEY = 'kettle.call';
const listeners = new Set<() => void>();
const read = (): Call => {
  const kept = localStorage.getItem(KEY) as Call | null;
  return kept !== null && CALLS.includes(kept) ? kept : 'sound';
};
export const useCall = (): Call =>
  useSyncExternalStore((tell) => {
    listeners.add(tell);
    return () => listeners.delete(tell);
  }, read);
export const setCall = (call: Call): void => {
  localStorage.setItem(KEY, call);
  listeners.forEach((tell) => tell());
};

/** What is called out, with how urgent it is: once, twice, three times. */
const URGENCY: Readonly<Record<string, number>> = {
  'test-soon': 2,
  'test-again': 2,
  'off-now': 3,
  done: 3,
  curdles: 3,
  foam: 2,
  stir: 1,
  plates: 1,
  'jars-hot': 1,
  sugar: 1,
  trouble: 1,
  rest: 3,
  over: 2,
};

let audio: AudioContext | undefined;

/**
 * So many short notes, rising when it is urgent. Browsers allow sound once the person has touched
 * the page.
 */
export function ring(times: number): void {
  try {
    audio ??= new AudioContext();
    if (audio.state === 'suspended') void audio.resume();
    for (let i = 0; i < times; i++) {
      const [note, loud] = [audio.createOscillator(), audio.createGain()];
      const from = audio.currentTime + i * 0.32;
      note.frequency.value = 660 + i * 110;
      loud.gain.setValueAtTime(0, from);
      loud.gain.linearRampToValueAtTime(0.25, from + 0.02);
      loud.gain.exponentialRampToValueAtTime(0.001, from + 0.28);
      note.connect(loud).connect(audio.destination);
      note.start(from);
      note.stop(from + 0.3);
    }
  } catch {
    // No sound on this device; the words are on the screen.
  }
}

export function say(text: string): void {
  if (!('speechSynthesis' in window)) return;
  window.speechSynthesis.cancel();
  window.speechSynthesis.speak(new SpeechSynthesisUtterance(text));
}

/** Calls out when the thing to do changes to one that cannot wait. */
export function useCallOut(next: Pick<Advice, 'code' | 'text'> | undefined): void {
  const call = useCall();
  const last = useRef<string>(undefined);
  const code = next?.code;
  const text = next?.text;
  useEffect(() => {
    const before = last.current;
    last.current = code;
    // What stands there when the screen opens is read, not rung.
    if (code === undefined || before === undefined || before === code || call === 'silent') return;
    const times = URGENCY[code];
    if (times === undefined) return;
    ring(times);
    if (call === 'spoken' && text !== undefined) say(text);
  }, [code, text, call]);
}

/** Keeps the screen on while the pot is. @returns whether it holds; some devices do not allow it */
export function useScreenAwake(wanted: boolean): boolean {
  const [held, setHeld] = useState(false);
  useEffect(() => {
    if (!wanted || !('wakeLock' in navigator)) return undefined;
    let lock: WakeLockSentinel | undefined;
    let over = false;
    const ask = async (): Promise<void> => {
      if (document.visibilityState !== 'visible') return;
      try {
        lock = await navigator.wakeLock.request('screen');
        if (over) void lock.release();
        else setHeld(true);
        lock.addEventListener('release', () => setHeld(false));
      } catch {
        setHeld(false);
      }
    };
    // A phone that slept has let it go.
    const again = (): void => void ask();
    void ask();
    document.addEventListener('visibilitychange', again);
    return () => {
      over = true;
      document.removeEventListener('visibilitychange', again);
      void lock?.release();
    };
  }, [wanted]);
  return wanted && held;
}
