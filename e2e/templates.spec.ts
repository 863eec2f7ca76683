import type { TemplateRow } from '@early-lantern/contract';
import { addPiece, jobAtNewPlace } from './support/new-place.ts';
import { expect, test } from './support/test.ts';

// Other journeys choose by what a piece is called.
test.afterEach(async ({ request }) => {
  const rows = (await (await request.get('/api/v1/templates')).json()) as TemplateRow[];
  for (const { data, revision } of rows)
    await request.delete(`/api/v1/templates/${data.id}?revision=${revision}`);
});

test('a piece and a whole job are kept as templates, and begin others at another place', async ({ page }) => {
  await page.goto('/jobs/meadow-finish/pieces');
  const piece = page.getByLabel('Piece', { exact: true });
  const kept = await piece.inputValue();
  await page.getByRole('button', { name: `Save ${kept} as a template` }).click();
  await expect(page.getByText(`“${kept}” saved as a template`)).toBeVisible();

  await page.goto('/');
  const card = page.getByRole('article', { name: /finish/i }).first();
  const name = (await card.getAttribute('aria-label')) ?? '';
  await card.getByRole('button', { name: /More/ }).click();
  await page.getByRole('menuitem', { name: 'Save as template' }).click();
  await expect(page.getByText(`“${name}” saved as a template`)).toBeVisible();

  // A piece of it, in a job that had nothing of it.
  await jobAtNewPlace(page, {
    job: 'Lock gate supper',
    place: 'Upper lock',
    where: 'Indoors',
    kind: 'wall',
    width: '20 ft',
    height: '10 ft',
    floor: 'carpet',
    access: '1 Lock Row, by the side door',
    week: 5,
  });
  await addPiece(page, /packed column/i);
  await page.getByRole('button', { name: 'Add a piece' }).first().click();
  const templates = page.getByRole('region', { name: 'Templates' });
  await templates.getByRole('button', { name: new RegExp(kept) }).click();
  await expect(piece).toHaveValue(kept);
  await expect(page.locator('[data-save]')).toHaveText('Saved');

  // All of it, about other doors.
  await page.goto('/');
  await page.getByRole('button', { name: 'New job' }).first().click();
  await page.getByLabel('Job name').fill('Finish line, next year');
  await page.getByLabel('Start from').click();
  await page.getByRole('option', { name, exact: true }).click();
  await page.getByLabel('Site').click();
  await page.getByRole('option', { name: 'Upper lock' }).click();
  await page.getByRole('button', { name: 'Create' }).click();
  await expect(page.getByRole('heading', { name: 'Finish line, next year' })).toBeVisible();
  const model = (await (await page.request.get('/api/v1/jobs/meadow-finish')).json()) as {
    pieces: unknown[];
  };
  const id = new URL(page.url()).pathname.split('/')[2];
  const made = (await (await page.request.get(`/api/v1/jobs/${id}`)).json()) as { pieces: unknown[] };
  expect(made.pieces).toHaveLength(model.pieces.length);

  await page.goto('/workshop/ways');
  await page.getByLabel(`Name of the template ${kept}`).fill('Our garland');
  await page.keyboard.press('Enter');
  await page.getByRole('button', { name: 'Delete the template Our garland' }).click();
  await expect(page.getByText('Template “Our garland” deleted.')).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByLabel('Name of the template Our garland')).toBeVisible();
});
