/** Makes the pictures of the documents from the demo data. Needs a build, chromium and pdftoppm. Run with `npm run shots`. */
import { execFileSync, spawn } from 'node:child_process';
import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { chromium } from '@playwright/test';
import config from '../playwright.config';

const port = 3178;
const home = `http://127.0.0.1:${port}`;
const out = `${import.meta.dirname}/../docs/screenshots`;
const server = spawn('npx', ['next', 'start', '--hostname', '127.0.0.1', '--port', String(port)], {
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

try {
  await up();
  const browser = await chromium.launch(config.use?.launchOptions ?? {});
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 }, timezoneId: 'UTC', locale: 'en-GB' });
  const shot = async (name: string, settle = 2500) => {
    await page.waitForTimeout(settle);
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
  await area('Back');
  await page.keyboard.press('r');
  await overlay('rows');
  await shot('rows');
  await area('Flanks');
  await page.keyboard.press('l');
  await overlay('base hidden');
  await shot('cover');
  await overlay('fur');
  await page.getByRole('button', { name: '1.2 m' }).click();
  await shot('working', 3000);
  await page.keyboard.press('Escape');
  await page.keyboard.press('1');
  await shot('form');
  await page.keyboard.press('3');
  await shot('order', 800);
  await page.keyboard.press('4');
  await page.getByRole('heading', { level: 1 }).click();
  await page.clock.install({ time: new Date('2026-03-01T09:00:00Z') });
  for (let i = 0; i < 11; i++) {
    await page.keyboard.press('Space');
    await page.clock.runFor(125_000);
  }
  await page.getByLabel('Wool used').fill('0.5');
  await page.getByRole('button', { name: 'Write down' }).click();
  await page.clock.resume();
  await shot('bench');
  await page.keyboard.press('5');
  await shot('log', 800);
  await page.goto(`${home}/cupboard`);
  await shot('cupboard', 800);
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
    '3',
    '-l',
    '3',
    '-singlefile',
    join(dir, 'pine-marten-row-sheets.pdf'),
    join(out, 'sheet'),
  ]);
} finally {
  process.kill(-server.pid!);
}
