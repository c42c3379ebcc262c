/** Makes the pictures of the documents from the demo data. Needs a build, chromium and pdftoppm. Run with `npm run shots`. */
import { execFileSync, spawn } from 'node:child_process';
import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { chromium, type Page } from '@playwright/test';
import config from '../playwright.config';

const port = 3178;
const home = `http://127.0.0.1:${port}`;
const out = `${import.meta.dirname}/../docs/screenshots`;
const server = spawn(process.execPath, ['cli/serve.mjs', '--hostname', '127.0.0.1', '--port', String(port)], {
  stdio: 'ignore',
  detached: true,
});

async function up(): Promise<void> {
  for (let i = 0; i < 60; i++) {
    if (
      await fetch(home).then(
        (r) => r.ok,
        () => false,
      )
    )
      return;
    await new Promise((r) => setTimeout(r, 500));
  }
  throw new Error('the server did not come up');
}

/** A made-up picture of an animal from the side, drawn in the page. */
async function invented(page: Page): Promise<Buffer> {
  const url = await page.evaluate(() => {
    const c = document.createElement('canvas');
    c.width = 900;
    c.height = 560;
    const g = c.getContext('2d')!;
    const ground = g.createLinearGradient(0, 0, 0, 560);
    ground.addColorStop(0, '#b8bcae');
    ground.addColorStop(1, '#8f8c76');
    g.fillStyle = ground;
    g.fillRect(0, 0, 900, 560);
    g.fillStyle = '#5b4029';
    for (const [x, y, rx, ry, turn] of [
      [430, 270, 190, 58, 0],
      [225, 200, 62, 48, -0.3],
      [290, 240, 80, 52, 0.6],
      [700, 310, 150, 40, 0.35],
      [290, 370, 24, 78, 0],
      [575, 370, 28, 84, 0.1],
    ] as const) {
      g.beginPath();
      g.ellipse(x, y, rx, ry, turn, 0, 2 * Math.PI);
      g.fill();
    }
    return c.toDataURL('image/png');
  });
  return Buffer.from(url.split(',')[1]!, 'base64');
}

/** Where the landmarks of the made-up face lie on its picture, pixels. */
const FACE_PINS = [
  ['one edge of an eye', 498, 226],
  ['the opposite edge of it', 498, 254],
  ['tip of the nose', 400, 322],
  ['left eye', 498, 240],
  ['right eye', 302, 254],
  ['left corner of the mouth', 430, 352],
  ['right corner of the mouth', 370, 352],
  ['chin', 400, 388],
  ['crown, on the midline', 400, 154],
  ['left ear, root', 482, 184],
  ['right ear, root', 318, 184],
] as const;

/** A made-up face from the front, its left eye a little high. */
async function inventedFace(page: Page): Promise<Buffer> {
  const url = await page.evaluate(() => {
    const c = document.createElement('canvas');
    c.width = 800;
    c.height = 560;
    const g = c.getContext('2d')!;
    g.fillStyle = '#a9ab9f';
    g.fillRect(0, 0, 800, 560);
    for (const [hex, x, y, rx, ry] of [
      ['#d9c58f', 400, 520, 120, 110],
      ['#4a3120', 318, 150, 30, 40],
      ['#4a3120', 482, 150, 30, 40],
      ['#d8c9a6', 318, 156, 18, 26],
      ['#d8c9a6', 482, 156, 18, 26],
      ['#5a3c26', 400, 236, 122, 84],
      ['#5a3c26', 400, 300, 74, 96],
      ['#6e4b31', 400, 340, 44, 52],
      ['#2a1b14', 400, 318, 20, 13],
      ['#15110e', 498, 240, 14, 14],
      ['#15110e', 302, 254, 14, 14],
      ['#f4f2ec', 493, 234, 4, 4],
      ['#f4f2ec', 297, 248, 4, 4],
    ] as const) {
      g.fillStyle = hex;
      g.beginPath();
      g.ellipse(x, y, rx, ry, 0, 0, 2 * Math.PI);
      g.fill();
    }
    g.strokeStyle = '#2a211b';
    g.lineWidth = 4;
    g.beginPath();
    g.moveTo(370, 352);
    g.quadraticCurveTo(384, 366, 400, 352);
    g.quadraticCurveTo(416, 366, 430, 352);
    g.stroke();
    return c.toDataURL('image/png');
  });
  return Buffer.from(url.split(',')[1]!, 'base64');
}

try {
  await up();
  const browser = await chromium.launch(config.use?.launchOptions ?? {});
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 }, timezoneId: 'UTC', locale: 'en-GB' });
  const shot = async (name: string, settle = 2500) => {
    // Whoever has seen a hint has put it away.
    const hint = page.getByRole('button', { name: 'Got it' });
    if (await hint.isVisible()) await hint.click();
    await page.waitForTimeout(settle);
    // Pictures at rest are the finished ones.
    await page.waitForFunction(
      () =>
        [...document.querySelectorAll<HTMLElement>('[data-refined]')].every((c) => c.dataset.refined === 'finished'),
      undefined,
      { timeout: 240_000 },
    );
    await page.waitForTimeout(400);
    await page.screenshot({ path: join(out, `${name}.png`) });
  };
  const area = (name: string) => page.getByRole('list', { name: 'Areas' }).getByRole('button', { name }).click();
  const overlay = (name: string) =>
    page.getByRole('group', { name: 'Overlay' }).getByRole('button', { name, exact: true }).click();

  await page.goto(home);
  await page.getByRole('button', { name: 'Open Pine marten' }).waitFor();
  await shot('shelf', 500);
  await page.getByRole('button', { name: 'Open Pine marten' }).click();
  await page.getByText('hem first').waitFor();
  await shot('coat', 4000);
  await area('Flanks');
  await page.keyboard.press('l');
  await overlay('fur');
  const coatRoom = (name: string) =>
    page.getByRole('navigation', { name: 'Rooms of the coat' }).getByRole('button', { name }).click();
  await coatRoom('Lie');
  await shot('lie');
  await coatRoom('Compare ways');
  await page.getByRole('checkbox', { name: 'Standing rows' }).check();
  await shot('ways', 5000);
  await coatRoom('Lay');
  await overlay('fur');
  await page.keyboard.press('1');
  await page.getByRole('list', { name: 'Parts' }).getByRole('button', { name: 'Tail' }).click();
  await shot('form');
  const room = (name: string) =>
    page.getByRole('navigation', { name: 'Rooms of the form' }).getByRole('button', { name }).click();
  await room('Core');
  await shot('core');
  await room('Compare');
  await page.getByLabel('Photograph to add').setInputFiles({
    name: 'side view.png',
    mimeType: 'image/png',
    buffer: await invented(page),
  });
  await page.getByRole('textbox', { name: 'The two points, in life' }).fill('600');
  for (const l of ['tip of tail', 'root of tail', 'tip of hind leg', 'root of hind leg', 'tip of foreleg']) {
    await page.getByRole('combobox', { name: 'Pin a landmark' }).click();
    await page.getByRole('option', { name: l, exact: true }).click();
  }
  for (const [pin, key, times] of [
    ['tip of tail', 'ArrowRight', 14],
    ['tip of tail', 'ArrowUp', 8],
    ['tip of hind leg', 'ArrowDown', 9],
  ] as const) {
    await page.getByRole('button', { name: new RegExp(`Pin, ${pin}`) }).focus();
    for (let i = 0; i < times; i++) await page.keyboard.press(key);
  }
  await page.getByRole('heading', { level: 1 }).click();
  await shot('compare');
  await page.keyboard.press('3');
  await page.getByText('Seen as').waitFor();
  await area('Flanks');
  await shot('shade-stack');
  const shadeRoom = (name: string) =>
    page.getByRole('navigation', { name: 'Rooms of the shade' }).getByRole('button', { name }).click();
  await shadeRoom('Match a colour');
  await shot('shade-match', 6000);
  await page.keyboard.press('4');
  const faceRoom = (name: string) =>
    page.getByRole('navigation', { name: 'Rooms of the face' }).getByRole('button', { name }).click();
  await page.getByRole('button', { name: /^Left eye, front/ }).waitFor();
  await shot('face-chart', 6000);
  await faceRoom('Is it level?');
  await page.getByLabel('Photograph of the piece to add').setInputFiles({
    name: 'the piece, front.png',
    mimeType: 'image/png',
    buffer: await inventedFace(page),
  });
  for (const [mark, x, y] of FACE_PINS) {
    await page.getByRole('list', { name: 'Landmarks to pin' }).getByRole('button', { name: mark, exact: true }).click();
    const box = (await page.locator('[data-photo] image').boundingBox())!;
    await page.mouse.click(box.x + (x / 800) * box.width, box.y + (y / 560) * box.height);
  }
  await page.getByRole('heading', { level: 1 }).click();
  await shot('face-level');
  await page.keyboard.press('5');
  const needleRoom = (name: string | RegExp) =>
    page.getByRole('navigation', { name: 'Rooms of the needles' }).getByRole('button', { name }).click();
  await page.getByRole('group', { name: 'The rack, to scale' }).waitFor();
  await shot('needles', 800);
  await needleRoom('Look inside');
  await page
    .getByRole('list', { name: 'Needles', exact: true })
    .getByRole('button', { name: /46 crown/ })
    .click();
  await page.waitForTimeout(6000);
  const animal = (await page.getByRole('img', { name: /seen from/ }).boundingBox())!;
  await page.mouse.click(animal.x + animal.width * 0.52, animal.y + animal.height * 0.45);
  await shot('needle-section', 4000);
  await page.keyboard.press('6');
  await page
    .getByRole('region', { name: 'Steps by sitting' })
    .getByRole('button', { name: /Lay .* on Flanks/ })
    .first()
    .click();
  await shot('order', 800);
  // The bench and the log of the one that is half done.
  await page.goto(home);
  await page.getByRole('button', { name: 'Open Half-done pine marten' }).click();
  await page.getByRole('timer').waitFor({ timeout: 120_000 });
  await page.getByRole('button', { name: 'Got it' }).click();
  await shot('bench', 6000);
  await page.keyboard.press('8');
  await shot('log', 800);
  await page.goto(`${home}/cupboard`);
  await shot('cupboard', 800);
  await page.goto(home);
  await page.getByRole('button', { name: 'Open Brown hare in relief' }).click();
  await page.getByRole('list', { name: 'Areas' }).waitFor({ timeout: 60_000 });
  await page.keyboard.press('4');
  await faceRoom('Eye builder');
  await shot('face-eye', 4000);
  await browser.close();

  const dir = mkdtempSync(join(tmpdir(), 'sheet-'));
  execFileSync('npx', [
    'tsx',
    'cli/plan.ts',
    'demo/pine-marten.json',
    '--format',
    'pdf',
    '--out',
    dir,
    '--date',
    '2026-03-01',
  ]);
  execFileSync('pdftoppm', [
    '-png',
    '-r',
    '80',
    '-f',
    '13',
    '-l',
    '13',
    '-singlefile',
    join(dir, 'pine-marten-row-sheets.pdf'),
    join(out, 'sheet'),
  ]);
} finally {
  process.kill(-server.pid!);
}
