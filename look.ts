import { chromium } from '@playwright/test';
import { spawn } from 'node:child_process';
import { prepare } from './e2e/prepared';
const port = 3290; const home = `http://127.0.0.1:${port}`;
const server = spawn(process.execPath, ['cli/serve.mjs', '--hostname', '127.0.0.1', '--port', String(port)], { stdio: 'ignore' });
const wait = (ms: number) => new Promise((r) => setTimeout(r, ms));
for (let i = 0; i < 60; i++) { if (await fetch(home).then((r) => r.ok, () => false)) break; await wait(500); }
const b = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--use-angle=swiftshader', '--enable-unsafe-swiftshader'] });
const page = await b.newPage({ viewport: { width: 1280, height: 1400 }, serviceWorkers: 'block' });
page.on('console', (m) => m.type() === 'error' && console.log('CONSOLE', m.text().slice(0, 300)));
page.on('pageerror', (e) => console.log('PAGEERROR', e.message));
await page.addInitScript('globalThis.__name = (f) => f');
const shots: { name: string; png: string }[] = [];
const only = process.argv[2];
const settle = async () => { await page.waitForFunction(() => document.querySelectorAll('[aria-busy="true"]').length === 0, null, { timeout: 60000 }); };
const room = (name: string) => page.getByRole('navigation', { name: /^Rooms of/ }).getByRole('button', { name }).first().click({ timeout: 8000 }).catch((e) => console.log('NO', name, String(e).slice(0, 200)));
const shot = async (name: string, sel = '#docket, [aria-label="Docket"], main > div > :last-child') => {
  await settle();
  const el = page.locator(sel).first();
  const png = (await el.screenshot()).toString('base64');
  shots.push({ name, png });
};
export { page, room, shot, settle };
const plan: [string, string, string | null, string[]][] = JSON.parse(only!);
for (const [demo, stage, areaOrNull, rooms] of plan) {
  const id = await prepare(page, demo as never, { picture: 'plain', shape: 'coarse' }, home);
  await page.goto(`${home}/piece/${id}/${stage}`);
  await settle();
  if (areaOrNull) await page.getByRole('list', { name: 'Areas' }).getByRole('button', { name: areaOrNull }).first().click();
  for (const r of rooms) { if (r) await room(r); await settle(); shots.push({ name: `${stage} ${r}`, png: (await page.screenshot({ clip: { x: 890, y: 60, width: 390, height: 1340 } })).toString('base64') }); }
}
const m = await b.newPage({ viewport: { width: Math.min(5, shots.length) * 392, height: 1380 } });
await m.setContent(`<body style="margin:0;display:flex;flex-wrap:wrap">${shots.map((s) => `<div style="width:390px"><div style="font:14px sans-serif;height:20px">${s.name}</div><img src="data:image/png;base64,${s.png}" style="display:block"></div>`).join('')}</body>`);
await m.screenshot({ path: '/tmp/q/look.png', fullPage: true });
await b.close(); server.kill(); process.exit(0);
