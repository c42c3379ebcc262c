/** Storing that goes wrong: nothing is written over that cannot be read, nothing not yet saved is forgotten, nothing is silent. */
import { readFileSync } from 'node:fs';
import type { Page } from '@playwright/test';
import { accessible, docket, expect, openDemo, saved, settled, test } from './desk';
import { DATABASE } from '../src/desk/storage';

/** What is stored under a name, or what is put there. */
const stored = (page: Page, store: 'things' | 'pieces', key: string, put?: unknown): Promise<unknown> =>
  page.evaluate(
    async ({ database, store, key, put }) => {
      const asked = indexedDB.open(database.name, database.version);
      await new Promise((done) => (asked.onsuccess = done));
      const tx = asked.result.transaction(store, 'readwrite');
      if (put !== undefined) tx.objectStore(store).put(put, store === 'things' ? key : undefined);
      const got = tx.objectStore(store).get(key);
      await new Promise((done) => (tx.oncomplete = done));
      asked.result.close();
      return got.result as unknown;
    },
    { database: DATABASE, store, key, put },
  );

test('a cupboard that cannot be read is left as it is, handed out, and set aside when the maker begins anew', async ({
  desk: page,
}) => {
  await openDemo(page);
  const mine = (await stored(page, 'things', 'cupboard')) as { lots: Record<string, unknown>[] };
  const broken = {
    ...mine,
    lots: mine.lots.map((l, i) => (i === 0 ? { ...l, name: 'My own fleece', haveG: 'much' } : l)),
  };
  await stored(page, 'things', 'cupboard', broken);
  await page.goto('/cupboard');
  await settled(page);
  const alert = page.getByRole('alert').filter({ hasText: 'Your cupboard is stored here but cannot be read' });
  await expect(alert).toContainText('My own fleece');
  await accessible(page);
  await page.getByRole('button', { name: 'Add wool' }).click();
  await expect(page.getByText('nothing is changed in it')).toBeVisible();
  expect(await stored(page, 'things', 'cupboard')).toEqual(broken);
  // It is said on the desk too, and the piece is worked on as ever.
  await page.goto('/piece/pine-marten/coat');
  await settled(page);
  await expect(alert).toBeVisible();
  const [file] = await Promise.all([
    page.waitForEvent('download'),
    alert.getByRole('button', { name: 'Save it to a file' }).click(),
  ]);
  expect(JSON.parse(readFileSync(await file.path(), 'utf8'))).toEqual(broken);
  await alert.getByRole('button', { name: 'Begin with the demo cupboard' }).click();
  await expect(alert).toBeHidden();
  const aside = await page.evaluate(async (database) => {
    const asked = indexedDB.open(database.name, database.version);
    await new Promise((done) => (asked.onsuccess = done));
    const tx = asked.result.transaction('things');
    const keys = tx.objectStore('things').getAllKeys();
    await new Promise((done) => (tx.oncomplete = done));
    asked.result.close();
    return keys.result.map(String).filter((k) => k.startsWith('cupboard-set-aside-'));
  }, DATABASE);
  expect(aside.length).toBe(1);
  expect(await stored(page, 'things', aside[0]!)).toEqual(broken);
});

test('a cupboard of a newer program is not written over', async ({ desk: page }) => {
  await openDemo(page);
  const newer = { ...((await stored(page, 'things', 'cupboard')) as object), schema: 99, shelf: ['new'] };
  await stored(page, 'things', 'cupboard', newer);
  await page.goto('/cupboard');
  await settled(page);
  await expect(page.getByRole('alert').filter({ hasText: 'stored by a newer Fond Badger' })).toBeVisible();
  await page.getByRole('button', { name: 'Add wool' }).click();
  expect(await stored(page, 'things', 'cupboard')).toEqual(newer);
});

test('a piece that cannot be read is handed out, and comes back as it was when its removal is undone', async ({
  desk: page,
}) => {
  await openDemo(page);
  const was = (await stored(page, 'pieces', 'pine-marten')) as { doc: object };
  const broken = { ...was, doc: { ...was.doc, seed: 'none' } };
  await stored(page, 'pieces', 'pine-marten', broken);
  await page.goto('/');
  const [file] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Save what is stored of pine-marten to a file' }).click(),
  ]);
  expect(JSON.parse(readFileSync(await file.path(), 'utf8'))).toEqual(broken.doc);
  await page.getByRole('button', { name: 'Remove pine-marten' }).click();
  await expect(page.getByRole('button', { name: 'Remove pine-marten' })).toBeHidden();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByRole('button', { name: 'Remove pine-marten' })).toBeVisible();
  expect(await stored(page, 'pieces', 'pine-marten')).toMatchObject({ doc: broken.doc });
});

test('what cannot be saved is tried again until it is, and is said on every screen meanwhile', async ({
  desk: page,
}) => {
  await page.addInitScript(() => {
    const put = IDBObjectStore.prototype.put;
    IDBObjectStore.prototype.put = function (this: IDBObjectStore, ...args: Parameters<typeof put>) {
      if (this.name === 'pieces' && (window as unknown as { full?: boolean }).full)
        throw new DOMException('no room', 'QuotaExceededError');
      return put.apply(this, args);
    };
  });
  const full = (is: boolean) => page.evaluate((x) => void ((window as unknown as { full?: boolean }).full = x), is);
  await openDemo(page);
  await full(true);
  const spacing = docket(page).getByRole('textbox', { name: 'Row spacing' });
  await spacing.fill('4.5');
  await spacing.blur();
  const alert = page.getByRole('alert').filter({ hasText: 'not saved yet (the browser’s store is full)' });
  await expect(alert).toBeVisible();
  await expect(page.getByRole('status', { name: 'Saving' })).toHaveText('Not saved');
  await accessible(page);
  // How it is looked at is stored well meanwhile; the trouble is not forgotten with it.
  await page.keyboard.press('g');
  await page.getByRole('link', { name: 'Shelf' }).click();
  await expect(page.getByRole('heading', { name: 'Your pieces' })).toBeVisible();
  await expect(alert).toBeVisible();
  await page.getByRole('button', { name: 'Open Pine marten' }).click();
  await expect(spacing).toHaveValue('4.5');
  // Room and the press in one, or the next try by itself is there first and takes the button away.
  await alert.getByRole('button', { name: 'Try again now' }).evaluate((button: HTMLButtonElement) => {
    (window as unknown as { full?: boolean }).full = false;
    button.click();
  });
  await expect(alert).toBeHidden();
  await saved(page);
  await page.reload();
  await settled(page);
  await expect(spacing).toHaveValue('4.5');
});

test('works where the page did not come over a safe line: no locks, no random ids of the browser', async ({
  desk: page,
}) => {
  await page.addInitScript(() => {
    Object.defineProperty(navigator, 'locks', { value: undefined });
    Object.defineProperty(crypto, 'randomUUID', { value: undefined });
  });
  await openDemo(page);
  const spacing = docket(page).getByRole('textbox', { name: 'Row spacing' });
  await spacing.fill('4.5');
  await spacing.blur();
  await saved(page);
  await page.goto('/');
  await page.getByRole('button', { name: 'Copy Pine marten' }).click();
  await page.getByRole('button', { name: 'Open Pine marten (copy)' }).click();
  await settled(page);
  await expect(spacing).toHaveValue('4.5');
});

test('an open window does not keep a newer program from taking the store further, and writes nothing into it', async ({
  desk: page,
  context,
}) => {
  await openDemo(page);
  const newer = await context.newPage();
  await newer.route('**/newer', (r) =>
    r.fulfill({ contentType: 'text/html', body: '<link rel="icon" href="data:,">' }),
  );
  await newer.goto('/newer');
  const opened = await newer.evaluate(async (database) => {
    const asked = indexedDB.open(database.name, database.version + 1);
    return new Promise((answer) => {
      asked.onblocked = () => answer('blocked');
      asked.onsuccess = () => answer('open');
    });
  }, DATABASE);
  expect(opened).toBe('open');
  const spacing = docket(page).getByRole('textbox', { name: 'Row spacing' });
  await spacing.fill('4.5');
  await spacing.blur();
  await expect(page.getByRole('alert').filter({ hasText: 'a newer Fond Badger has been here' })).toBeVisible();
});

test('earlier states of a piece are kept now and then: put beside it, or gone back to and from there', async ({
  desk: page,
}) => {
  await openDemo(page);
  const was = (await stored(page, 'pieces', 'pine-marten')) as { id: string; doc: object; savedAt: string };
  // It was stored an hour ago.
  await stored(page, 'pieces', 'pine-marten', { ...was, savedAt: new Date(Date.now() - 3_600_000).toISOString() });
  await page.reload();
  await settled(page);
  const spacing = docket(page).getByRole('textbox', { name: 'Row spacing' });
  const first = await spacing.inputValue();
  await spacing.fill('4.5');
  await spacing.blur();
  await saved(page);
  // How it was an hour ago is kept, and how it was after that; a moment later nothing more.
  for (const next of ['4.2', '4.1', '4']) {
    await spacing.fill(next);
    await spacing.blur();
    await saved(page);
  }
  await page.getByRole('link', { name: 'Shelf' }).click();
  await page.getByRole('button', { name: 'Earlier states of Pine marten' }).click();
  const list = page.getByRole('dialog').getByRole('list', { name: 'Earlier states' });
  await expect(list.getByRole('listitem')).toHaveCount(2);
  await accessible(page);
  await list
    .getByRole('button', { name: /^Put the state/ })
    .last()
    .click();
  await expect(page.getByRole('dialog')).toBeHidden();
  await expect(page.getByRole('button', { name: /^Open Pine marten \(/ })).toBeVisible();
  await page.getByRole('button', { name: 'Earlier states of Pine marten', exact: true }).click();
  await list
    .getByRole('button', { name: /^Go back/ })
    .last()
    .click();
  await page.getByRole('button', { name: 'Open Pine marten', exact: true }).click();
  await settled(page);
  await expect(spacing).toHaveValue(first);
  // How it was until then is kept as well.
  await page.getByRole('link', { name: 'Shelf' }).click();
  await page.getByRole('button', { name: 'Earlier states of Pine marten', exact: true }).click();
  await expect(list.getByRole('listitem')).toHaveCount(3);
  await list
    .getByRole('button', { name: /^Go back/ })
    .first()
    .click();
  await page.getByRole('button', { name: 'Open Pine marten', exact: true }).click();
  await settled(page);
  await expect(spacing).toHaveValue('4');
});

test('a piece taken off the shelf can be put back long after, or let go for good', async ({ desk: page }) => {
  await openDemo(page);
  await page.goto('/');
  await page.getByRole('button', { name: 'Remove Pine marten' }).click();
  await page.reload();
  const gone = page.getByRole('region', { name: 'Taken off the shelf' });
  await gone.getByRole('button', { name: 'Put Pine marten back on the shelf' }).click();
  await expect(page.getByRole('button', { name: 'Remove Pine marten' })).toBeVisible();
  await expect(gone).toBeHidden();
  await page.getByRole('button', { name: 'Remove Pine marten' }).click();
  await gone.getByRole('button', { name: 'Let Pine marten go for good' }).click();
  await expect(gone).toBeHidden();
  await page.reload();
  await expect(page.getByRole('heading', { name: 'Demo pieces' })).toBeVisible();
  await expect(gone).toBeHidden();
});
