/** What every browser test stands on: no console errors, no request to another origin, helpers to open a piece. */
import AxeBuilder from '@axe-core/playwright';
import { test as base, expect, type Locator, type Page } from '@playwright/test';
import type { Settings } from '../src/desk/settings';
import { ARGUED } from './argued';
import { prepare, type Demo } from './prepared';
import { shards } from './shards';

type Stage = 'form' | 'coat' | 'shade' | 'face' | 'needles' | 'order' | 'bench' | 'log';

type Prepared = Pick<Settings, 'picture' | 'shape'>;

/** As on a slow machine; what a page begins with that no fixture made. */
const SLOW: Prepared = { picture: 'plain', shape: 'coarse' };

const asked = new WeakMap<Page, Prepared>();

export const test = base.extend<{ desk: Page } & Prepared>({
  /** Tests of the picture itself have it whole: `test.use({ picture: 'whole' })`. */
  picture: [SLOW.picture, { option: true }],
  /** Tests of what a coarse shape leaves out, as the rims of eyes, have it fine. */
  shape: [SLOW.shape, { option: true }],
  baseURL: async ({}, provide, info) => provide(shards()[info.parallelIndex]),
  desk: async ({ page, baseURL, picture, shape }, provide) => {
    asked.set(page, { picture, shape });
    const trouble: string[] = [];
    page.on('console', (m) => {
      // The tracer itself tries to read pictures held in the browser, which the policy of the pages rightly forbids.
      if (/^Connecting to 'blob:/.test(m.text())) return;
      // How this browser brings a 3D picture drawn in software to the page; nothing of the app's.
      if (/GL Driver Message .*GPU stall due to ReadPixels/.test(m.text())) return;
      // Said by the test runner itself; the copy is tested in offline.spec.ts.
      if (/Service Worker registration blocked by/.test(m.text())) return;
      if (m.type() === 'error' || m.type() === 'warning') trouble.push(`${m.type()}: ${m.text()}`);
    });
    page.on('pageerror', (e) => trouble.push(`page error: ${e.message}`));
    page.on('request', (r) => {
      const url = r.url();
      if (!url.startsWith(baseURL!) && !url.startsWith('blob:') && !url.startsWith('data:')) {
        trouble.push(`request to another origin: ${url}`);
      }
    });
    await provide(page);
    expect(trouble).toEqual([]);
  },
});

export { expect };

/** Opens a demo piece from an empty browser in two presses at most, and waits for its plan. */
export async function walkTo(page: Page, name: Demo = 'Pine marten'): Promise<void> {
  await page.goto('/');
  await page.getByRole('button', { name: `Open ${name}` }).click();
  await page.waitForURL('**/piece/**');
  await settled(page);
}

/** Opens a demo piece in a prepared browser, straight at a stage, and waits until all of it is shown. */
export async function openDemo(
  page: Page,
  name: Demo = 'Pine marten',
  stage: Stage = 'coat',
  view?: Record<string, unknown>,
  beside?: { readonly id: string },
): Promise<void> {
  const id = await prepare(page, name, {
    ...(asked.get(page) ?? SLOW),
    ...(view ? { view } : {}),
    ...(beside ? { beside } : {}),
  });
  await page.goto(`/piece/${id}/${stage}`);
  await settled(page);
}

/** Everything shown answers what was decided last: the plan is worked out, pictures are drawn, all is stored. */
export async function settled(page: Page): Promise<void> {
  await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
  await expect(page.locator('[aria-busy="true"]')).toHaveCount(0);
}

export const docket = (page: Page) => page.getByRole('region', { name: 'Docket' });

export const chooseArea = (page: Page, name: string) =>
  page.getByRole('list', { name: 'Areas' }).getByRole('button', { name }).click();

/** What lies beside the work at the bench: one press away. */
export async function beside(page: Page, name: string): Promise<Locator> {
  await page.getByRole('navigation', { name: 'Rooms of the bench' }).getByRole('button', { name }).click();
  return page.getByRole('region', { name });
}

/** An area taken in hand at the bench. */
export async function workOn(page: Page, area: string): Promise<void> {
  await beside(page, 'Steps and areas');
  await chooseArea(page, area);
}

/** The value of a figure in the docket by its label. */
export async function figure(page: Page, label: string): Promise<string> {
  return (
    (
      await docket(page)
        .locator('dl > div', { has: page.getByText(label, { exact: true }) })
        .locator('dd')
        .first()
        // Without by how much it has moved.
        .evaluate((e) => {
          const alone = e.cloneNode(true) as HTMLElement;
          for (const by of alone.querySelectorAll('[data-by]')) by.remove();
          return alone.textContent ?? '';
        })
    ).trim()
  );
}

/** What axe finds, of any level, but for what is argued; judged when nothing is fading from one colour into another any more. */
export async function barriers(page: Page, rules?: string[]): Promise<string[]> {
  // Figures that may be old are dimmed on purpose, until they are worked out.
  await expect(page.locator('[data-old]')).toHaveCount(0);
  await page.waitForFunction(() =>
    document
      .getAnimations()
      .every((a) => a.playState !== 'running' || a.effect?.getComputedTiming().iterations === Infinity),
  );
  // In the page itself, which has no frames: no second page has to be opened for it.
  const { violations } = await new AxeBuilder({ page })
    .setLegacyMode(true)
    .options({ resultTypes: ['violations'], ...(rules ? { runOnly: { type: 'rule', values: rules } } : {}) })
    .analyze();
  return violations
    .filter((v) => !ARGUED.some((a) => a.rule === v.id))
    .flatMap((v) => v.nodes.map((n) => `${v.id}: ${n.html.slice(0, 120)} ${n.any[0]?.message ?? ''}`));
}

/** Nobody is shut out of what is shown. */
export async function accessible(page: Page): Promise<void> {
  expect(await barriers(page)).toEqual([]);
}

/** The last change is stored. */
export async function saved(page: Page): Promise<void> {
  const mark = page.getByRole('status', { name: 'Saving' });
  await expect(mark).toHaveAttribute('aria-busy', 'false');
  await expect(mark).toHaveText(/^(Saved \d\d:\d\d)?$/);
}

/** Takes an option of the list that is open, by key: a press that comes while it still unfolds is not taken. */
export async function choose(option: Locator): Promise<void> {
  await option.focus();
  await option.press('Enter');
  await expect(option).toBeHidden();
}
