import { browserStore } from '../data/browser-store.js';

/** The person was asked for notifications: once, at their first clock. */
const wasAsked = browserStore<boolean>({
  key: 'kettle.asked-to-notify',
  parse: (json) => (typeof json === 'boolean' ? json : undefined),
  otherwise: () => false,
});

const isOffered = (): boolean => 'Notification' in window && window.isSecureContext;

/** Asks whether clocks may notify while another page is open. Called where a clock is started. */
export function askToNotify(): void {
  if (!isOffered() || wasAsked.get() || Notification.permission !== 'default') return;
  wasAsked.set(true);
  void Notification.requestPermission().catch(() => undefined);
}

/** Shows a notification of the system where the person allowed it and does not look at the page. */
export async function notify(title: string, body: string): Promise<void> {
  if (!isOffered() || Notification.permission !== 'granted') return;
  if (document.visibilityState === 'visible') return;
  try {
    // Phones show those of a service worker only.
    const registration = await navigator.serviceWorker?.getRegistration();
    if (registration) await registration.showNotification(title, { body, tag: `${title} ${body}` });
    else new Notification(title, { body });
  } catch {
    // The sound and the title of the tab say it too.
  }
}
