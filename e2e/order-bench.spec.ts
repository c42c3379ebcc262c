import { readFileSync } from 'node:fs';
import { beside, accessible, chooseArea, docket, expect, figure, openDemo, saved, settled, test, workOn } from './desk';

test.use({ shape: 'fine' });

test('the order: steps by sitting with needle, wool and time, what must come before and what waits', async ({
  desk: page,
}) => {
  await openDemo(page, 'Pine marten', 'order');
  const list = page.getByRole('region', { name: 'Steps by sitting' });
  // Photographs, wire, seven parts of the core, their joining, the flat ears, nine areas cut and laid, the muzzle laid and
  // raised, 22 steps of colour, 13 of the face, trimming of nine areas, fluffing and the scissors.
  await expect(list).toContainText(/8\d steps/);
  await expect(list.getByRole('heading', { name: /^Sitting 1[A-Z]/ })).toBeVisible();
  await expect(list).toContainText('Take out:');
  const lay = list.getByRole('button', { name: /Lay \d+ rows .* on Back/ }).first();
  await expect(lay).toContainText('46 crown');
  await lay.click();
  await expect(docket(page)).toContainText('3 passes along the line');
  await expect(docket(page)).toContainText('barbs sit level near the point');
  const before = page.getByRole('region', { name: 'Must be done before this' });
  await expect(before).toContainText('The fur of Back hangs over Tail.');
  await expect(page.getByRole('region', { name: 'Waits for this' })).toContainText('The coat lies first');
  const texts = await list.getByRole('listitem').allInnerTexts();
  const at = (words: RegExp) => texts.findIndex((t) => words.test(t));
  expect(at(/Lay .* on Tail/)).toBeLessThan(at(/Lay .* on Back/));
  await expect(page.getByRole('heading', { name: 'Wool from the cupboard' })).toBeVisible();
  await accessible(page);
});

test('the bench: rows by one key wherever the focus is, the timer, wool weighed, planned against actual', async ({
  desk: page,
}) => {
  await openDemo(page, 'Pine marten', 'bench');
  // Nothing is made yet: the first step, and not a row whose core is not made.
  await expect(docket(page)).toContainText('Step 1');
  await workOn(page, 'Belly');
  await expect(docket(page)).toContainText('Row 1');
  await page.keyboard.press('Space');
  await expect(page.getByRole('button', { name: 'Row done' })).toBeVisible();
  await expect.poll(() => page.getByRole('timer').innerText()).toMatch(/0:0[2-9]/);
  await page.keyboard.press('t');
  await expect(page.getByRole('button', { name: 'Start timer' })).toBeVisible();
  await page.keyboard.press('t');
  // One key, whatever has the focus.
  for (const [name, row] of [
    ['Pause timer', 2],
    ['Full screen', 3],
    ['A row has gone wrong', 4],
    ['Lay chart', 5],
  ] as const) {
    await settled(page);
    await page.getByRole('button', { name }).focus();
    await page.keyboard.press(row === 3 ? 'PageDown' : 'Space');
    await expect(docket(page)).toContainText(`Row ${row}`);
  }
  await page.keyboard.press('Backspace');
  await expect(docket(page)).toContainText('Row 4');
  await settled(page);
  const all = /of (\d+)/.exec(await docket(page).innerText())![1]!;
  await expect(docket(page)).toContainText(`3 of ${all} rows`);
  await accessible(page);
  const book = await beside(page, 'Write down');
  const used = book.getByLabel('Wool used');
  await used.fill('a bit');
  await expect(page.getByText('Write a number in g, such as 12.5')).toBeVisible();
  // Keys typed into a field stay there.
  await used.press('Space');
  await used.press('Backspace');
  await expect(docket(page)).toContainText('Row 4');
  await used.fill('0.4');
  await book.getByRole('button', { name: 'Write down', exact: true }).click();
  await expect(book.getByRole('table', { name: 'Belly so far' })).toContainText('0.4 g');
  await accessible(page);
  await beside(page, 'Only the work');
  await page.getByRole('heading', { level: 1 }).click();
  await page.keyboard.press('n');
  await expect(page.getByLabel('Note')).toBeFocused();
  await page.keyboard.type('Damp day, wool sticks');
  await page.getByRole('button', { name: 'Write the note down' }).click();
  await saved(page);
  await page.reload();
  await expect(docket(page)).toContainText(`3 of ${all} rows`);
  await beside(page, 'Steps and areas');
  await expect(page.getByText(/Half done: row 3 was the last, on .*/)).toBeVisible();
  await page.keyboard.press('8');
  const table = page.getByRole('table', { name: 'Planned and done' });
  await expect(table).toContainText('Belly');
  await expect(table).toContainText(`3 of ${all}`);
  await expect(table).toContainText('0.4 g');
  await expect(page.getByText('Damp day, wool sticks')).toBeVisible();
  await expect(page.getByRole('rowheader', { name: /were left as it began/ })).toBeVisible();
  await accessible(page);
  await page.keyboard.press('6');
  // What was weighed has left the cupboard.
  await expect(page.getByRole('table', { name: 'Wool from the cupboard' })).toContainText('0.4 g');
});

test('two hours tonight: how far it gets, what to take out, where to stop, and the date it is done', async ({
  desk: page,
}) => {
  await openDemo(page, 'Pine marten', 'bench');
  await beside(page, 'Steps and areas');
  const today = page.getByRole('region', { name: 'Today' });
  await today.getByLabel('At the bench today').fill('30');
  await expect(today).toContainText('Stop');
  await settled(page);
  const takes = today.getByRole('list', { name: 'To take out' }).getByRole('listitem');
  const few = await takes.count();
  await today.getByLabel('At the bench today').fill('300');
  await settled(page);
  await expect.poll(() => takes.count()).toBeGreaterThan(few);
  await today.getByLabel('At the bench today').fill('5');
  await expect(today).toContainText('too short to begin anything');
  await today.getByLabel('At the bench today').fill('2000');
  await expect(today).toContainText('must be between');
  await today.getByLabel('At the bench today').fill('120');
  await page.getByRole('heading', { level: 1 }).click();
  await settled(page);
  await accessible(page);
  await page.keyboard.press('6');
  await page.getByRole('button', { name: 'Sittings and time' }).click();
  await expect(docket(page)).toContainText(/done on/);
});

test('the watch ran over night: nothing is written before the maker says so', async ({ desk: page }) => {
  const night = Date.now() - 14 * 3_600_000;
  await openDemo(page, 'Pine marten', 'bench', {
    areaId: 'belly',
    stepId: 'lay-belly',
    timer: { areaId: 'belly', startedAt: night, beforeMs: 0 },
  });
  await expect(docket(page)).toContainText('Row 1');
  await page.keyboard.press('Space');
  const ask = page.getByRole('dialog');
  await expect(ask).toContainText('14 h');
  await expect(ask).toContainText('at work, or away?');
  await page.keyboard.press('Escape');
  await expect(ask).toBeHidden();
  await expect(docket(page)).toContainText('Row 1');
  await page.keyboard.press('Space');
  await ask.getByRole('button', { name: /^Away/ }).click();
  await expect(docket(page)).toContainText('Row 2');
  await page.keyboard.press('8');
  await expect(page.getByRole('table', { name: 'Entries' })).toContainText('Row 1,');
  // What was planned, not the night.
  await expect(page.getByRole('row', { name: /Row 1,/ })).toContainText(/Row 1, (\d+) min; \1 min planned/);
});

test('a row gone wrong in two presses; rows measured, and the rest planned from where they end', async ({
  desk: page,
}) => {
  await openDemo(page, 'Pine marten', 'bench');
  await workOn(page, 'Belly');
  for (let row = 1; row <= 5; row++) {
    await page.keyboard.press('Space');
    if (row > 1) await expect(docket(page)).toContainText(`Row ${row}`);
    await settled(page);
  }
  await expect(docket(page)).toContainText(/4 of \d+ rows/);
  await docket(page).getByRole('button', { name: 'A row has gone wrong' }).click();
  await docket(page).getByRole('button', { name: 'uneven' }).click();
  await expect(docket(page)).toContainText('Row 4');
  await expect(docket(page)).toContainText(/3 of \d+ rows/);
  await settled(page);
  const rows = Number(/3 of (\d+) rows/.exec(await docket(page).innerText())![1]);
  const book = await beside(page, 'Write down');
  await book.getByRole('button', { name: 'Measure the spacing' }).click();
  await book.getByLabel('take', { exact: true }).fill('6');
  await expect(book).toContainText('2 mm apart; 3.5 mm were planned.');
  await book.getByRole('button', { name: 'Plan the rest anew from here' }).click();
  await settled(page);
  await expect(docket(page)).toContainText('Row 4');
  const more = Number(/3 of (\d+) rows/.exec(await docket(page).innerText())![1]);
  // Three rows cover 6 mm where they were to cover 10.5: at least one more is needed.
  expect(more).toBeGreaterThan(rows);
  await book.getByRole('button', { name: 'Measure the height' }).click();
  await book.getByLabel('It stands').fill('9');
  await book.getByRole('button', { name: 'Write the height down' }).click();
  await page.keyboard.press('8');
  const entries = page.getByRole('table', { name: 'Entries' });
  await expect(entries).toContainText('stands 9 mm, planned');
  await expect(entries).toContainText('Row 4: uneven; pulled off, its wool used again');
  await expect(entries).toContainText('rows apart 2 mm, planned 3.5 mm; the rest planned anew');
  await accessible(page);
  // The measure taken out of the log is out of the plan.
  await entries
    .getByRole('row', { name: /rows apart 2 mm/ })
    .getByRole('button', { name: 'Remove' })
    .click();
  await settled(page);
  await expect(page.getByRole('table', { name: 'Planned and done' })).toContainText(`3 of ${rows}`);
  // An entry is put right, and keeps what it said.
  await entries
    .getByRole('row', { name: /Row 1,/ })
    .getByRole('button', { name: 'Put right' })
    .click();
  await page.getByLabel('It took').fill('7');
  await entries
    .getByRole('row', { name: /Row 1,/ })
    .getByRole('button', { name: 'Put right' })
    .first()
    .click();
  await expect(entries.getByRole('row', { name: /Row 1,/ })).toContainText('7 min');
  await expect(entries.getByRole('row', { name: /Row 1,/ })).toContainText('before');
  await page.getByLabel('Search the log').fill('uneven');
  // The head, the sitting and the one entry.
  await expect(entries.getByRole('row')).toHaveCount(3);
});

test('what was logged on one piece is learned in the docket of another, and says so', async ({ desk: page }) => {
  const work = { row: 1, pinch: 10, fold: 10, rowCm: 8, tug: 1 };
  const log = Array.from({ length: 30 }, (_, i) => ({
    id: `r${i}`,
    at: `2026-03-${String(1 + (i % 28)).padStart(2, '0')}T09:00:00Z`,
    areaId: 'crown',
    by: 'hand',
    was: [],
    kind: 'row',
    row: i + 1,
    up: null,
    minutes: 24,
    timed: true,
    planned: 8,
    work,
    made: {},
  }));
  const beside = { ...(JSON.parse(readFileSync('demo/kingfisher.json', 'utf8')) as { id: string }), log };
  await openDemo(page, 'Pine marten', 'coat');
  await chooseArea(page, 'Belly');
  const before = await figure(page, 'to lay');
  await openDemo(page, 'Pine marten', 'coat', undefined, beside);
  await chooseArea(page, 'Belly');
  const after = await figure(page, 'to lay');
  const minutes = (s: string) => {
    const [, h, m] = /(?:(\d+) h ?)?(?:(\d+) min)?/.exec(s)!;
    return 60 * Number(h ?? 0) + Number(m ?? 0);
  };
  expect(minutes(after) / minutes(before)).toBeGreaterThan(2);
  await docket(page).getByRole('button', { name: after }).first().click();
  await expect(page.getByRole('dialog')).toContainText('learned from 30 rows and steps on 1 piece');
  await page.keyboard.press('Escape');
  await page.goto('/settings');
  const learnt = page.getByRole('region', { name: 'Learned from the log' });
  await expect(learnt).toContainText('from 30 rows and steps on 1 piece');
  await learnt.getByLabel(/learn from Kingfisher/).click();
  await expect(learnt).toContainText('0 so far');
});

test('a needle broke: where is pressed on the animal, the point stays open until it is found', async ({
  desk: page,
}) => {
  await openDemo(page, 'Pine marten', 'bench');
  await workOn(page, 'Belly');
  const broken = (await beside(page, 'Needles')).getByRole('group', { name: 'Broken needles' });
  await broken.getByRole('combobox', { name: 'Which' }).click();
  await page.getByRole('option', { name: '46 crown' }).click();
  await broken.getByRole('checkbox', { name: 'its point is found' }).uncheck();
  await broken.getByRole('button', { name: 'Show where on the animal' }).click();
  const animal = page.locator('canvas').first();
  const box = (await animal.boundingBox())!;
  await animal.click({ position: { x: box.width / 2, y: box.height / 2 } });
  // Whatever was hit: the same part is said everywhere.
  const hit = broken.getByRole('button', { name: /^At / });
  await expect(hit).toBeVisible();
  const part = (await hit.innerText()).replace(/^At /, '');
  await broken.getByRole('button', { name: /Write the breakage down/ }).click();
  await settled(page);
  await expect(page.getByText(`The point of a broken needle is not found: 46 crown, at ${part}.`)).toBeVisible();
  await accessible(page);
  await page.getByRole('group', { name: 'Point of 46 crown' }).getByRole('button', { name: 'Found now' }).click();
  await expect(page.getByText(/The point of a broken needle is not found/)).toBeHidden();
  await page.keyboard.press('8');
  await expect(page.getByRole('table', { name: 'Entries' })).toContainText(`on ${part}; its point found`);
});

test('three thousand entries: the log is shown in part, searched, and the bench goes on', async ({ desk: page }) => {
  const kingfisher = JSON.parse(readFileSync('demo/kingfisher.json', 'utf8')) as { id: string; name: string };
  const log = Array.from({ length: 3000 }, (_, i) => ({
    id: `n${i}`,
    at: new Date(Date.UTC(2026, 2, 1) + i * 600_000).toISOString(),
    areaId: 'crown',
    by: 'hand',
    was: [],
    kind: 'note',
    words: `Note number ${i}`,
  }));
  await openDemo(page, 'Pine marten', 'log', undefined, { ...kingfisher, id: 'long-log', log } as { id: string });
  await page.goto('/piece/long-log/log');
  await settled(page);
  const entries = page.getByRole('table', { name: 'Entries' });
  await expect(entries).toContainText('Note number 2999');
  await expect(entries).not.toContainText('Note number 2000');
  await page.getByLabel('Search the log').fill('number 17');
  await expect(entries).toContainText('Note number 1799');
  await page.getByLabel('Search the log').fill('');
  await page.keyboard.press('Tab');
  await page.goto('/piece/long-log/bench');
  await settled(page);
  await page.keyboard.press('Space');
  await expect(docket(page)).toContainText('Step 2');
});
