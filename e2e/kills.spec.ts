/**
 * The browser is killed in the middle of work, as when the machine loses its power: whatever was acknowledged ("Saved") is there
 * when it is begun again, and everything stored can be read. A tenth in every run, all in `./test --long`.
 */
import { spawn, type ChildProcess } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { chromium, type Browser, type Page } from '@playwright/test';
import fc from 'fast-check';
import { cases, told } from '../cli/steadiness/counts';
import { DATABASE } from '../src/desk/storage';
import { browserPath } from './browser-path';
import { expect, saved, settled, test } from './desk';
import { prepare } from './prepared';

const seed = Number(process.env.SEED ?? Date.now() % 1e9);

interface Alive {
  readonly browser: Browser;
  readonly child: ChildProcess;
}

/** A browser of its own with a folder that outlives it. */
async function begin(folder: string): Promise<Alive> {
  const child = spawn(
    browserPath(),
    ['--no-sandbox', '--disable-gpu', '--disable-quic', '--disable-background-networking', '--disable-component-update',
      '--disable-sync', '--no-first-run', '--remote-debugging-port=0', `--user-data-dir=${folder}`, 'about:blank'], // prettier-ignore
    // A group of its own: all of its processes end at once.
    { stdio: ['ignore', 'ignore', 'pipe'], detached: true },
  );
  const address = await new Promise<string>((found, none) => {
    let words = '';
    child.stderr!.on('data', (b: Buffer) => {
      words += b.toString();
      const at = /DevTools listening on (ws:\S+)/.exec(words);
      if (at) found(at[1]!);
    });
    child.once('exit', () => none(new Error(`the browser ended: ${words.slice(-400)}`)));
  });
  return { browser: await chromium.connectOverCDP(address), child };
}

async function kill({ child, browser }: Alive): Promise<void> {
  const ended = new Promise((end) => child.once('exit', end));
  process.kill(-child.pid!, 'SIGKILL');
  await ended;
  await browser.close().catch(() => undefined);
}

/** What a maker would miss, counted: it only ever grows in what is done here. */
interface Kept {
  readonly lots: number;
  readonly log: number;
  readonly pieces: number;
  readonly lengthMm: number;
}

/** Read from the store itself, in any page of the same origin. */
const kept = (page: Page): Promise<Kept> =>
  page.evaluate(async ({ name }) => {
    const asked = indexedDB.open(name);
    await new Promise((done, fail) => {
      asked.onsuccess = done;
      asked.onerror = () => fail(asked.error!);
    });
    const tx = asked.result.transaction(['pieces', 'things']);
    const [pieces, cupboard] = [tx.objectStore('pieces').getAll(), tx.objectStore('things').get('cupboard')];
    await new Promise((done) => (tx.oncomplete = done));
    asked.result.close();
    interface Doc {
      readonly id: string;
      readonly doc: { readonly log: readonly unknown[]; readonly form: { readonly finishedLengthMm: number } };
    }
    const all = pieces.result as Doc[];
    const bird = all.find((p) => p.id === 'kingfisher')!.doc;
    return {
      lots: (cupboard.result as { lots: readonly unknown[] }).lots.length,
      log: bird.log.length,
      pieces: all.length,
      lengthMm: bird.form.finishedLengthMm,
    };
  }, DATABASE);

/** Something a maker does over and over; `ack` is told what is stored whenever the screen says that all is. */
type Doing = (page: Page, url: string, ack: (k: Kept) => void, second: () => Promise<Page>) => Promise<void>;

const addWool = async (page: Page, ack: (k: Kept) => void): Promise<void> => {
  for (;;) {
    await page.getByRole('button', { name: 'Add wool' }).click();
    await saved(page);
    ack(await kept(page));
  }
};
const DOINGS: Readonly<Record<string, Doing>> = {
  'wool added to the cupboard': async (page, url, ack) => {
    await page.goto(`${url}/cupboard`);
    await addWool(page, ack);
  },
  'wool added in two windows at once': async (page, url, ack, second) => {
    const other = await second();
    await Promise.all([page.goto(`${url}/cupboard`), other.goto(`${url}/cupboard`)]);
    await Promise.all([addWool(page, ack), addWool(other, ack)]);
  },
  'the finished length changed': async (page, url, ack) => {
    await page.goto(`${url}/piece/kingfisher/form`);
    const field = page.getByRole('textbox', { name: 'Finished length' });
    for (let mm = Number(await field.inputValue()); ;) {
      mm += 0.5;
      await field.fill(String(mm));
      await field.blur();
      await saved(page);
      ack(await kept(page));
    }
  },
  'steps ticked off at the bench': async (page, url, ack) => {
    await page.goto(`${url}/piece/kingfisher/bench`);
    await settled(page);
    for (;;) {
      await page.keyboard.press('Space');
      await saved(page);
      ack(await kept(page));
    }
  },
  'files opened': async (page, url, ack) => {
    const file = { ...(JSON.parse(readFileSync('demo/kingfisher.json', 'utf8')) as object), name: 'From a file' };
    for (;;) {
      await page.goto(url);
      await page
        .getByLabel('Piece file')
        .setInputFiles({ name: 'a.json', mimeType: 'application/json', buffer: Buffer.from(JSON.stringify(file)) });
      await page.waitForURL('**/piece/**');
      ack(await kept(page));
    }
  },
  'the store of an older program opened': async (page, url, ack) => {
    // As version 1 left it: without photographs and earlier states.
    await page.goto(`${url}/api/health`);
    await page.evaluate(async ({ name, version }) => {
      const open = (v?: number) => {
        const asked = indexedDB.open(name, v);
        return new Promise<IDBDatabase>((done, fail) => {
          asked.onsuccess = () => done(asked.result);
          asked.onerror = () => fail(asked.error!);
          asked.onupgradeneeded = () => {
            if (v !== 1) return;
            asked.result.createObjectStore('pieces', { keyPath: 'id' });
            asked.result.createObjectStore('things');
          };
        });
      };
      const now = await open(version);
      const tx = now.transaction(['pieces', 'things']);
      const all = ['pieces', 'things'].map(
        (s) => [s, tx.objectStore(s).getAll(), tx.objectStore(s).getAllKeys()] as const,
      );
      await new Promise((done) => (tx.oncomplete = done));
      now.close();
      await new Promise((done) => (indexedDB.deleteDatabase(name).onsuccess = done));
      const old = await open(1);
      const put = old.transaction(['pieces', 'things'], 'readwrite');
      for (const [s, values, keys] of all) {
        values.result.forEach((v: unknown, i: number) =>
          put.objectStore(s).put(v, s === 'things' ? keys.result[i] : undefined),
        );
      }
      await new Promise((done) => (put.oncomplete = done));
      old.close();
    }, DATABASE);
    ack(await kept(page));
    await page.goto(url);
    await expect(page.getByRole('heading', { name: 'Your pieces' })).toBeVisible();
    ack(await kept(page));
  },
};

for (const half of [1, 2])
  test(`killed at any moment, no change that was acknowledged is lost (${half})`, async ({ baseURL }) => {
    const url = baseURL!;
    const kills = cases(10);
    test.setTimeout(60_000 + kills * 30_000);
    const folder = mkdtempSync(join(tmpdir(), 'killed-'));
    const counts: Record<string, number> = { 'changes acknowledged before them': 0 };
    let alive = await begin(folder);
    try {
      let page = alive.browser.contexts()[0]!.pages()[0]!;
      await prepare(page, 'Kingfisher', { picture: 'plain', shape: 'coarse' }, url);
      let before = await kept(page);
      const moments = fc.sample(fc.tuple(fc.nat(Object.keys(DOINGS).length - 1), fc.integer({ min: 30, max: 800 })), {
        numRuns: kills,
        seed: seed + half,
      });
      for (const [i, [which, ms]] of moments.entries()) {
        const [name, does] = Object.entries(DOINGS)[(which + i) % Object.keys(DOINGS).length]!;
        const context = alive.browser.contexts()[0]!;
        page = context.pages()[0] ?? (await context.newPage());
        let acked = before;
        let first: (() => void) | null = null;
        const begun = new Promise<void>((r) => (first = r));
        const ack = (k: Kept) => {
          acked = k;
          counts['changes acknowledged before them']!++;
          first?.();
        };
        let killed = false;
        const work = does(page, url, ack, () => context.newPage()).catch((e: unknown) => {
          // What is under way when the browser ends fails, as it must; nothing else may.
          if (!killed) throw e;
        });
        // From the first acknowledgement on: before that there is nothing to lose, and an older store is not yet put in its place.
        await Promise.race([begun, work]);
        await new Promise((r) => setTimeout(r, ms));
        killed = true;
        await kill(alive);
        await work;
        counts[name] = (counts[name] ?? 0) + 1;

        alive = await begin(folder);
        page = alive.browser.contexts()[0]!.pages()[0]!;
        await page.goto(`${url}/api/health`);
        const now = await kept(page);
        for (const k of ['lots', 'log', 'pieces', 'lengthMm'] as const) {
          expect(now[k], `${k} after a kill during: ${name} (${ms} ms, seed ${seed})`).toBeGreaterThanOrEqual(acked[k]);
        }
        before = now;
      }
      await page.goto(url);
      await expect(page.getByRole('heading', { name: 'Your pieces' })).toBeVisible();
      await expect(page.getByText(/cannot be read/)).toHaveCount(0);
    } finally {
      await kill(alive);
      rmSync(folder, { recursive: true, force: true });
    }
    told(`kills-${half}`, {
      'kills at random moments': kills,
      ...counts,
    });
  });
