import type { JobRow, Plan } from '@early-lantern/contract';
import { type APIRequestContext, expect, type Page } from '@playwright/test';
import { DateTime } from 'luxon';
import { getJob, getPlan } from './api.ts';

interface NewPlace {
  job: string;
  place: string;
  where: 'Indoors' | 'Outdoors';
  kind: string;
  width: string;
  height: string;
  floor: string;
  access: string;
  /** Weeks after the Saturday that is offered: of that day's gear no other journey's job holds any. */
  week: number;
}

/** The Saturday so many weeks after the next one, as it is typed. */
function saturday(week: number): string {
  const now = DateTime.now().setZone('America/Chicago');
  return now.plus({ days: (6 - now.weekday + 7) % 7 || 7, weeks: week }).toFormat('ddMMMyyyy');
}

/** A job at a place that nobody has seen before, made in the browser from nothing. */
export async function jobAtNewPlace(page: Page, asked: NewPlace): Promise<string> {
  await page.goto('/');
  await page.getByRole('button', { name: 'New job' }).first().click();
  const dialog = page.getByRole('dialog');
  await dialog.getByLabel('Job name').fill(asked.job);
  // Enter would make the job at once.
  await typeTime(page, 'Doors', `${saturday(asked.week)}1800`, 'Tab');
  await dialog.getByRole('combobox', { name: 'Site' }).click();
  await page.getByRole('option', { name: 'A new place…' }).click();
  await dialog.getByRole('button', { name: 'Next: the place' }).click();
  await dialog.getByLabel('Place').fill(asked.place);
  await dialog.getByLabel(asked.where, { exact: true }).check();
  await dialog.getByRole('combobox', { name: 'What kind of spot' }).click();
  await page.getByRole('option', { name: asked.kind, exact: true }).click();
  await dialog.getByLabel('Width').fill(asked.width);
  await dialog.getByLabel('Height').fill(asked.height);
  await dialog.getByRole('combobox', { name: 'Floor' }).click();
  await page.getByRole('option', { name: asked.floor, exact: true }).click();
  await dialog.getByRole('button', { name: 'nothing of these' }).click();
  await dialog.getByLabel('Address, way in, who opens').fill(asked.access);
  await dialog.getByRole('button', { name: 'Create' }).click();
  await page.waitForURL(/pieces$/);
  return page.url().split('/').at(-2) as string;
}

export async function addPiece(page: Page, kind: RegExp): Promise<void> {
  await page.getByRole('button', { name: 'Add a piece' }).first().click();
  await page.getByRole('dialog').getByRole('button', { name: kind }).click();
  await expect(page.getByTestId('piece-counts')).toContainText('balloons');
}

/** The page of the job's place. */
export async function openPlace(page: Page, request: APIRequestContext, jobId: string): Promise<void> {
  const { data }: JobRow = await getJob(request, jobId);
  await page.goto(`/sites/${data.siteId}`);
}

/** Lengths typed one after the other, each taken with Enter. */
export async function typeLengths(page: Page, lengths: Record<string, string>): Promise<void> {
  for (const [label, text] of Object.entries(lengths)) {
    const field = page.getByLabel(label, { exact: true }).first();
    await field.fill(text);
    await field.press('Enter');
    await expect(field).not.toHaveValue(text);
  }
}

/** A day and time typed into a field of the brief. */
export async function typeTime(
  page: Page,
  label: string,
  text: string,
  done: 'Enter' | 'Tab' = 'Enter',
): Promise<void> {
  await page
    .getByRole('group', { name: label, exact: true })
    .getByRole('spinbutton', { name: 'Day' })
    .click();
  await page.keyboard.type(text);
  await page.keyboard.press(done);
}

/** The job's plan as soon as it is as asked. */
export async function planWhere(
  request: APIRequestContext,
  jobId: string,
  isSo: (plan: Plan) => boolean,
): Promise<Plan> {
  await expect.poll(async () => isSo(await getPlan(request, jobId))).toBe(true);
  return getPlan(request, jobId);
}

/** The run sheet as text. */
export async function sheetText(page: Page, jobId: string): Promise<string> {
  await page.goto(`/jobs/${jobId}/run-sheet`);
  await expect(page.getByText('Walk round and sign off with the house')).toBeVisible();
  return page.locator('.sheet').innerText();
}
