/**
 * Every room for every hand: nothing found by axe but what is argued (`argued.ts`), everything named for who hears the screen,
 * everything within reach at twice the size (WCAG 2.2, 1.4.4: at 200 %), in the dim surround and in the light one.
 */
import type { Page } from '@playwright/test';
import { accessible, expect, openDemo, settled, test } from './desk';

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

async function judged(page: Page, where: string): Promise<void> {
  await test.step(where, async () => {
    await settled(page);
    await accessible(page);
    const tree = await heard(page);
    expect(
      tree.filter((n) => NAMED.includes(n.role) && n.name === '').map((n) => n.role),
      where,
    ).toEqual([]);
    expect(tree.filter((n) => n.role === 'heading' && n.name !== '').length, `headings of ${where}`).toBeGreaterThan(0);
    await page.setViewportSize({ width: 640, height: 400 });
    expect(await outOfReach(page), `at twice the size: ${where}`).toEqual([]);
    await page.setViewportSize({ width: 1280, height: 800 });
  });
}

for (const scheme of ['light', 'dark'] as const) {
  const surround = scheme === 'light' ? 'light' : 'dim';
  for (const stage of ['form', 'coat', 'shade', 'face', 'needles', 'order', 'bench', 'log'] as const) {
    test(`every room of ${stage} for every hand, in a ${surround} surround`, async ({ desk: page }) => {
      await page.addInitScript((s) => localStorage.setItem('mui-mode', s), scheme);
      await openDemo(page, 'Pine marten', stage);
      const rooms = page.getByRole('navigation', { name: /^Rooms of/ }).getByRole('button');
      const count = await rooms.count();
      for (let i = 0; i < Math.max(1, count); i++) {
        if (count > 0) await rooms.nth(i).click();
        await judged(page, count > 0 ? await rooms.nth(i).innerText() : stage);
      }
    });
  }
  test(`shelf, cupboard, handbook and settings for every hand, in a ${surround} surround`, async ({ desk: page }) => {
    await page.addInitScript((s) => localStorage.setItem('mui-mode', s), scheme);
    await openDemo(page, 'Pine marten', 'log');
    for (const path of ['/', '/cupboard', '/handbook', '/settings']) {
      await page.goto(path);
      await judged(page, path);
    }
  });
}
