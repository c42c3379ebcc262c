/** Order in a real browser: filters, moving steps, what forbids it, sittings and dates, the calendar, the book, starting over. */
import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Page } from '@playwright/test';
import ICAL from 'ical.js';
import { beside, accessible, choose, docket, expect, openDemo, saved, test } from './desk';

test.use({ shape: 'fine' });

const steps = (page: Page) => page.getByRole('region', { name: 'Steps by sitting' });
const room = (page: Page, name: string) =>
  page
    .getByRole('navigation', { name: 'Rooms of the order' })
    .getByRole('button', { name: new RegExp(`^${name}`) })
    .click();
const numberOf = async (page: Page, words: RegExp) => {
  const all = await steps(page).getByRole('listitem').allInnerTexts();
  return all.findIndex((t) => words.test(t));
};

test('filters by area, needle and wool; a step moved earlier and put back; a move the work forbids is explained', async ({
  desk: page,
}) => {
  await openDemo(page, 'Pine marten', 'order');
  const filters = page.getByRole('group', { name: 'Show only' });
  const count = () => steps(page).getByRole('listitem').count();
  await expect(steps(page)).toContainText('Felt Neck');
  const all = await count();
  await filters.getByRole('combobox', { name: 'Area' }).click();
  await choose(page.getByRole('option', { name: 'Flanks' }));
  await expect.poll(count).toBeLessThan(all / 4);
  await filters.getByRole('combobox', { name: 'Needle' }).click();
  await choose(page.getByRole('option', { name: '46 crown' }));
  await expect(steps(page).getByRole('listitem').first()).toContainText('on Flanks');
  for (const name of ['Area', 'Needle']) {
    await filters.getByRole('combobox', { name }).click();
    await choose(page.getByRole('option', { name: 'all', exact: true }));
  }
  await steps(page)
    .getByRole('button', { name: /Lay .* on Bib|Lay .* on Throat bib/ })
    .first()
    .click();
  await expect(docket(page)).toContainText('No earlier than after step');
  // What it was cut for forbids going before the cut.
  await docket(page).getByRole('button', { name: 'Earlier' }).click();
  await expect(page.getByText(/It cannot go before step \d+, Cut .* for Throat bib/)).toBeVisible();
  await steps(page)
    .getByRole('button', { name: /Felt Neck/ })
    .click();
  await expect(docket(page)).toContainText('Felt Neck');
  const was = await numberOf(page, /Felt Neck/);
  expect(was).toBeGreaterThan(2);
  await docket(page).getByRole('button', { name: 'Earlier' }).click();
  await expect.poll(() => numberOf(page, /Felt Neck/)).toBeLessThan(was);
  await expect(steps(page)).toContainText('moved by you');
  await docket(page).getByRole('button', { name: 'Put back' }).click();
  await expect.poll(() => numberOf(page, /Felt Neck/)).toBe(was);
  await accessible(page);
});

test('a step is dragged by keys', async ({ desk: page }) => {
  await openDemo(page, 'Pine marten', 'order');
  await expect(steps(page)).toContainText('Felt Tail');
  const was = await numberOf(page, /Felt Tail/);
  // Steps wait for others to dry or for their own day, so numbers need not run up in the order of the list.
  const numbers = await steps(page)
    .getByRole('button', { name: /^Move step/ })
    .evaluateAll((all) => all.map((e) => /\d+/.exec(e.getAttribute('aria-label')!)![0]));
  const grip = page.getByRole('button', { name: `Move step ${numbers[was]}`, exact: true });
  await grip.focus();
  await grip.press('Space');
  await expect(page.getByText(`At step ${numbers[was]}.`)).toBeAttached();
  await page.keyboard.press('ArrowUp');
  await expect(page.getByText(`At step ${numbers[was - 1]}.`)).toBeAttached();
  await page.keyboard.press('Space');
  await expect.poll(() => numberOf(page, /Felt Tail/)).toBeLessThan(was);
});

test('sittings: hours of the week, the first day, the date it is done, the calendar file', async ({ desk: page }) => {
  await openDemo(page, 'Pine marten', 'order');
  await room(page, 'Sittings and time');
  await expect(docket(page)).toContainText(/of work in \d+ sittings/);
  await expect(page.getByRole('button', { name: 'Calendar file' })).toBeDisabled();
  await page.getByLabel('First sitting on').fill('2125-01-01');
  await expect(docket(page)).toContainText('Jan 2125');
  const sittings = async () => Number(/in (\d+) sittings/.exec(await docket(page).innerText())![1]);
  const before = await sittings();
  await page.getByRole('textbox', { name: 'Monday' }).fill('300');
  await expect.poll(sittings).toBeLessThan(before);
  await expect(page.getByRole('img', { name: 'Minutes of every sitting by kind of work' })).toBeVisible();
  await expect(page.getByRole('region', { name: 'The longest chain' })).toContainText('Photographs');
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Calendar file' }).click();
  const file = await download;
  expect(file.suggestedFilename()).toBe('pine-marten-sittings.ics');
  const path = join(mkdtempSync(join(tmpdir(), 'ics-')), 's.ics');
  await file.saveAs(path);
  const events = new ICAL.Component(ICAL.parse(readFileSync(path, 'utf8'))).getAllSubcomponents('vevent');
  expect(events).toHaveLength(await sittings());
  expect(events[0]!.getFirstPropertyValue('dtstart')!.toString()).toBe('2125-01-01');
  await accessible(page);
});

test('the bench book holds every step with needle, depth, caution and the charts', async ({ desk: page }) => {
  await openDemo(page);
  await page.keyboard.press('p');
  const download = page.waitForEvent('download');
  await page.getByRole('menuitem', { name: /Bench book/ }).click();
  const file = await download;
  expect(file.suggestedFilename()).toBe('pine-marten-bench-book.pdf');
  const pdf = join(mkdtempSync(join(tmpdir(), 'book-')), 'book.pdf');
  await file.saveAs(pdf);
  const text = execFileSync('pdftotext', ['-layout', pdf, '-']).toString();
  for (const words of [
    'bench book',
    'Sitting 1',
    'Take out:',
    '46 crown',
    'least',
    'most',
    'Needles counted',
    'face card',
    'lay chart',
    'Eyes on the point',
  ]) {
    expect(text).toContain(words);
  }
  expect(execFileSync('qpdf', ['--check', pdf]).toString()).toContain('No syntax or stream encoding errors');
});

test('done at the bench and in the list; an eye moved afterwards is said; starting over and keeping as it is', async ({
  desk: page,
}) => {
  await openDemo(page, 'Pine marten', 'bench');
  await (
    await beside(page, 'Steps and areas')
  )
    .getByRole('list', { name: 'Steps of this sitting' })
    .getByRole('button', { name: /Put photographs/ })
    .click();
  await expect(docket(page)).toContainText('Step 1');
  await page.getByRole('heading', { level: 1 }).click();
  await page.keyboard.press('Space');
  await expect(docket(page)).toContainText(/Step \d+/);
  await page.keyboard.press('6');
  const done = page.getByRole('region', { name: 'Done', exact: true });
  await expect(done).toContainText('Put photographs');
  await steps(page)
    .getByRole('button', { name: /One dot of glue/ })
    .click();
  await docket(page).getByRole('button', { name: 'Done', exact: true }).click();
  await expect(done).toContainText('One dot of glue');
  // What the eyes rest on is taken as done with them.
  await expect(done).toContainText('taken as done');
  await page.keyboard.press('4');
  const eye = page.getByRole('button', { name: /^Left eye, front/ });
  await eye.focus();
  await eye.press('ArrowUp');
  await page.keyboard.press('6');
  await room(page, 'Start over');
  await expect(docket(page)).toContainText('the place of the eyes');
  await expect(docket(page)).toContainText(/costs about/);
  await expect(page.getByRole('table', { name: 'Steps undone' })).toContainText('begun with');
  await accessible(page);
  await docket(page).getByRole('button', { name: 'Keep it as it is' }).click();
  await expect(docket(page)).not.toContainText('Planned otherwise');
  await docket(page).getByLabel('Why (kept in the log)').fill('One eye sat too high');
  await docket(page).getByRole('button', { name: 'Start over from here' }).click();
  await expect(page.getByRole('list', { name: 'Steps begun or done' })).not.toContainText('One dot of glue');
  await page.keyboard.press('Control+z');
  await saved(page);
  await expect(page.getByRole('list', { name: 'Steps begun or done' })).toContainText('One dot of glue');
});
