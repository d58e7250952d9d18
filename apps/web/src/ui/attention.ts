import { useEffect, useRef, useState } from 'react';
import type { AdviceCode } from '@idle-kettle/core';
import { browserStore, oneOf } from '../data/browser-store.js';

/** How the stove calls: not at all, by a sound, or by a sound and a spoken word. */
export const CALLS = ['silent', 'sound', 'spoken'] as const;
export type Call = (typeof CALLS)[number];

const calls = browserStore<Call>({
  key: 'kettle.call',
  parse: oneOf(CALLS),
  otherwise: () => 'sound',
});
export const useCall = calls.use;
export const setCall = calls.set;

/** What can be called out at the stove: advice, an instrument in trouble. */
export type CallOutCode = AdviceCode | 'trouble';

/** How often it rings for what is called out: once, twice, three times for what is urgent. */
const URGENCY: Readonly<Record<CallOutCode, number>> = {
  'off-now': 3,
  done: 3,
  curdles: 3,
  'test-soon': 2,
  'test-again': 2,
  'next-stage': 2,
  foam: 2,
  stir: 1,
  plates: 1,
  'jars-hot': 1,
  sugar: 1,
  'warm-sugar': 1,
  pectin: 1,
  trouble: 1,
  rewarm: 0,
  'test-now': 0,
  'back-on': 0,
  whisk: 0,
  'full-boil': 0,
  'hold-boil': 0,
  'five-more': 0,
  'stir-slow': 0,
  watch: 0,
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
export function useCallOut(
  next: { readonly code: CallOutCode; readonly text: string } | undefined,
): void {
  const call = useCall();
  const last = useRef<CallOutCode>(undefined);
  const code = next?.code;
  const text = next?.text;
  useEffect(() => {
    const before = last.current;
    last.current = code;
    // What stands there when the screen opens is read, not rung.
    if (code === undefined || before === undefined || before === code || call === 'silent') return;
    const times = URGENCY[code];
    if (times === 0) return;
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
