import { Workbox } from "workbox-window";

let waiting: Workbox | undefined;
let left: ServiceWorkerRegistration | undefined;

/** Looks for a newer version this often while the page is open, ms. */
const LOOK_EVERY = 30 * 60_000;

/**
 * Registers the service worker, which keeps the app itself for work with no signal. A newer version is fetched and waits:
 * it is offered, never forced, and no page is loaded again under a hand.
 */
export function followUpdates(found: () => void): void {
  if (!("serviceWorker" in navigator) || import.meta.env.DEV) return;
  const workbox = new Workbox("/sw.js");
  workbox.addEventListener("waiting", () => {
    waiting = workbox;
    found();
  });
  void workbox.register().then((registration) => {
    left = registration;
    if (registration?.waiting) {
      waiting = workbox;
      found();
    }
    setInterval(() => void registration?.update().catch(() => undefined), LOOK_EVERY);
  });
}

/** Takes the newer version that waits, or looks for one; the page is loaded anew when it has taken over. */
export async function takeUpdate(): Promise<void> {
  if (waiting) {
    waiting.addEventListener("controlling", () => location.reload());
    waiting.messageSkipWaiting();
    return;
  }
  await left?.update().catch(() => undefined);
  location.reload();
}
