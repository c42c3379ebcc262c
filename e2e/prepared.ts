/**
 * A browser prepared for a test: its store holds a demo piece, the cupboard, the hand, the settings and the finished plan, so
 * that a test begins in the room it is about. The stores are named by the app's own list.
 */
import { join } from 'node:path';
import type { Page } from '@playwright/test';
import { planMark } from '../cli/plan-mark.mjs';
import { packedName, readerForPages } from '../cli/testing/packed';
import { plansDir } from '../cli/testing/plans-dir.mjs';
import { KEPT_DATABASE } from '../src/desk/kept-plans';
import { HINTS, type Settings } from '../src/desk/settings';
import { DATABASE } from '../src/desk/storage';

export const DEMOS = {
  'Pine marten': 'pine-marten',
  'Suri alpaca cria': 'alpaca-cria',
  Kingfisher: 'kingfisher',
  'Brown hare in relief': 'brown-hare',
} as const;
export type Demo = keyof typeof DEMOS;

const mark = planMark();
const plans = plansDir();
/** A page of the same origin on which nothing of the app runs. */
const BLANK = `<!doctype html><link rel="icon" href="data:,"><title>Prepared</title><script>${readerForPages()}</script>`;

/** How the animal is drawn and how finely its shape is worked out, as a maker chooses it in the settings. */
export interface Preparing extends Pick<Settings, 'picture' | 'shape'> {
  /** How the piece was last looked at. */
  readonly view?: Record<string, unknown>;
  /** A piece beside it on the shelf, as a file would hold it. */
  readonly beside?: { readonly id: string };
}

/**
 * Fills the store of an empty browser; the page is left blank, on the same origin.
 * @param url address of the app where the page does not know it
 * @returns the id of the piece
 */
export async function prepare(
  page: Page,
  name: Demo,
  { picture, shape, view, beside }: Preparing,
  url = '',
): Promise<string> {
  const id = DEMOS[name];
  await page.route('**/prepared', (r) => r.fulfill({ contentType: 'text/html', body: BLANK }));
  await page.route('**/prepared-plan', (r) => r.fulfill({ path: join(plans, packedName(id, shape)) }));
  await page.goto(`${url}/prepared`);
  await page.evaluate(
    async ({ id, mark, picture, shape, view, beside, hinted, database, kept }) => {
      interface Made {
        readonly piece: unknown;
        readonly cupboard: unknown;
        readonly hand: unknown;
        readonly plan: unknown;
        readonly inputs: string;
        readonly memory: unknown;
      }
      const { unpacked } = window as unknown as { unpacked: (bytes: Uint8Array) => Made };
      const made = unpacked(new Uint8Array(await (await fetch('/prepared-plan')).arrayBuffer()));
      const fill = async (
        {
          name,
          version,
          stores,
        }: { name: string; version: number; stores: readonly { name: string; keyPath?: string | readonly string[] }[] },
        records: readonly (readonly [store: string, value: unknown, key?: string])[],
      ) => {
        const asked = indexedDB.open(name, version);
        asked.onupgradeneeded = () => {
          for (const s of stores) {
            asked.result.createObjectStore(
              s.name,
              s.keyPath === undefined ? {} : { keyPath: s.keyPath as string | string[] },
            );
          }
        };
        await new Promise((done, fail) => {
          asked.onsuccess = done;
          asked.onerror = () => fail(asked.error!);
        });
        const all = asked.result.transaction([...asked.result.objectStoreNames], 'readwrite');
        for (const [store, value, key] of records) all.objectStore(store).put(value, key);
        await new Promise((done, fail) => {
          all.oncomplete = done;
          all.onerror = () => fail(all.error!);
        });
        asked.result.close();
      };
      await fill(database, [
        ['pieces', { id, doc: made.piece, savedAt: new Date().toISOString() }],
        ['things', made.cupboard, 'cupboard'],
        ['things', made.hand, 'hand'],
        ['things', { picture, shape, hinted }, 'settings'],
        ...(beside ? ([['pieces', { id: beside.id, doc: beside, savedAt: new Date(0).toISOString() }]] as const) : []),
        ...(view ? ([['things', view, `view:${id}`]] as const) : []),
      ]);
      await fill(kept, [
        ['plans', { id, mark, inputs: made.inputs, plan: made.plan, at: 0 }],
        ['memories', { id, mark, memory: made.memory }],
      ]);
    },
    { id, mark, picture, shape, view, beside, hinted: HINTS, database: DATABASE, kept: KEPT_DATABASE },
  );
  return id;
}
