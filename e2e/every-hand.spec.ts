/**
 * Every room for every hand: nothing found by axe but what is argued (`argued.ts`), everything named for who hears the screen,
 * everything within reach at twice the size (WCAG 2.2, 1.4.4: at 200 %), in the dim surround and in the light one.
 */
import type { Page } from '@playwright/test';
import { barriers, choose, expect, openDemo, settled, test } from './desk';

/** What a hearer must be told the name of. */
const NAMED = ['button', 'link', 'textbox', 'combobox', 'slider', 'spinbutton', 'checkbox', 'radio', 'switch', 'tab', 'menuitem',
  'option', 'image', 'img', 'figure', 'graphics-document', 'table', 'grid', 'region', 'dialog', 'navigation', 'meter',
  'progressbar', 'group', 'radiogroup']; // prettier-ignore

interface Heard {
  readonly role: string;
  readonly name: string;
}

/** The accessibility tree as the browser hands it to assistive technology. */
async function heard(page: Page): Promise<Heard[]> {
  const cdp = await page.context().newCDPSession(page);
  const { nodes } = await cdp.send('Accessibility.getFullAXTree');
  await cdp.detach();
  return nodes
    .filter((n) => !n.ignored)
    .map((n) => ({ role: String(n.role?.value ?? ''), name: String(n.name?.value ?? '').trim() }));
}

/** Controls that cannot be brought wholly into the width of the window. */
const outOfReach = (page: Page): Promise<string[]> =>
  page.evaluate(() =>
    [
      ...document.querySelectorAll<HTMLElement>(
        'button, a[href], input, [role="slider"], [role="combobox"], [tabindex="0"]',
      ),
    ]
      .filter(
        (e) =>
          e.checkVisibility({ visibilityProperty: true, opacityProperty: true }) && !e.closest('[aria-hidden="true"]'),
      )
      .filter((e) => {
        e.scrollIntoView({ block: 'center', inline: 'center' });
        const r = e.getBoundingClientRect();
        const wide = Math.min(r.width, innerWidth);
        const seen = Math.min(r.right, innerWidth) - Math.max(r.left, 0);
        const middle = (r.top + r.bottom) / 2;
        return r.width > 0 && (seen < wide - 2 || middle < 0 || middle > innerHeight);
      })
      .map((e) => `${e.tagName} ${(e.getAttribute('aria-label') ?? e.textContent ?? '').slice(0, 40)}`),
  );

/** As the settings do it; only colours change. */
async function surround(page: Page, scheme: 'light' | 'dark'): Promise<void> {
  const ground = await page.evaluate((to) => {
    document.documentElement.removeAttribute('data-light');
    document.documentElement.removeAttribute('data-dark');
    document.documentElement.setAttribute(`data-${to}`, '');
    return getComputedStyle(document.body).backgroundColor;
  }, scheme);
  expect(ground).toBe(scheme === 'light' ? 'rgb(222, 222, 220)' : 'rgb(44, 45, 45)');
}

async function judged(page: Page, where: string): Promise<void> {
  await test.step(where, async () => {
    await settled(page);
    expect.soft(await barriers(page), where).toEqual([]);
    await surround(page, 'dark');
    expect.soft(await barriers(page, ['color-contrast']), `in a dim surround: ${where}`).toEqual([]);
    await surround(page, 'light');
    const tree = await heard(page);
    const unnamed = tree.filter((n) => NAMED.includes(n.role) && n.name === '').map((n) => n.role);
    expect.soft(unnamed, where).toEqual([]);
    const headings = tree.filter((n) => n.role === 'heading' && n.name !== '');
    expect.soft(headings.length, `headings of ${where}`).toBeGreaterThanOrEqual(1);
    await page.setViewportSize({ width: 640, height: 400 });
    expect.soft(await outOfReach(page), `at twice the size: ${where}`).toEqual([]);
    await page.setViewportSize({ width: 1280, height: 800 });
  });
}

for (const stage of ['form', 'coat', 'shade', 'face', 'needles', 'order', 'bench', 'log'] as const) {
  test(`every room of ${stage} for every hand`, async ({ desk: page }) => {
    await openDemo(page, 'Pine marten', stage);
    const rooms = page.getByRole('navigation', { name: /^Rooms of/ }).getByRole('button');
    const count = await rooms.count();
    for (let i = 0; i < Math.max(1, count); i++) {
      if (count > 0) await rooms.nth(i).click();
      await judged(page, count > 0 ? await rooms.nth(i).innerText() : stage);
    }
  });
}

test('shelf, cupboard, handbook and settings for every hand', async ({ desk: page }) => {
  await openDemo(page, 'Pine marten', 'log');
  for (const path of ['/', '/cupboard', '/handbook', '/settings']) {
    await page.goto(path);
    await judged(page, path);
  }
});

/** Seven to one in several stages, in a light surround and in a dim one. */
async function strong(page: Page): Promise<void> {
  for (const stage of ['Coat', 'Order', 'Log']) {
    await page.getByRole('link', { name: new RegExp(stage) }).click();
    await settled(page);
    for (const scheme of ['light', 'dark'] as const) {
      await surround(page, scheme);
      expect.soft(await barriers(page, ['color-contrast-enhanced']), `${stage}, ${scheme}`).toEqual([]);
    }
  }
}

test('whoever asks the system for more contrast has seven to one, in a light surround and in a dim one', async ({
  desk: page,
}) => {
  await page.emulateMedia({ contrast: 'more' });
  await openDemo(page, 'Pine marten', 'coat');
  await strong(page);
});

test('whoever asks for more contrast in the settings has it too, and keeps it', async ({ desk: page }) => {
  await openDemo(page, 'Pine marten', 'coat');
  await page.goto('/settings');
  await page.getByRole('combobox', { name: 'Contrast' }).click();
  await choose(page.getByRole('option', { name: 'More' }));
  await page.goto('/piece/pine-marten/coat');
  await settled(page);
  await strong(page);
});
