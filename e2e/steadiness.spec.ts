import { readFileSync } from 'node:fs';
import { accessible, docket, expect, openDemo, settled, test } from './desk';

/** Every screen there is, with a piece on the desk. */
const SCREENS: readonly string[] = [
  '/',
  ...['form', 'coat', 'shade', 'face', 'needles', 'order', 'bench', 'log'].map((s) => `/piece/pine-marten/${s}`),
  '/cupboard',
  '/handbook',
  '/settings',
];

test('nothing jumps while a screen appears', async ({ desk: page }) => {
  await page.addInitScript(() => {
    const w = window as unknown as { shifted: number };
    w.shifted = 0;
    new PerformanceObserver((list) => {
      for (const e of list.getEntries() as (PerformanceEntry & { value: number; hadRecentInput: boolean })[]) {
        if (!e.hadRecentInput) w.shifted += e.value;
      }
    }).observe({ type: 'layout-shift', buffered: true });
  });
  const shifted = () => page.evaluate(() => (window as unknown as { shifted: number }).shifted);
  await openDemo(page);
  for (const path of SCREENS) {
    await page.goto(path);
    await settled(page);
    // Cumulative layout shift below 0.1 counts as good (Web Vitals); we want far less.
    expect(await shifted(), path).toBeLessThan(0.02);
  }
});

test('the whole way by keyboard: shelf, area, docket, remedy, bench', async ({ desk: page }) => {
  await page.goto('/');
  await expect(page.getByRole('button', { name: 'Open Pine marten' })).toBeVisible();
  const press = async (name: RegExp | string, role: 'button' | 'link' = 'button') => {
    for (let i = 0; i < 80; i++) {
      await page.keyboard.press('Tab');
      const on = page.locator(':focus');
      if ((await on.count()) && (await page.getByRole(role, { name }).and(on).count())) {
        await page.keyboard.press('Enter');
        return;
      }
    }
    throw new Error(`${String(name)} cannot be reached by Tab`);
  };
  await press('Open Pine marten');
  await expect(docket(page)).toContainText('hem first');
  await press(/Throat bib/);
  await press(/Rows 2\.5 mm apart/);
  await expect(docket(page)).toContainText('2.5 mm apart');
  await press('40 mm');
  await expect(page.getByRole('dialog')).toContainText('Cut length for a folded lay');
  await page.keyboard.press('Escape');
  await press(/Bench/, 'link');
  // The bench opens where the work is: nothing is made yet.
  await expect(docket(page)).toContainText('Step 1');
  await press('Step done');
  await expect(docket(page)).toContainText('Step 2');
});

/** Runs in the page: whether what has the focus shows it, or else everything that can have it, one after another. */
async function stops(all: boolean): Promise<{ what: string; visible: boolean }[]> {
  const on = all
    ? [...document.querySelectorAll<HTMLElement>('a[href], button, input, select, textarea, [tabindex]')].filter(
        (e) => e.tabIndex >= 0 && !(e as HTMLButtonElement).disabled && e.checkVisibility({ visibilityProperty: true }),
      )
    : [document.activeElement as HTMLElement | null].filter((e) => e !== null && e !== document.body);
  const out: { what: string; visible: boolean }[] = [];
  for (const e of on) {
    if (!e) continue;
    if (all) {
      e.focus();
      // What the app draws for it comes a moment later.
      await new Promise((r) => setTimeout(r));
    }
    if (document.activeElement !== e) continue;
    // A field shows it by its frame, a handle of a slider by itself though its input has the focus.
    const shown = [e, e.closest('.MuiSlider-thumb'), e.closest('.MuiSwitch-root, .MuiCheckbox-root, .MuiRadio-root')];
    const outlined = shown.some((x) => {
      if (!x) return false;
      const s = getComputedStyle(x);
      return s.outlineStyle !== 'none' && parseFloat(s.outlineWidth) >= 2;
    });
    const what = `${e.tagName.toLowerCase()} ${e.getAttribute('aria-label') ?? e.textContent ?? ''}`.slice(0, 60);
    out.push({ what, visible: outlined || e.closest('.MuiInputBase-root.Mui-focused') !== null });
  }
  return out;
}

test('whoever works by key sees where they are: every stop of Tab shows itself', async ({ desk: page }) => {
  await openDemo(page);
  const unseen: string[] = [];
  for (const path of SCREENS) {
    await page.goto(path);
    await settled(page);
    const seen = new Set<string>();
    // The first by key; from then on the browser shows the focus as it does for keys, wherever it goes.
    for (let i = 0; i < 12; i++) {
      await page.keyboard.press('Tab');
      for (const stop of await page.evaluate(stops, false)) {
        seen.add(stop.what);
        if (!stop.visible) unseen.push(`${path}: ${stop.what}`);
      }
    }
    for (const stop of await page.evaluate(stops, true)) {
      seen.add(stop.what);
      if (!stop.visible) unseen.push(`${path}: ${stop.what}`);
    }
    expect(seen.size, path).toBeGreaterThan(3);
  }
  expect(unseen).toEqual([]);
});

test('the graphics card lets go of the picture: it is said, all else goes on, and it is drawn again', async ({
  desk: page,
}) => {
  await openDemo(page);
  const picture = page.getByRole('img', { name: /Pine marten seen from/ });
  await picture.locator('canvas').evaluate((c: HTMLCanvasElement) => {
    c.getContext('webgl2')!.getExtension('WEBGL_lose_context')!.loseContext();
  });
  const said = page.getByText('The graphics card has let go of the 3D picture');
  await expect(said).toBeVisible();
  await settled(page);
  await expect(docket(page)).toContainText('hem first');
  await page.getByRole('button', { name: 'Draw it again' }).click();
  await expect(said).toBeHidden();
  await expect(picture.locator('canvas')).toBeVisible();
  await settled(page);
  // What was taken away lets go of its card a little later; the new picture stays.
  await page.getByRole('navigation', { name: 'Stages' }).getByRole('link', { name: /Shade/ }).click();
  await settled(page);
  await expect(said).toBeHidden();
});

test('where the system decides the colours, what is chosen is told from what is not', async ({ desk: page }) => {
  await page.emulateMedia({ forcedColors: 'active' });
  await openDemo(page);
  const frame = (pressed: boolean) =>
    page
      .locator(`[data-picture] ~ * [aria-pressed="${pressed}"], [aria-pressed="${pressed}"]`)
      .first()
      .evaluate((e) => getComputedStyle(e).outlineStyle);
  expect(await frame(true)).toBe('solid');
  expect(await frame(false)).toBe('none');
});

test('after sheets are made whoever works by key is still at the button', async ({ desk: page }) => {
  await openDemo(page);
  await page.getByRole('button', { name: 'Print sheets' }).focus();
  await page.keyboard.press('Enter');
  const item = page.getByRole('menuitem', { name: /Cut list/ });
  await expect(item).toBeVisible();
  await item.focus();
  const made = page.waitForEvent('download');
  await item.press('Enter');
  await made;
  await expect(page.getByRole('button', { name: 'Print sheets' })).toBeFocused();
});

test('settings: a report of what went wrong holds nothing of the maker’s, and what ships is listed with its licences', async ({
  desk: page,
}) => {
  await openDemo(page, 'Kingfisher', 'log');
  await page.evaluate(
    () => void window.dispatchEvent(new ErrorEvent('error', { error: new Error('made for a test') })),
  );
  await page.getByRole('link', { name: 'Shelf' }).click();
  await page.getByRole('link', { name: 'Settings' }).click();
  await expect(page.getByText('Once something went wrong in this window, last: made for a test')).toBeVisible();
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save a report to a file' }).click();
  const text = readFileSync(await (await download).path(), 'utf8');
  const report = JSON.parse(text) as {
    program: string;
    screen: string;
    wrongs: { says: string }[];
    sizes: { areas: number };
  };
  expect(report.wrongs.map((w) => w.says)).toEqual(['made for a test']);
  expect(report.program).toBe(await page.locator('meta[name="build"]').getAttribute('content'));
  expect(report.sizes.areas).toBeGreaterThanOrEqual(5);
  // Nothing by which the piece or its maker is known.
  expect(text).not.toMatch(/kingfisher/i);
  await page.getByRole('button', { name: 'Show the licences' }).click();
  const licences = page.getByRole('region', { name: 'Licences' });
  await expect(licences).toContainText('SIL OPEN FONT LICENSE');
  await expect(licences).toContainText('three 0.187.0 (MIT)');
  await accessible(page);
});
