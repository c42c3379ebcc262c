/**
 * Every room at every size: nothing to be scrolled sideways, no words cut off, everything within reach, and by touch everything as
 * large as a finger needs (44 px, look of the desk).
 */
import type { Page } from '@playwright/test';
import { barriers, expect, openDemo, settled, test } from './desk';

const STAGES = ['form', 'coat', 'shade', 'face', 'needles', 'order', 'bench', 'log'] as const;
const PLACES = ['/', '/cupboard', '/handbook', '/settings'] as const;

interface Size {
  readonly width: number;
  readonly height: number;
}
const BY_TOUCH: readonly Size[] = [
  { width: 390, height: 844 },
  { width: 768, height: 1024 },
  { width: 1024, height: 768 },
];
const AT_THE_DESK: readonly Size[] = [
  { width: 1280, height: 800 },
  { width: 1920, height: 1080 },
];

/** What does not fit the window: what is wider than it, words cut off, things no finger can hit, things that cannot be brought into sight. */
const misfits = (page: Page, finger: number): Promise<string[]> =>
  page.evaluate((least) => {
    const out: string[] = [];
    const named = (e: Element) =>
      `${e.tagName.toLowerCase()} "${(e.getAttribute('aria-label') ?? e.textContent ?? '').trim().slice(0, 40)}"`;
    const seen = (e: Element) =>
      (e as HTMLElement).checkVisibility({ visibilityProperty: true, opacityProperty: true }) &&
      !e.closest('[aria-hidden="true"]');
    for (const e of [document.documentElement, ...document.querySelectorAll('main, main > *')])
      if (seen(e) && e.scrollWidth > e.clientWidth + 1 && !e.matches('[data-sideways]'))
        out.push(`sideways: ${named(e)} ${e.scrollWidth} in ${e.clientWidth}`);
    for (const e of document.querySelectorAll('body *')) {
      const style = getComputedStyle(e);
      const words = [...e.childNodes].some((n) => n.nodeType === 3 && n.textContent!.trim() !== '');
      if (
        words &&
        seen(e) &&
        ['hidden', 'clip'].includes(style.overflowX) &&
        e.clientWidth > 1 &&
        e.scrollWidth > e.clientWidth + 1
      )
        out.push(`cut off: ${named(e)} ${e.scrollWidth} in ${e.clientWidth}`);
    }
    for (const e of document.querySelectorAll<HTMLElement>(
      'button, a[href], input, [role="slider"], [role="combobox"], [role="button"]',
    )) {
      if (!seen(e)) continue;
      const target = e.closest<HTMLElement>('.MuiInputBase-root, .MuiButtonBase-root, .MuiSlider-root, label') ?? e;
      target.scrollIntoView({ block: 'center', inline: 'center' });
      const r = target.getBoundingClientRect();
      if (r.width === 0) continue;
      const inside = Math.min(r.right, innerWidth) - Math.max(r.left, 0);
      if (inside < Math.min(r.width, innerWidth) - 2) out.push(`out of reach: ${named(e)}`);
      if (target instanceof SVGElement) {
        // What a finger can hit of a handle is drawn round it; where handles are crowded another one may lie there.
        const m = target.querySelector('.finger')?.getBoundingClientRect() ?? r;
        const [x, y] = [m.left + m.width / 2, m.top + m.height / 2];
        const off = least / 2 - 2;
        const hits = [
          [off, 0],
          [-off, 0],
          [0, off],
          [0, -off],
        ].filter(
          ([dx, dy]) => document.elementFromPoint(x + dx!, y + dy!)?.closest('[role="button"], button') !== null,
        );
        if (least > 0 && hits.length < 3) out.push(`small: ${named(e)}, hit from ${hits.length} sides`);
        continue;
      }
      // Within a sentence a target is as high as its line.
      const inLine =
        getComputedStyle(target).display.startsWith('inline') &&
        target.closest('p, li, span, dd') !== null &&
        target.matches('[data-inline], a');
      if (!inLine && (r.height < least - 0.5 || (r.width < least - 0.5 && !target.matches('.MuiSlider-root'))))
        out.push(`small: ${named(e)} ${Math.round(r.width)} x ${Math.round(r.height)}`);
    }
    return [...new Set(out)];
  }, finger);

/** On a phone list, picture and docket are seen in turn. */
async function eachPane(page: Page, look: (pane: string) => Promise<void>): Promise<void> {
  const turn = page.getByRole('navigation', { name: 'What is seen' });
  if (!(await turn.isVisible())) return look('');
  for (const b of await turn.getByRole('button').all()) {
    await b.click();
    await look(`, ${(await b.innerText()).toLowerCase()}`);
  }
}

async function fits(page: Page, where: string, sizes: readonly Size[], finger: number): Promise<void> {
  for (const size of sizes) {
    await page.setViewportSize(size);
    await settled(page);
    await eachPane(page, async (pane) => {
      const at = `${where} at ${size.width} x ${size.height}${pane}`;
      expect.soft(await misfits(page, finger), at).toEqual([]);
      if (size.width === 390) expect.soft(await barriers(page), at).toEqual([]);
    });
  }
}

async function everyRoom(page: Page, sizes: readonly Size[], finger: number): Promise<void> {
  const rooms = page.getByRole('navigation', { name: /^Rooms of/ }).getByRole('button');
  const count = await rooms.count();
  for (let i = 0; i < Math.max(1, count); i++) {
    if (count > 0) await rooms.nth(i).click();
    await fits(page, count > 0 ? await rooms.nth(i).innerText() : page.url(), sizes, finger);
  }
}

test.describe('by touch', () => {
  test.use({ hasTouch: true, isMobile: true, viewport: BY_TOUCH[0]! });
  for (const stage of STAGES) {
    test(`every room of ${stage} fits phone and tablet`, async ({ desk: page }) => {
      await openDemo(page, 'Pine marten', stage);
      await everyRoom(page, BY_TOUCH, 44);
    });
  }
  test('shelf, cupboard, handbook and settings fit phone and tablet', async ({ desk: page }) => {
    await openDemo(page, 'Pine marten', 'log');
    for (const path of PLACES) {
      await page.goto(path);
      await fits(page, path, BY_TOUCH, 44);
    }
  });
});

for (const stage of STAGES) {
  test(`every room of ${stage} fits the desk`, async ({ desk: page }) => {
    await openDemo(page, 'Pine marten', stage);
    await everyRoom(page, AT_THE_DESK, 0);
  });
}

test('shelf, cupboard, handbook and settings fit the desk', async ({ desk: page }) => {
  await openDemo(page, 'Pine marten', 'log');
  for (const path of PLACES) {
    await page.goto(path);
    await fits(page, path, AT_THE_DESK, 0);
  }
});
