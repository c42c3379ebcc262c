/** What a change does is seen: figures that may be old, what they were, what is held; findings in one list; rows as chart, table, animal. */
import { accessible, chooseArea, docket, expect, figure, openDemo, settled, test } from './desk';

test('figures that a change may move are dimmed at once and no others; then they say what they were', async ({
  desk: page,
}) => {
  await openDemo(page, 'Pine marten', 'coat', { areaId: 'bib' });
  const was = await figure(page, 'pinches');
  // Looked at in the very frame after the change, before anything is worked out.
  const dimmed = page.evaluate(
    () =>
      new Promise<{ docket: boolean; others: string[]; said: boolean }>((tell) => {
        const field = document.querySelector<HTMLInputElement>('input[aria-label="Row spacing"]')!;
        field.addEventListener('input', () =>
          requestAnimationFrame(() => {
            const old = [...document.querySelectorAll('[data-old]')];
            tell({
              docket: old.some((e) => e.closest('section[aria-label="Docket"]')),
              others: old
                .filter((e) => e.closest('ul[aria-label="Areas"]'))
                .map((e) => e.closest('li')!.textContent!.slice(0, 30)),
              said: document.querySelector('[aria-busy="true"]') !== null,
            });
          }),
        );
      }),
  );
  await docket(page).getByRole('textbox', { name: 'Row spacing' }).fill('2.6');
  const seen = await dimmed;
  expect(seen.docket).toBe(true);
  expect(seen.said).toBe(true);
  expect(seen.others.length).toBe(1);
  expect(seen.others[0]).toMatch(/Throat bib/);
  await settled(page);
  await expect(page.locator('[data-old]')).toHaveCount(0);
  const now = await figure(page, 'pinches');
  expect(now).not.toBe(was);
  await expect(docket(page).locator('dl > div', { has: page.getByText('pinches', { exact: true }) })).toContainText(
    `was ${was}`,
  );
  await page.getByRole('button', { name: 'Undo' }).hover();
  await expect(page.getByRole('tooltip').filter({ hasText: /^Undo: row spacing of Throat bib/i })).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).click();
  await settled(page);
  await expect(docket(page).getByText(/^was /)).toHaveCount(0);
  await expect(page.getByRole('alert').filter({ hasText: /^Taken back: row spacing of Throat bib/i })).toBeVisible();
});

test('a picture is waited for from the moment it stands on the page, so that what is held has it', async ({
  desk: page,
}) => {
  await page.addInitScript(() => {
    // What it says of itself whenever it is painted, until it is drawn.
    const said: (string | null)[] = [];
    (window as unknown as { said: typeof said }).said = said;
    const look = () => {
      const p = document.querySelector('[data-picture]');
      if (p) said.push(p.getAttribute('aria-busy'));
      if (said.length < 30) requestAnimationFrame(look);
    };
    requestAnimationFrame(look);
  });
  await openDemo(page, 'Pine marten', 'coat', { areaId: 'bib' });
  await page.waitForFunction(() => (window as unknown as { said: unknown[] }).said.length > 0);
  expect(await page.evaluate(() => (window as unknown as { said: (string | null)[] }).said[0])).toBe('true');
  await page.getByRole('button', { name: 'Hold this' }).click();
  await expect(page.getByRole('figure')).toContainText('Held at');
});

test('a state is held, compared with, gone back to and let go', async ({ desk: page }) => {
  await openDemo(page, 'Pine marten', 'coat', { areaId: 'bib' });
  const was = await figure(page, 'pinches');
  await page.getByRole('button', { name: 'Hold this' }).click();
  await expect(page.getByRole('figure')).toContainText('Held at');
  for (const spacing of ['2.5', '4.5']) {
    await docket(page).getByRole('textbox', { name: 'Row spacing' }).fill(spacing);
    await settled(page);
  }
  const rows = docket(page).locator('dl > div', { has: page.getByText('pinches', { exact: true }) });
  await expect(rows).toContainText(`was ${was}`);
  await page.getByRole('heading', { name: 'Throat bib', exact: true }).click();
  await page.keyboard.press('Escape');
  await accessible(page);
  await page.getByRole('button', { name: 'Back to it' }).click();
  await settled(page);
  expect(await figure(page, 'pinches')).toBe(was);
  await page.getByRole('button', { name: 'Let go' }).click();
  await expect(page.getByRole('figure')).toHaveCount(0);
});

test('one list of findings: gone to, known with a reason, counted, opened again, back when it gets worse', async ({
  desk: page,
}) => {
  await openDemo(page, 'Pine marten', 'coat', { areaId: 'bib' });
  await docket(page).getByRole('textbox', { name: 'Row spacing' }).fill('6');
  await settled(page);
  const open = page.getByRole('button', { name: /^\d+ to decide$/ });
  const count = Number((await open.innerText()).split(' ')[0]);
  await page.getByRole('navigation', { name: 'Stages' }).getByRole('link', { name: /Log/ }).click();
  await open.click();
  const list = page.getByRole('dialog');
  await expect(list.getByRole('heading', { name: new RegExp(`^${count} to decide`) })).toBeVisible();
  await accessible(page);
  const shows = list.getByRole('article', { name: /base shows|Roots will show/ }).first();
  await shows.getByRole('button', { name: 'Go to Throat bib in Coat' }).click();
  await expect(page).toHaveURL(/\/coat$/);
  await settled(page);
  await expect(docket(page).getByRole('heading', { name: 'Throat bib' })).toBeVisible();
  const card = docket(page)
    .getByRole('article', { name: /base shows|Roots will show/ })
    .first();
  await card.getByRole('button', { name: 'I know' }).click();
  await page.keyboard.type('The belly is never seen');
  await page.keyboard.press('Enter');
  await expect(card).toHaveCount(0);
  await settled(page);
  expect(Number((await open.innerText()).split(' ')[0])).toBe(count - 1);
  await docket(page).getByRole('button', { name: 'One you know of' }).click();
  await expect(docket(page).getByText('You know of it: The belly is never seen')).toBeVisible();
  // Kept with the piece.
  await page.reload();
  await settled(page);
  expect(Number((await open.innerText()).split(' ')[0])).toBe(count - 1);
  // Worse than it was known: it is open again.
  await docket(page).getByRole('textbox', { name: 'Row spacing' }).fill('9');
  await settled(page);
  await expect(
    docket(page)
      .getByRole('article', { name: /base shows|Roots will show/ })
      .first(),
  ).toBeVisible();
});

test('a row is pressed on the chart, in the table, by key; chart and table show the same one', async ({
  desk: page,
}) => {
  await openDemo(page, 'Pine marten', 'coat', { areaId: 'bib' });
  const chart = page.getByRole('region', { name: 'Lay chart' });
  await chart.locator('[data-row="7"]').click({ force: true });
  await expect(chart.getByRole('img', { name: /row 7 in hand/ })).toBeVisible();
  await chart.getByRole('button', { name: 'table' }).click();
  const table = chart.getByRole('table');
  await expect(table.getByRole('button', { name: 'row 7', exact: true })).toHaveAttribute('aria-pressed', 'true');
  const cells = table.getByRole('row', { name: /row 7/ }).getByRole('cell');
  await expect(cells.first()).toHaveText(/mm$/);
  await table.getByRole('button', { name: 'row 9', exact: true }).press('Enter');
  await expect(table.getByRole('button', { name: 'row 9', exact: true })).toHaveAttribute('aria-pressed', 'true');
  await accessible(page);
  await chooseArea(page, 'Tail');
  await settled(page);
  await expect(table.locator('[aria-pressed="true"]')).toHaveCount(0);
});
