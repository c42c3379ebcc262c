/**
 * Several windows of the app in one process: each has its own copy of all that a window holds, they share the browser's store
 * and the line between windows, as in a browser. The store is a stand-in that keeps to the standard (IndexedDB 3.0, W3C).
 */
import { createRequire } from 'node:module';
import { join } from 'node:path';
import { build } from 'esbuild';
import * as store from 'fake-indexeddb';
import type * as Parts from './window-parts';

const root = join(import.meta.dirname, '../..');

/** Gives this process a browser's store, empty. @returns what takes it away again */
export function withStore(): () => void {
  const names = Object.keys(store).filter((n) => /^(IDB|indexedDB)/.test(n)) as (keyof typeof store)[];
  for (const n of names) Object.assign(globalThis, { [n]: n === 'indexedDB' ? new store.IDBFactory() : store[n] });
  return () => {
    for (const n of names) delete (globalThis as Record<string, unknown>)[n];
  };
}

export interface Window {
  readonly app: typeof Parts;
  /** Words it said to the maker, oldest first. */
  readonly said: string[];
  readonly close: () => void;
}

let bundled: Promise<string> | null = null;
/** The program of a window as one text. */
const program = (): Promise<string> =>
  (bundled ??= build({
    entryPoints: [join(import.meta.dirname, 'window-parts.ts')],
    bundle: true,
    write: false,
    format: 'cjs',
    platform: 'node',
    target: 'node20',
    tsconfig: join(root, 'tsconfig.json'),
    define: { 'process.env.PLAN_MARK': '""' },
    logLevel: 'error',
  }).then((made) => made.outputFiles[0]!.text));

/** Runs the program once more: what it holds is this window's own. */
async function load(): Promise<typeof Parts> {
  const own = { exports: {} };
  new Function('module', 'exports', 'require', await program())(own, own.exports, createRequire(import.meta.url));
  return own.exports as typeof Parts;
}

/** Opens a window with its cupboard read and followed. */
export async function openWindow(): Promise<Window> {
  const app = await load();
  const said: string[] = [];
  await app.openCupboard();
  const ends = [
    app.keepCupboard(),
    app.useDesk.subscribe((now, before) => {
      if (now.message !== null && now.message !== before.message) said.push(now.message);
    }),
  ];
  return { app, said, close: () => ends.forEach((end) => end()) };
}

/** Everything is stored, and every word between the windows has been heard. */
export async function quiet(windows: readonly Window[]): Promise<void> {
  let calm = 0;
  for (let i = 0; i < 2000; i++) {
    await new Promise((r) => setTimeout(r, 1));
    const busy = windows.some((w) => w.app.useDesk.getState().unsaved > 0);
    calm = busy ? 0 : calm + 1;
    // What was told is heard after some turns of the loop.
    if (calm >= 6) return;
  }
  throw new Error('the windows do not come to rest');
}
