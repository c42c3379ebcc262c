import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync, readdirSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { defaultHand } from '../src/core/piece/hand';
import { choose, chooseArea, expect, figure, openDemo, saved, settled, test } from './desk';

test.use({ shape: 'fine' });

const DPI = 300;

/** Longest run of black in any line of a PGM picture, in millimetres. */
function longestBar(pgm: Buffer): number {
  const head = /^P5\s+(\d+)\s+(\d+)\s+255\s/.exec(pgm.subarray(0, 40).toString('latin1'))!;
  const [w, h] = [Number(head[1]), Number(head[2])];
  const from = head[0].length;
  let best = 0;
  for (let y = 0; y < h; y++) {
    let run = 0;
    for (let x = 0; x < w; x++) {
      run = pgm[from + y * w + x]! < 60 ? run + 1 : 0;
      best = Math.max(best, run);
    }
  }
  return (best / DPI) * 25.4;
}

test('the PDF holds cut list, order and charts, and its 50 mm bar measures 50 mm', async ({ desk: page }) => {
  await openDemo(page);
  await page.keyboard.press('p');
  const download = page.waitForEvent('download');
  await page.getByRole('menuitem', { name: /Row sheets/ }).click();
  const file = await download;
  expect(file.suggestedFilename()).toBe('pine-marten-row-sheets.pdf');
  const dir = mkdtempSync(join(tmpdir(), 'sheets-'));
  const pdf = join(dir, 'sheets.pdf');
  await file.saveAs(pdf);

  const text = execFileSync('pdftotext', ['-layout', pdf, '-']).toString();
  for (const words of [
    'Pine marten',
    'Cut list',
    'Order of the work',
    'Throat bib: lay chart',
    'Trimming',
    'Core: what to build',
    'Wire to cut',
    'Build sheet, from its left',
    'parts cut across',
    'Pattern: Ear, two, one turned over',
    'hem first',
    '46 crown',
    'at true size',
    'not a toy for a small child',
  ]) {
    expect(text).toContain(words);
  }
  expect(execFileSync('qpdf', ['--check', pdf]).toString()).toContain('No syntax or stream encoding errors');
  expect(execFileSync('pdfinfo', [pdf]).toString()).toMatch(
    /Tagged:\s+yes[\s\S]*Page size:\s+595\.2\d* x 841\.\d+ pts \(A4\)/,
  );
  const fonts = execFileSync('pdffonts', [pdf]).toString();
  expect(fonts).toContain('AtkinsonHyperlegible');
  expect(fonts).not.toContain('Helvetica');

  execFileSync('pdftoppm', ['-gray', '-r', String(DPI), pdf, join(dir, 'p')]);
  const pages = readdirSync(dir)
    .filter((f) => f.endsWith('.pgm'))
    .sort();
  expect(pages.length).toBeGreaterThanOrEqual(5);
  // The bar is 1 mm thick and black; rows of the charts and table lines are thinner and dark grey.
  expect(Math.abs(barOf(readFileSync(join(dir, pages[0]!))) - 50)).toBeLessThan(0.2);
  const build = text.split('\f').findIndex((t) => t.includes('Build sheet, from its left'));
  expect(Math.abs(barOf(readFileSync(join(dir, pages[build]!))) - 50)).toBeLessThan(0.2);
  expect(Math.abs(barOf(readFileSync(join(dir, pages[pages.length - 1]!))) - 50)).toBeLessThan(0.2);
});

/** Length of the thick bar: the longest run that is black over half a millimetre of height. */
function barOf(pgm: Buffer): number {
  const head = /^P5\s+(\d+)\s+(\d+)\s+255\s/.exec(pgm.subarray(0, 40).toString('latin1'))!;
  const [w, h] = [Number(head[1]), Number(head[2])];
  const from = head[0].length;
  const tall = Math.round((0.6 / 25.4) * DPI);
  const thick = Buffer.alloc(pgm.length, 255);
  pgm.copy(thick, 0, 0, from);
  const depth = new Uint16Array(w);
  for (let y = 0; y < h; y++) {
    for (let x = 0; x < w; x++) {
      depth[x] = pgm[from + y * w + x]! < 60 ? depth[x]! + 1 : 0;
      if (depth[x]! >= tall) thick[from + y * w + x] = 0;
    }
  }
  return longestBar(thick);
}

test('the cut list comes as CSV in the order of the work', async ({ desk: page }) => {
  await openDemo(page);
  await page.getByRole('button', { name: 'Print sheets' }).click();
  const download = page.waitForEvent('download');
  await page.getByRole('menuitem', { name: /Cut list/ }).click();
  const csv = readFileSync(await (await download).path(), 'utf8')
    .trim()
    .split('\r\n');
  expect(csv[0]).toBe(
    'order,area,way,wool,for,cut length mm,finished length mm,rows,spacing mm,row length mm,pieces,wool g,trimmed g,minutes,base hidden %',
  );
  // Twelve areas; flanks and back are laid from two wools each.
  expect(csv.length).toBe(15);
  expect([...new Set(csv.slice(1).map((l) => l.split(',')[0]))]).toEqual(
    Array.from({ length: 12 }, (_, i) => String(i + 1)),
  );
  expect(csv.find((l) => l.includes('Eye rims'))).toContain('Bows');
});

test('however finely the shape is worked out, paper says what the screen says', async ({ desk: page }) => {
  await openDemo(page);
  /** Length of all rows, cm. */
  const rowsOnScreen = async () => {
    await chooseArea(page, 'Flanks');
    return Number(/([\d.]+)\s*cm/.exec(await figure(page, 'of rows'))![1]);
  };
  const rowsOnPaper = async () => {
    await page.getByRole('button', { name: 'Print sheets' }).click();
    const download = page.waitForEvent('download');
    await page.getByRole('menuitem', { name: /Cut list/ }).click();
    const lines = readFileSync(await (await download).path(), 'utf8').split('\r\n');
    const at = lines[0]!.split(',').indexOf('row length mm');
    return Number(lines.find((l) => l.includes('Flanks'))!.split(',')[at]) / 10;
  };
  const fine = await rowsOnScreen();
  // The screen says whole centimetres, paper halves of a millimetre.
  expect(Math.abs((await rowsOnPaper()) - fine)).toBeLessThan(0.51);
  await page.goto('/settings');
  await page.getByLabel('Shape of the animal').click();
  await choose(page.getByRole('option', { name: 'Worked out coarsely' }));
  await saved(page);
  await page.goBack();
  await settled(page);
  await expect(page.getByText('shape worked out coarsely')).toBeVisible();
  const coarse = await rowsOnScreen();
  expect(Math.abs(coarse / fine - 1)).toBeLessThan(0.03);
  expect(Math.abs((await rowsOnPaper()) - coarse)).toBeLessThan(0.51);
});

test('the door refuses what is not a piece with a problem answer', async ({ request }) => {
  const piece = JSON.parse(readFileSync('demo/pine-marten.json', 'utf8')) as Record<string, unknown>;
  const cupboard = JSON.parse(readFileSync('demo/cupboard.json', 'utf8')) as Record<string, unknown>;
  const post = (
    data: unknown,
    format = 'pdf',
    headers: Record<string, string> = { 'Content-Type': 'application/json' },
  ) =>
    request.post(`/api/sheets?format=${format}`, {
      data: typeof data === 'string' ? Buffer.from(data) : (data as object),
      headers,
    });
  const cases: [Awaited<ReturnType<typeof post>>, number, RegExp][] = [
    [await post('{oops'), 400, /not readable/],
    [await post({}), 422, /not a piece file/],
    [await post({ piece, cupboard, hand: {} }), 422, /not a hand file/],
    [
      await post({ piece: { ...piece, form: { ...(piece.form as object), finishedLengthMm: 5 } }, cupboard, hand: {} }),
      422,
      /Finished length must be between 30 and 1500 mm/,
    ],
    [await post({ piece, cupboard }, 'doc'), 400, /pdf, csv, face, book or ics/],
    [await post('x', 'pdf', { 'Content-Type': 'text/plain' }), 415, /JSON/],
    [await post(`{"piece":"${'x'.repeat(5 * 1024 * 1024)}"}`), 413, /larger than 4 MB/],
  ];
  for (const [answer, status, words] of cases) {
    expect(answer.status()).toBe(status);
    expect(answer.headers()['content-type']).toContain('application/problem+json');
    const body = (await answer.json()) as { title: string; status: number; detail: string };
    expect(body.status).toBe(status);
    expect(body.title.length).toBeGreaterThan(3);
    expect(body.detail).toMatch(words);
  }
  expect((await request.get('/api/sheets')).status()).toBe(405);
});

test('twenty prints at once: some are made, the others told to come again, and everything else is answered meanwhile', async ({
  request,
}) => {
  const piece = JSON.parse(readFileSync('demo/pine-marten.json', 'utf8')) as object;
  const cupboard = JSON.parse(readFileSync('demo/cupboard.json', 'utf8')) as object;
  const settings = { shape: 'coarse' };
  const all = Array.from({ length: 20 }, () =>
    request.post('/api/sheets?format=csv', { data: { piece, cupboard, hand: defaultHand, settings } }),
  );
  const slowest = { ms: 0 };
  let done = false;
  const others = (async () => {
    while (!done) {
      const begun = Date.now();
      expect((await request.get('/handbook')).status()).toBe(200);
      slowest.ms = Math.max(slowest.ms, Date.now() - begun);
    }
  })();
  const answers = await Promise.all(all);
  done = true;
  await others;
  const made = answers.filter((a) => a.status() === 200);
  const later = answers.filter((a) => a.status() === 429);
  expect(made.length + later.length).toBe(20);
  expect(made.length).toBeGreaterThan(0);
  expect(later.length).toBeGreaterThan(0);
  const texts = new Set(await Promise.all(made.map((a) => a.text())));
  expect(texts.size).toBe(1);
  expect([...texts][0]).toContain('Throat bib');
  for (const a of later) {
    expect(Number(a.headers()['retry-after'])).toBeGreaterThan(0);
    expect(((await a.json()) as { detail: string }).detail).toMatch(/Try again in a moment/);
  }
  // The threads that plan leave the server its own.
  expect(slowest.ms).toBeLessThan(5000);
});

test('the server says that it is there, and every route carries what keeps it safe', async ({ request }) => {
  const health = await request.get('/api/health');
  expect(await health.json()).toEqual({ ok: true });
  for (const path of [
    '/',
    '/cupboard',
    '/handbook',
    '/settings',
    '/piece/x/coat',
    '/nowhere',
    '/api/health',
    '/api/offline',
    '/manifest.webmanifest',
    '/api/sheets',
  ]) {
    const headers = (await request.get(path)).headers();
    expect(headers['x-content-type-options'], path).toBe('nosniff');
    expect(headers['referrer-policy'], path).toBe('no-referrer');
    expect(headers['permissions-policy'], path).toContain('camera=()');
    expect(headers['content-security-policy'], path).toContain("default-src 'self'");
    expect(headers['x-powered-by'], path).toBeUndefined();
  }
});

test('what no page asks is refused as such', async ({ request }) => {
  for (const method of ['TRACE', 'PUT', 'DELETE', 'PATCH']) {
    const answer = await request.fetch('/handbook', { method });
    expect(answer.status(), method).toBe(405);
    expect(answer.headers().allow, method).toContain('GET');
  }
});

test('pages carry a strict policy: no eval, own origin only', async ({ request }) => {
  const csp = (await request.get('/')).headers()['content-security-policy']!;
  expect(csp).toContain("default-src 'self'");
  expect(csp).not.toContain('unsafe-eval');
  expect(/script-src[^;]*/.exec(csp)![0]).not.toContain('unsafe-inline');
  expect(csp).toContain("frame-ancestors 'none'");
});
