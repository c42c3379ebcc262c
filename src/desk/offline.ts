/**
 * Whether this browser has a copy of the program that works with the server gone, and whether a newer edition lies ready. The
 * service worker keeps the copy; this window asks it to look for a newer one now and then.
 */
import { create } from 'zustand';
import { newerFor, type Newer, type Stand } from '@/worker/offline-copy';
import { useDesk } from './store';

interface Offline {
  /**
   * `unsafe` where the page did not come over a safe line or the browser cannot keep a copy; `none` while the program is being
   * written; `asked` until the first copy is whole.
   */
  readonly copy: 'unknown' | 'unsafe' | 'none' | 'asked' | 'whole' | 'failed';
  readonly why: string | null;
  readonly newer: Newer;
  /** The maker does not want to hear of it in this window. */
  readonly later: boolean;
}

export const useOffline = create<Offline>()((): Offline => ({ copy: 'unknown', why: null, newer: null, later: false }));

/** The server is asked for a newer edition when the window is looked at again, at most so often, ms. */
const EVERY = 60 * 60 * 1000;

/** Which build this window runs; null while the program is being written. */
export const buildMark = (): string | null =>
  document.querySelector<HTMLMetaElement>('meta[name="build"]')?.content ?? null;

/** Asks the service worker that is there now. @throws with what went wrong there */
async function ask(what: 'stand' | 'look' | 'take'): Promise<Stand> {
  const worker = (await navigator.serviceWorker.ready).active!;
  const { port1, port2 } = new MessageChannel();
  return new Promise((done, fail) => {
    port1.onmessage = (e: MessageEvent<{ stand?: Stand; failed?: string }>) =>
      e.data.stand ? done(e.data.stand) : fail(new Error(e.data.failed));
    worker.postMessage(what, [port2]);
  });
}

function told(stand: Stand): void {
  useOffline.setState({
    copy: stand.serves === null ? 'asked' : 'whole',
    why: null,
    newer: newerFor(buildMark(), stand),
  });
}

let looked = -Infinity;

async function look(): Promise<void> {
  if (Date.now() - looked < EVERY) return;
  looked = Date.now();
  // With the server gone the copy is as good as it was.
  told(await ask('look').catch(() => ask('stand')));
}

/** Has a copy of the program kept in this browser and kept up with. Returns what ends it. */
export function keepOffline(): () => void {
  if (buildMark() === null) {
    useOffline.setState({ copy: 'none' });
    return () => undefined;
  }
  const manager = navigator.serviceWorker as ServiceWorkerContainer | undefined;
  if (!manager) {
    useOffline.setState({ copy: 'unsafe' });
    return () => undefined;
  }
  useOffline.setState({ copy: 'asked' });
  const seen = () => void (document.visibilityState === 'visible' && look());
  const begin = async () => {
    try {
      const registration = await navigator.serviceWorker.register(new URL('../worker/offline.sw.ts', import.meta.url), {
        scope: '/',
      });
      // Without the server it is not found out whether there is a newer one; what is there goes on.
      if (registration.installing && !registration.active) await installed(registration.installing);
      await look();
      document.addEventListener('visibilitychange', seen);
    } catch (e) {
      const has = manager.controller !== null;
      useOffline.setState({ copy: has ? 'whole' : 'failed', why: e instanceof Error ? e.message : String(e) });
    }
  };
  void begin();
  return () => document.removeEventListener('visibilitychange', seen);
}

/** @throws when the first copy could not be made */
const installed = (worker: ServiceWorker): Promise<void> =>
  new Promise((done, fail) =>
    worker.addEventListener('statechange', () => {
      if (worker.state === 'activated') done();
      if (worker.state === 'redundant') fail(new Error('not every file could be had'));
    }),
  );

/** Begins this window anew with the newest edition, once everything changed here is stored. */
export async function takeNewer(): Promise<void> {
  await new Promise<void>((stored) => {
    const now = () => useDesk.getState().unsaved === 0;
    if (now()) return stored();
    const end = useDesk.subscribe(() => now() && (end(), stored()));
  });
  if (useOffline.getState().newer === 'ready') await ask('take');
  location.reload();
}
