import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { BrowserContext, Page } from '@playwright/test';
import { defaultHand } from '../src/core/piece/hand';
import { expect, openDemo, saved, settled, test } from './desk';
import { front } from './front';

/** A window whose console is watched; requests that find no server are what these tests are about. */
async function window(context: BrowserContext, trouble: string[]): Promise<Page> {
  const page = await context.newPage();
  page.on('console', (m) => {
    if (m.type() === 'error' && !/ERR_CONNECTION_REFUSED|Failed to update a ServiceWorker/.test(m.text()))
      trouble.push(m.text());
  });
  page.on('pageerror', (e) => trouble.push(e.message));
  return page;
}

/** The copy is whole, as the settings say. */
async function copied(page: Page, url: string): Promise<void> {
  await page.goto(`${url}/settings`);
  await expect(page.getByText('everything works without the server')).toBeVisible();
}

test('after one visit everything works with the server gone, a cold start too', async ({ browser, baseURL }) => {
  const server = await front(baseURL!);
  const trouble: string[] = [];
  const context = await browser.newContext({ serviceWorkers: 'allow', viewport: { width: 1280, height: 800 } });
  const visit = await window(context, trouble);
  await copied(visit, server.url);
  await visit.close();
  await server.gone();

  const page = await window(context, trouble);
  await page.goto(`${server.url}/`);
  await page.getByRole('button', { name: 'Open Kingfisher' }).click();
  await settled(page);
  for (const stage of ['Form', 'Shade', 'Face', 'Needles', 'Order', 'Bench', 'Log', 'Coat']) {
    await page
      .getByRole('navigation', { name: 'Stages' })
      .getByRole('link', { name: new RegExp(stage) })
      .click();
    await settled(page);
    await expect(page).toHaveTitle(`${stage} · Fond Badger`);
  }
  // Paper too.
  for (const [item, name] of [
    [/Row sheets/, 'kingfisher-row-sheets.pdf'],
    [/Cut list/, 'kingfisher-cut-list.csv'],
  ] as const) {
    await page.getByRole('button', { name: 'Print sheets' }).click();
    const download = page.waitForEvent('download');
    await page.getByRole('menuitem', { name: item }).click();
    expect((await download).suggestedFilename()).toBe(name);
  }
  await page.getByRole('link', { name: 'Shelf' }).click();
  for (const room of ['Cupboard', 'Handbook', 'Settings', 'Shelf']) {
    await page.getByRole('navigation', { name: 'Rooms' }).getByRole('link', { name: room }).click();
    await expect(page.getByRole('heading', { level: 1, name: room === 'Shelf' ? /./ : room })).toBeVisible();
  }
  await page.getByRole('button', { name: 'New piece' }).click();
  await page.getByRole('dialog').getByLabel('Name').fill('Made without a server');
  await page
    .getByRole('dialog')
    .getByRole('button', { name: /Begin|Make|Create/ })
    .click();
  await page.waitForURL('**/form');
  await settled(page);
  await saved(page);
  await page.reload();
  await settled(page);
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Made without a server');
  const address = page.url();
  await page.close();
  const cold = await window(context, trouble);
  await cold.goto(address);
  await settled(cold);
  await expect(cold.getByRole('heading', { level: 1 })).toHaveText('Made without a server');
  await cold.goto(`${server.url}/nowhere/at/all`);
  await expect(cold.getByRole('heading', { level: 1 })).toHaveText('There is nothing here');
  await context.close();
  expect(trouble).toEqual([]);
});

test('a newer edition is offered and never taken in the middle of work', async ({ browser, baseURL }) => {
  const server = await front(baseURL!);
  const trouble: string[] = [];
  const context = await browser.newContext({ serviceWorkers: 'allow', viewport: { width: 1280, height: 800 } });
  const page = await window(context, trouble);
  await copied(page, server.url);
  const edition = (p: Page) => p.locator('meta[name="build"]').getAttribute('content');
  const old = await edition(page);
  server.renew('the-next-build');
  // Loaded anew it is the old one still, and finds the newer.
  await page.reload();
  await expect(page.getByText('A newer edition of the program lies ready')).toBeVisible();
  expect(await edition(page)).toBe(old);
  const other = await window(context, trouble);
  await other.goto(`${server.url}/handbook`);
  await expect(other.getByText('A newer edition of the program lies ready')).toBeVisible();
  expect(await edition(other)).toBe(old);
  await page.getByRole('button', { name: 'Begin anew with it' }).click();
  await expect.poll(() => edition(page).catch(() => null)).toBe('the-next-build');
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Settings');
  await expect(page.getByText('A newer edition')).toHaveCount(0);
  // The other window goes on as it was, and its screens still come.
  await other.getByRole('link', { name: 'Cupboard' }).click();
  await expect(other.getByRole('heading', { level: 1 })).toHaveText('Cupboard');
  expect(await edition(other)).toBe(old);
  // Once no window is open there is nothing to be in the middle of.
  server.renew('the-one-after');
  await page.reload();
  await expect(page.getByText('A newer edition of the program lies ready')).toBeVisible();
  await page.close();
  await other.close();
  const fresh = await window(context, trouble);
  await fresh.goto(server.url);
  expect(await edition(fresh)).toBe('the-one-after');
  await context.close();
  await server.gone();
  expect(trouble).toEqual([]);
});

test('going from screen to screen asks nothing of the server', async ({ desk: page }) => {
  await page.goto('/');
  await page.getByRole('button', { name: 'Open Pine marten' }).click();
  await settled(page);
  const asked: string[] = [];
  page.on('request', (r) => {
    if (!/_next\/static|^blob:/.test(r.url())) asked.push(r.url());
  });
  for (const stage of ['Form', 'Order', 'Coat']) {
    await page
      .getByRole('navigation', { name: 'Stages' })
      .getByRole('link', { name: new RegExp(stage) })
      .click();
    await settled(page);
  }
  await page.goBack();
  await expect(page).toHaveTitle('Order · Fond Badger');
  await page.goForward();
  await expect(page).toHaveTitle('Coat · Fond Badger');
  await page.getByRole('link', { name: 'Shelf' }).click();
  await expect(page).toHaveTitle('Fond Badger');
  expect(asked).toEqual([]);
});

test('page, door and command line make the same files, byte for byte', async ({ desk: page, request }) => {
  const date = '2026-03-01T00:00:00.000Z';
  await openDemo(page, 'Kingfisher');
  await page.clock.setFixedTime(new Date(date));
  const read = (name: string) => JSON.parse(readFileSync(`demo/${name}.json`, 'utf8')) as object;
  const dir = mkdtempSync(join(tmpdir(), 'same-'));
  execFileSync(
    'node_modules/.bin/tsx',
    `cli/plan.ts demo/kingfisher.json --format pdf,csv,book --shape coarse --date 2026-03-01 --out ${dir}`.split(' '),
    { stdio: 'pipe' },
  );
  for (const [item, ending, format] of [
    [/Row sheets/, 'row-sheets.pdf', 'pdf'],
    [/Cut list/, 'cut-list.csv', 'csv'],
    [/Face card/, 'face-card.pdf', null],
    [/Bench book/, 'bench-book.pdf', null],
  ] as const) {
    await page.getByRole('button', { name: 'Print sheets' }).click();
    const download = page.waitForEvent('download');
    await page.getByRole('menuitem', { name: item }).click();
    const fromPage = readFileSync(await (await download).path());
    const fromCommand = readFileSync(join(dir, `kingfisher-${ending}`));
    expect(fromPage.equals(fromCommand), `${ending} of the page and of the command line`).toBe(true);
    if (format === null) continue;
    const settings = { shape: 'coarse' };
    const data = { piece: read('kingfisher'), cupboard: read('cupboard'), hand: defaultHand, settings, date };
    const fromDoor = await (await request.post(`/api/sheets?format=${format}`, { data })).body();
    expect(fromPage.equals(fromDoor), `${ending} of the page and of the door`).toBe(true);
  }
});
