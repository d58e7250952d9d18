import { BellOff, BellRing, MessageCircle } from 'lucide-react';
import { CALLS, ring, say, setCall, useCall, type Call } from '../../ui/attention.js';

const WORDS: Readonly<Record<Call, string>> = {
  silent: 'silent',
  sound: 'sound',
  spoken: 'sound and voice',
};
const ICONS = { silent: BellOff, sound: BellRing, spoken: MessageCircle } as const;

/** How the stove calls: one tap goes to the next way, and lets it be heard. */
export function CallChoice({ awake }: { readonly awake: boolean }) {
  const call = useCall();
  const Icon = ICONS[call];
  const next = CALLS[(CALLS.indexOf(call) + 1) % CALLS.length] ?? 'silent';
  return (
    <>
      {awake && <span className="hidden text-sm text-soft sm:inline">the screen stays on</span>}
      <button
        type="button"
        className="btn btn-ghost"
        aria-label={`Alerts: ${WORDS[call]}. Change to: ${WORDS[next]}`}
        onClick={() => {
          setCall(next);
          if (next !== 'silent') ring(1);
          if (next === 'spoken') say('I will tell you');
        }}
      >
        <Icon aria-hidden="true" className="size-5" /> Alerts: {WORDS[call]}
      </button>
    </>
  );
}
