/** At rest the quick picture becomes the finished one, in the same place; the shelf knows the piece by it. */
import type { Page } from '@playwright/test';
import { KEPT_DATABASE } from '../src/desk/kept-plans';
import { chooseArea, expect, openDemo, settled, test } from './desk';

test.use({ picture: 'whole' });

const picture = (page: Page) => page.getByRole('img', { name: /seen from/ });
const refined = (page: Page) => picture(page).locator('canvas[data-refined]');
const finished = (page: Page) =>
  expect(refined(page)).toHaveAttribute('data-refined', 'finished', { timeout: 150_000 });

interface Seen {
  readonly left: number;
  readonly right: number;
  readonly top: number;
  readonly bottom: number;
}

/** The box round all of a screenshot that is not stage; shadows, being grey, do not count. */
async function boxOf(page: Page): Promise<Seen> {
  const png = (await picture(page).screenshot()).toString('base64');
  return page.evaluate(async (data) => {
    const bytes = Uint8Array.from(atob(data), (c) => c.charCodeAt(0));
    const image = await createImageBitmap(new Blob([bytes], { type: 'image/png' }));
    const c = new OffscreenCanvas(image.width, image.height);
    const on = c.getContext('2d')!;
    on.drawImage(image, 0, 0);
    const { data: p } = on.getImageData(0, 0, image.width, image.height);
    // So many coloured pixels a line must have: single fibres stand out further in one picture than in the other.
    const least = 6;
    const rows = new Array<number>(image.height).fill(0);
    const columns = new Array<number>(image.width).fill(0);
    // Controls lie over the edges.
    for (let y = 70; y < image.height - 90; y++)
      for (let x = 20; x < image.width - 20; x++) {
        const i = 4 * (x + image.width * y);
        const [r, g, b] = [p[i]!, p[i + 1]!, p[i + 2]!];
        if (Math.max(r, g, b) - Math.min(r, g, b) < 14) continue;
        rows[y]!++;
        columns[x]!++;
      }
    const first = (a: readonly number[]) => a.findIndex((n) => n >= least);
    const last = (a: readonly number[]) => a.length - 1 - [...a].reverse().findIndex((n) => n >= least);
    return { left: first(columns), right: last(columns), top: first(rows), bottom: last(rows) };
  }, png);
}

test('the finished picture lies where the quick one was; turned it goes at once, and comes again', async ({
  desk: page,
}) => {
  await openDemo(page, 'Pine marten', 'coat');
  await finished(page);
  const fine = await boxOf(page);
  // Rows are never drawn fibre by fibre; back on the fur it begins anew, and what is quick is seen first.
  await page.getByRole('button', { name: 'rows', exact: true }).click();
  await expect(refined(page)).toHaveCount(0);
  await page.getByRole('button', { name: 'fur', exact: true }).click();
  await settled(page);
  // The quick one alone, whenever the other comes.
  const alone = (on: boolean) =>
    picture(page).evaluate((e, on) => {
      for (const c of e.querySelectorAll('canvas')) {
        const [name, value] = c.hasAttribute('data-refined') ? ['visibility', 'hidden'] : ['opacity', '1'];
        c.style.setProperty(name!, on ? value! : '', 'important');
      }
    }, on);
  await alone(true);
  const quick = await boxOf(page);
  await alone(false);
  for (const side of ['left', 'right', 'top', 'bottom'] as const)
    expect(Math.abs(fine[side] - quick[side]), `${side}: ${fine[side]} and ${quick[side]}`).toBeLessThan(13);
  await finished(page);
  await page.keyboard.press('ArrowLeft');
  await expect(refined(page)).toHaveAttribute('data-refined', 'not yet');
  await finished(page);

  // An area taken in hand is pointed out on the quick picture for a moment.
  await chooseArea(page, 'Back');
  await expect(refined(page)).toHaveCSS('opacity', '0');
  await expect(refined(page)).toHaveCSS('opacity', '1');
});

test('the shelf knows a piece by how it was planned last; a copy and a demo not opened yet have their picture too', async ({
  desk: page,
}) => {
  await openDemo(page, 'Kingfisher', 'coat');
  await finished(page);
  const card = (name: string) =>
    page.getByRole('listitem').filter({ has: page.getByRole('heading', { name, exact: true }) });
  // It is drawn after the picture, while nothing else is.
  await expect
    .poll(
      () =>
        page.evaluate(
          ({ name, version }) =>
            new Promise<number>((resolve, reject) => {
              const open = indexedDB.open(name, version);
              open.onerror = () => reject(open.error);
              open.onsuccess = () => {
                const asked = open.result.transaction('likenesses').objectStore('likenesses').count();
                asked.onsuccess = () => {
                  open.result.close();
                  resolve(asked.result);
                };
              };
            }),
          { name: KEPT_DATABASE.name, version: KEPT_DATABASE.version },
        ),
      { timeout: 90_000 },
    )
    .toBe(1);
  await page.goto('/');
  await settled(page);
  await expect(card('Kingfisher').locator('img')).toHaveAttribute('src', /^blob:/);
  await expect
    .poll(() =>
      card('Kingfisher')
        .locator('img')
        .evaluate((i: HTMLImageElement) => [i.naturalWidth, i.naturalHeight]),
    )
    .toEqual([480, 300]);
  await page.getByRole('button', { name: 'Copy Kingfisher' }).click();
  await expect(card('Kingfisher (copy)').locator('img')).toHaveAttribute('src', /^blob:/);
  const marten = card('Pine marten').locator('img');
  await expect(marten).toHaveAttribute('src', /^blob:/);
  await expect.poll(() => marten.evaluate((i: HTMLImageElement) => i.naturalWidth)).toBe(480);
});

test('without WebGL the animal is drawn all the same, anew when it has been turned', async ({ desk: page }) => {
  await page.addInitScript(() => {
    const get = HTMLCanvasElement.prototype.getContext;
    HTMLCanvasElement.prototype.getContext = function (this: HTMLCanvasElement, kind: string, ...rest: unknown[]) {
      return kind.startsWith('webgl') ? null : (get as (...a: unknown[]) => unknown).call(this, kind, ...rest);
    } as typeof get;
  });
  await openDemo(page, 'Pine marten', 'coat');
  await expect(page.getByRole('note')).toContainText('drawn anew when it has been turned');
  await finished(page);
  await page.getByRole('button', { name: 'F front' }).click();
  await expect(refined(page)).toHaveAttribute('data-refined', 'not yet');
  await finished(page);
});
