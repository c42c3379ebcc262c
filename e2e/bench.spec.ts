/** The bench as one thing on the screen: what is seen at every size, full screen, keys, sounds and voice; photographs; an area stopped; the log read back. */
import { execFileSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import type { Page } from '@playwright/test';
import { accessible, beside, docket, expect, openDemo, saved, settled, test, workOn } from './desk';

/** A row in hand, its watch standing still: where nothing is made yet the bench would open elsewhere. */
const AT_ROW = {
  areaId: 'belly',
  stepId: 'lay-belly',
  timer: { areaId: 'belly', startedAt: null, beforeMs: 0 },
};

/** Whether a thing is in the window as a whole. */
const inWindow = async (page: Page, name: string | RegExp): Promise<boolean> => {
  const box = await page.getByRole('button', { name, exact: typeof name === 'string' }).boundingBox();
  const size = page.viewportSize()!;
  return (
    box !== null && box.y >= 0 && box.y + box.height <= size.height && box.x >= 0 && box.x + box.width <= size.width
  );
};

for (const [width, height] of [
  [390, 844],
  [768, 1024],
  [1024, 768],
  [1280, 800],
] as const) {
  test(`at ${width} by ${height} the row and what ends it are seen together, whatever lies beside`, async ({
    desk: page,
  }) => {
    await page.setViewportSize({ width, height });
    await openDemo(page, 'Pine marten', 'bench', AT_ROW);
    const row = docket(page).getByText(/^Row 1/);
    await expect(row).toBeVisible();
    const box = (await row.boundingBox())!;
    expect(box.y + box.height).toBeLessThan(height);
    // Read at an arm's length and a half: the row and its length are 40 px high at least.
    expect(await row.evaluate((e) => Number.parseFloat(getComputedStyle(e).fontSize))).toBeGreaterThanOrEqual(40);
    expect(await inWindow(page, 'Row done')).toBe(true);
    for (const room of ['Steps and areas', 'Lay chart', 'Write down', 'Needles', 'Photographs']) {
      await expect(await beside(page, room)).toBeVisible();
      expect(await inWindow(page, 'Row done'), room).toBe(true);
      await expect(page.getByText(/Row 1/).filter({ visible: true }).first(), room).toBeVisible();
    }
    await beside(page, 'Only the work');
    await expect(page.getByRole('region', { name: 'Photographs' })).toBeHidden();
  });
}

test('a row is cut and weighed at the bench as the table of the rows has it, where the fur changes on the way up', async ({
  desk: page,
}) => {
  await openDemo(page, 'Suri alpaca cria', 'coat', { areaId: 'cheek', rowsAs: 'table' });
  const rows = page.getByRole('region', { name: 'Rows of Cheeks' }).getByRole('row');
  const cells = await rows.last().getByRole('cell').allInnerTexts();
  const number = Number(/\d+/.exec(await rows.last().innerText())![0]);
  const cuts = await Promise.all([1, number].map((n) => rows.nth(n).innerText()));
  expect(cuts[0]).not.toBe(cuts[1]);
  await page.keyboard.press('7');
  await workOn(page, 'Cheeks');
  await beside(page, 'Only the work');
  for (let n = 1; n < number; n++) {
    await page.keyboard.press('Space');
    if (n === 1) await page.keyboard.press('Space');
  }
  await settled(page);
  await expect(docket(page)).toContainText(`Row ${number}`);
  const told = (await docket(page).innerText()).replace(/\s+/g, ' ');
  const lengths = cells.filter((c) => /mm$/.test(c));
  expect(lengths.length).toBeGreaterThanOrEqual(2);
  for (const c of lengths) expect(told).toContain(c.replace(/\s+/g, ' '));
});

test('full screen: nothing but the work, the keys go on, and the desk comes back', async ({ desk: page }) => {
  await openDemo(page, 'Pine marten', 'bench', AT_ROW);
  await page.getByRole('button', { name: 'Full screen' }).click();
  await expect(page.getByRole('link', { name: 'Shelf' })).toBeHidden();
  await expect(page.getByRole('heading', { level: 1, name: 'Pine marten' })).toBeAttached();
  await page.keyboard.press('Space');
  await expect(docket(page)).toContainText('Row 2');
  await saved(page);
  await accessible(page);
  await page.getByRole('button', { name: 'Show the desk' }).click();
  await expect(page.getByRole('link', { name: 'Shelf' })).toBeVisible();
  await settled(page);
});

test('keys as a pedal types them, sounds, a stretch and the surround, as they are set', async ({ desk: page }) => {
  await page.addInitScript(() => {
    // What would be heard, counted; what would be spoken, kept.
    const heard: number[] = [];
    Object.assign(window, { heard, spoken: [] as string[] });
    class Loud {
      gain = { setValueAtTime: () => undefined, linearRampToValueAtTime: () => undefined };
      connect = (x: unknown) => x;
    }
    class Tone {
      frequency = { value: 0 };
      connect = (x: unknown) => x;
      start = () => heard.push(this.frequency.value);
      stop = () => undefined;
    }
    Object.assign(window, {
      AudioContext: class {
        currentTime = 0;
        destination = {};
        resume = () => Promise.resolve();
        createOscillator = () => new Tone();
        createGain = () => new Loud();
      },
    });
    const voice = { localService: true, lang: 'en-GB' };
    Object.defineProperty(window, 'speechSynthesis', {
      value: {
        getVoices: () => [voice],
        addEventListener: () => undefined,
        removeEventListener: () => undefined,
        cancel: () => undefined,
        speak: (l: { text: string }) => (window as unknown as { spoken: string[] }).spoken.push(l.text),
      },
    });
    Object.assign(window, {
      SpeechSynthesisUtterance: class {
        constructor(readonly text: string) {}
      },
    });
  });
  await openDemo(page, 'Pine marten', 'bench', AT_ROW);
  await page.goto('/settings');
  const next = page.getByRole('group', { name: 'Done: the next thing' });
  await next.getByRole('button', { name: 'Another key' }).click();
  await page.keyboard.press('F9');
  await expect(next.getByRole('button', { name: 'F9: take away' })).toBeVisible();
  await next.getByRole('button', { name: 'Another key' }).click();
  await page.keyboard.press('t');
  await expect(next.getByRole('alert')).toContainText('T already does: timer on or off.');
  await next.getByRole('button', { name: 'Space: take away' }).click();
  await page.getByLabel('a sound when a row or a step is done').click();
  await page.getByLabel('the next row or step is read out').click();
  await page.getByLabel('say when a stretch is due').click();
  await page.getByLabel('After so many minutes at work').fill('5');
  await page.getByLabel('a dim surround at the bench').click();
  await accessible(page);
  const heard = () => page.evaluate(() => (window as unknown as { heard: number[] }).heard.length);
  expect(await heard()).toBe(1);
  await page.goto('/piece/pine-marten/bench');
  await settled(page);
  await expect(docket(page)).toContainText('Row 1');
  await expect(page.locator('html[data-dark]')).toHaveCount(1);
  const spoken = () => page.evaluate(() => (window as unknown as { spoken: string[] }).spoken.at(-1));
  expect(await spoken()).toMatch(/^Belly: Row 1, [\d.]+ mm$/);
  await page.getByRole('heading', { level: 1 }).click();
  await page.keyboard.press('Space');
  await expect(page.getByRole('timer')).toHaveText('0:00');
  await page.keyboard.press('F9');
  await expect(docket(page)).toContainText('Row 2');
  expect(await heard()).toBe(1);
  expect(await spoken()).toMatch(/^Belly: Row 2/);
  await page.keyboard.press('?');
  await expect(page.getByRole('dialog')).toContainText('Page Down, F9');
  await page.keyboard.press('Escape');
  await expect(page.getByRole('dialog')).toBeHidden();
  // Elsewhere the surround is as it was.
  await page.keyboard.press('8');
  await expect(page.locator('html[data-light]')).toHaveCount(1);
});

test('at work for half an hour: a stretch is due, the time for today is over; neither stops anything', async ({
  desk: page,
}) => {
  await openDemo(page, 'Pine marten', 'bench', {
    ...AT_ROW,
    timer: { areaId: 'belly', startedAt: Date.now() - 3 * 60_000, beforeMs: 0 },
  });
  await page.goto('/settings');
  await page.getByLabel('say when a stretch is due').click();
  await page.getByLabel('After so many minutes at work').fill('5');
  // By the way of the app: nothing is stored in a hurry.
  await page.getByRole('link', { name: 'Shelf' }).first().click();
  await page.getByRole('button', { name: 'Open Pine marten' }).click();
  await page.getByRole('link', { name: /Bench/ }).click();
  await settled(page);
  const due = page.getByRole('status').filter({ hasText: 'at work: put the needle down' });
  await expect(due).toBeHidden();
  const book = await beside(page, 'Steps and areas');
  await book.getByLabel('At the bench today').fill('1');
  await expect(page.getByText(/^The time for today is over/)).toBeVisible();
  await book.getByLabel('At the bench today').fill('240');
  await expect(page.getByText(/^The time for today is over/)).toBeHidden();
  await page.clock.install();
  await page.clock.fastForward('05:00');
  await expect(due).toBeVisible();
  await due.getByRole('button', { name: 'Stretched' }).click();
  await expect(due).toBeHidden();
});

test('photographs: taken at the bench, kept over a reload, turned to, told in the story, taken along in the file', async ({
  desk: page,
  browser,
  baseURL,
}, info) => {
  await openDemo(page, 'Pine marten', 'bench', { ...AT_ROW, yaw: 40, pitch: 5 });
  // The picture is the app's own.
  const shot = await page.locator('[data-picture]').screenshot();
  const photos = await beside(page, 'Photographs');
  await expect(photos).toContainText('None yet.');
  await page
    .getByLabel('Photograph of the piece')
    .setInputFiles({ name: 'own.png', mimeType: 'image/png', buffer: shot });
  const one = photos.getByRole('figure');
  await expect(one.getByRole('img')).toBeVisible();
  await one.getByRole('button', { name: 'Write to it' }).click();
  await one.getByLabel('Words to it').fill('Belly begun');
  await one.getByLabel('Words to it').blur();
  await expect(one).toContainText('Belly begun');
  await page
    .getByLabel('Photograph of the piece')
    .setInputFiles({ name: 'no.png', mimeType: 'image/png', buffer: Buffer.from('no picture') });
  await expect(page.getByText('no.png is not a picture this browser can show')).toBeVisible();
  await saved(page);
  await page.reload();
  await settled(page);
  await expect(one.getByRole('img')).toBeVisible();
  await page.getByRole('heading', { level: 1 }).click();
  await one.getByRole('button', { name: 'Turn the animal so' }).click();
  await expect(page.getByRole('img', { name: /seen from/ })).toBeVisible();
  // Beside it the animal as it will be, turned as the piece was held.
  await one.getByRole('button', { name: 'Beside the finished animal' }).click();
  await expect(one.getByRole('img', { name: 'The animal as it will be, turned the same way' })).toBeVisible({
    timeout: 60_000,
  });
  await accessible(page);
  await one.getByRole('button', { name: 'Without the finished animal' }).click();
  await expect(one.getByRole('img')).toHaveCount(1);
  await page.keyboard.press('8');
  await expect(page.getByRole('table', { name: 'Entries' })).toContainText('Photograph: Belly begun');
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Print as a story' }).click();
  const file = info.outputPath('story.pdf');
  await (await download).saveAs(file);
  expect((await download).suggestedFilename()).toBe('pine-marten-story.pdf');
  const text = execFileSync('pdftotext', ['-layout', file, '-']).toString();
  expect(text).toContain('Belly begun');
  expect(text).not.toContain('not at hand');
  expect(execFileSync('pdfimages', ['-list', file]).toString().split('\n').length).toBeGreaterThan(3);
  // The file of the piece takes it along to another browser.
  const whole = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save to file' }).click();
  expect((await whole).suggestedFilename()).toBe('pine-marten.zip');
  const zip = info.outputPath('pine-marten.zip');
  await (await whole).saveAs(zip);
  const other = await (await browser.newContext({ baseURL: baseURL! })).newPage();
  await other.goto('/');
  await other.getByLabel('Piece file').setInputFiles(zip);
  await expect(other.getByRole('heading', { level: 1 })).toHaveText('Pine marten');
  await settled(other);
  await other.keyboard.press('7');
  await expect((await beside(other, 'Photographs')).getByRole('figure').getByRole('img')).toBeVisible();
  await other.context().close();
  // Taken out of the log, and back by undo.
  await page
    .getByRole('row', { name: /Belly begun/ })
    .getByRole('button', { name: 'Remove' })
    .click();
  await expect(page.getByText('Nothing has been done yet.')).toBeVisible();
  await page.keyboard.press('Control+z');
  await expect(page.getByRole('table', { name: 'Entries' })).toContainText('Belly begun');
});

test('an area stopped before its last row asks for nothing more, says what stays bare, and is laid after all', async ({
  desk: page,
}) => {
  await openDemo(page, 'Pine marten', 'bench');
  await workOn(page, 'Belly');
  for (let row = 1; row <= 4; row++) {
    await page.keyboard.press('Space');
    await settled(page);
  }
  await expect(docket(page)).toContainText(/3 of \d+ rows/);
  const all = /3 of (\d+) rows/.exec(await docket(page).innerText())![1]!;
  const book = await beside(page, 'Write down');
  // Cut longer than planned, the area is planned with it; taken back it is as it was.
  await book.getByRole('button', { name: 'Cut to another length' }).click();
  await book.getByLabel('Cut', { exact: true }).fill('2');
  await expect(book).toContainText('too short for any fur');
  await book.getByLabel('Cut', { exact: true }).fill('60');
  await expect(book).toContainText(/The fur comes to [\d.]+ mm/);
  await book.getByRole('button', { name: 'Plan the area with it' }).click();
  await settled(page);
  const cut = async () => Number(/([\d.]+) ?mm\s*cut lengths/.exec(await docket(page).innerText())![1]);
  expect(Math.abs((await cut()) - 60)).toBeLessThanOrEqual(1);
  await page.keyboard.press('Control+z');
  await settled(page);
  expect(await cut()).toBeLessThan(55);
  await book.getByRole('button', { name: 'Stop at row 3' }).click();
  await settled(page);
  await expect(docket(page)).toContainText('All 3 rows laid');
  await expect(book).toContainText('Belly stops at row 3.');
  await page
    .getByRole('button', { name: /to decide$/ })
    .first()
    .click();
  const list = page.getByRole('dialog');
  await expect(list).toContainText(/Belly stops at row 3: some [\d.]+ mm above it stay bare/);
  await page.keyboard.press('Escape');
  await book.getByRole('button', { name: 'Lay the rest after all' }).click();
  await settled(page);
  await expect(docket(page)).toContainText(`3 of ${all} rows`);
});

test('a row longer than planned and with fewer pinches: rows from there on, the docket and the log follow; undone one by one', async ({
  desk: page,
}) => {
  await openDemo(page, 'Pine marten', 'bench', AT_ROW);
  const long = async () => Number(/([\d.]+) ?mm\s*long, on the skin/.exec(await docket(page).innerText())![1]);
  const was = await long();
  const book = await beside(page, 'Write down');
  await book.getByRole('button', { name: 'This row is otherwise' }).click();
  const otherwise = page.getByRole('group', { name: 'row measured' });
  await otherwise.getByLabel('It is long').fill(String(was + 2));
  await expect(otherwise).toContainText(/Planned with it, rows from here on are \d+ % as long\./);
  await otherwise.getByRole('button', { name: 'Plan the rest with it' }).click();
  await settled(page);
  expect(Math.abs((await long()) / (was + 2) - 1)).toBeLessThan(0.02);
  // The next row too, before it is begun.
  await expect(docket(page)).toContainText(/row 2, [\d.]+ mm/);
  await book.getByRole('button', { name: 'This row is otherwise' }).click();
  await otherwise.getByLabel('Pieces on it').fill('100000');
  await otherwise.getByLabel('Pieces on it').blur();
  await expect(otherwise).toContainText(/Pieces on it must be between 1 and \d+/);
  await otherwise.getByLabel('Pieces on it').fill('2');
  await expect(otherwise).toContainText(/That is one every [\d.]+ mm; the area is planned with that\./);
  await otherwise.getByRole('button', { name: 'Plan the rest with it' }).click();
  await settled(page);
  await accessible(page);
  await page.keyboard.press('Control+z');
  await settled(page);
  await page.keyboard.press('Control+z');
  await settled(page);
  expect(await long()).toBe(was);
});

test('a flat part measured across: what it shrank by, what to do about it, in the log', async ({ desk: page }) => {
  await openDemo(page, 'Pine marten', 'bench', {
    stepId: 'flat-ear',
    timer: { areaId: 'flat-ear', startedAt: null, beforeMs: 0 },
  });
  const book = await beside(page, 'Write down');
  await book.getByRole('button', { name: 'Measure it across' }).click();
  const measured = book.getByLabel('Width measured');
  const [, finished, pattern] = /([\d.]+) mm are planned, from a pattern ([\d.]+) mm/.exec(await measured.innerText())!;
  await measured.getByLabel('Across').fill(String(Number(pattern) + 5));
  await measured.getByLabel('Across').blur();
  await expect(measured).toContainText(/Across must be between [\d.]+ mm and [\d.]+ mm/);
  await measured.getByLabel('Across').fill(String(1.1 * Number(finished)));
  await expect(measured).toContainText(`Felt on until it is ${finished} mm across`);
  await measured.getByRole('button', { name: 'Write the width down' }).click();
  await settled(page);
  await page.keyboard.press('8');
  await expect(page.getByRole('table', { name: 'Entries' })).toContainText(
    /Measured: across, felted [\d.]+ mm; its pattern/,
  );
});

test('wool of a step weighed before and after; offcuts in the cupboard; a step gone wrong', async ({ desk: page }) => {
  await openDemo(page, 'Pine marten', 'bench', {
    stepId: 'core-trunk',
    timer: { areaId: 'core-trunk', startedAt: null, beforeMs: 0 },
  });
  await expect(docket(page)).toContainText('Step 3');
  const wool = await beside(page, 'Write down');
  await wool.getByLabel('or bag before').fill('40');
  await wool.getByLabel('and after').fill('41');
  await expect(wool.getByRole('alert')).toContainText('After must be less than before, 40.0 g.');
  await wool.getByLabel('and after').fill('38.5');
  await wool.getByRole('button', { name: 'Write down', exact: true }).click();
  await wool.getByRole('button', { name: 'Offcuts are kept' }).click();
  await wool.getByLabel('Offcuts', { exact: true }).fill('0.8');
  await wool.getByRole('button', { name: 'Put them in the cupboard' }).click();
  await page.getByRole('button', { name: 'Step done' }).click();
  await wool.getByRole('button', { name: 'A step has gone wrong' }).click();
  await wool.getByRole('button', { name: 'uneven' }).click();
  await settled(page);
  await accessible(page);
  await page.keyboard.press('8');
  const entries = page.getByRole('table', { name: 'Entries' });
  await expect(entries).toContainText(/Used 1\.5 g of .*; [\d.]+ m?g asked for/);
  await expect(entries).toContainText('Offcuts kept: 0.8 g');
  await expect(entries).toContainText(/: uneven; pulled off, its wool used again/);
  await saved(page);
  await page.goto('/cupboard');
  await expect(page.getByText(/^Offcuts of /).first()).toBeVisible();
});

test('the log saved as CSV, put right in a table and read back; an entry moved; the days in a chart', async ({
  desk: page,
}, info) => {
  const kingfisher = JSON.parse(readFileSync('demo/kingfisher.json', 'utf8')) as { id: string };
  const at = (day: number, minute: number) => new Date(Date.UTC(2026, 2, day, 10, minute)).toISOString();
  const common = { areaId: 'crown', by: 'hand', was: [] };
  const row = (day: number, n: number) => ({
    ...common,
    id: `r${day}-${n}`,
    at: at(day, n * 10),
    kind: 'row',
    row: n,
    up: null,
    minutes: 9,
    timed: true,
    planned: 6,
    work: { row: 1, pinch: 8 },
    made: {},
  });
  const sitting = (day: number, likely: number) => ({
    ...common,
    areaId: 'piece',
    id: `s${day}`,
    at: at(day, 1),
    kind: 'sitting',
    leftMinutes: { low: likely * 0.8, likely, high: likely * 1.3 },
    woolG: null,
    rows: null,
    doneOn: null,
  });
  const log = [sitting(1, 700), row(1, 1), row(1, 2), sitting(3, 690), row(3, 3)];
  await openDemo(page, 'Pine marten', 'log', undefined, { ...kingfisher, id: 'logged', log } as { id: string });
  await page.goto('/piece/logged/log');
  await settled(page);
  const days = page.getByRole('table', { name: 'Day by day' });
  await expect(days.getByRole('row')).toHaveCount(3);
  await expect(page.getByText(/done where .* were planned, 1\.5 times as long\./)).toBeVisible();
  await accessible(page);
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save as CSV' }).click();
  const file = info.outputPath('log.csv');
  await (await download).saveAs(file);
  const text = readFileSync(file, 'utf8');
  const give = (name: string, body: string) =>
    page.getByLabel('Log as CSV').setInputFiles({ name, mimeType: 'text/csv', buffer: Buffer.from(body) });
  await give('bad.csv', text.replace(',9,6,', ',nine,6,'));
  await expect(page.getByText('Nothing was taken from bad.csv.')).toBeVisible();
  await expect(page.getByText('Line 3: minutes must be a number from 0 to 600, and not “nine”.')).toBeVisible();
  await give('good.csv', text.replace(',9,6,', ',7,6,'));
  await expect(
    page.getByText('From good.csv: 1 entry put right, 0 entries written down anew, 4 as they were.'),
  ).toBeVisible();
  const entries = page.getByRole('table', { name: 'Entries' });
  await expect(entries.getByRole('row', { name: /Row 1, 7 min/ })).toContainText('said minutes 9 before');
  await page.keyboard.press('Control+z');
  await expect(entries.getByRole('row', { name: /Row 1, 9 min/ })).toBeVisible();
  const moved = entries.getByRole('row', { name: /Row 2, / });
  await moved.getByRole('button', { name: 'Put right' }).click();
  await page.getByLabel('When').fill('2099-01-01T10:00');
  await expect(page.getByText('That is still to come.')).toBeVisible();
  await page.getByLabel('When').fill('2026-03-03T12:00');
  await moved.getByRole('button', { name: 'Put right' }).first().click();
  await expect(days.getByRole('row').last()).toContainText('20 min');
  await saved(page);
});

test('a trial of the hand sets its rates at once, each says whose it is and goes back by itself', async ({
  desk: page,
}) => {
  await page.goto('/settings');
  await page.getByRole('button', { name: 'Try your hand: half an hour on a practice ball' }).click();
  const trial = page.getByRole('group', { name: 'Trial' });
  await trial.getByLabel('A lock was cut').fill('80');
  await trial.getByLabel('Folded and needled in, each side is long').fill('35');
  await trial.getByLabel('Ten pinches weigh').fill('0.25');
  await trial.getByLabel('Stabs on one cm of row in a pass').fill('11');
  const yields = trial.getByRole('table', { name: 'What the trial yields' });
  await expect(yields.getByRole('row', { name: /taken by fold and needling/ })).toContainText('3 mm');
  await expect(yields.getByRole('row', { name: /taken by fold and needling/ })).toContainText('5 mm');
  await page.getByRole('heading', { level: 1 }).click();
  await accessible(page);
  await trial.getByRole('button', { name: 'Set them all' }).click();
  await expect(page.getByRole('textbox', { name: 'Taken by fold and needling' })).toHaveValue('5');
  await expect(page.getByText('Taken by fold and needling is your own; the first value was 3 mm.')).toBeVisible();
  await page.getByRole('button', { name: 'Back to the first value: Taken by fold and needling' }).click();
  await expect(page.getByRole('textbox', { name: 'Taken by fold and needling' })).toHaveValue('3');
  await page.keyboard.press('Control+z');
  await page.keyboard.press('Control+z');
  await expect(page.getByRole('textbox', { name: 'Stabs per cm of row in a pass' })).toHaveValue('8');
});
