import { readdir, readFile } from 'node:fs/promises';
import { join } from 'node:path';
import type { Backups } from '@early-lantern/contract';
import { expect, test } from './support/test.ts';

test('the workshop says how old the last backup is; one more is made with a press, whole and in its folder', async ({
  page,
  request,
}) => {
  await page.goto('/workshop');
  const panel = page.getByRole('region', { name: 'Backup' });
  await panel.getByRole('button', { name: 'Back up now' }).click();
  await expect(panel.getByTestId('backup-age')).toContainText('Last backup just now');
  const { folder, items }: Backups = await (await request.get('/api/v1/backups')).json();
  const [newest] = items;
  await expect(panel.getByRole('listitem').first()).toContainText(`${newest?.jobs} jobs`);
  expect(await readdir(folder)).toContain(newest?.file);
  // PostgreSQL's custom format begins with its name.
  const content = await readFile(join(folder, newest?.file as string));
  expect(content.subarray(0, 5).toString()).toBe('PGDMP');
  expect(content.length).toBe(newest?.bytes);
  // Whoever was signed out since must not come back with it.
  const parts = content.toString('latin1');
  expect(parts).toContain('COPY public.jobs (');
  expect(parts).toContain('COPY public.accounts (');
  expect(parts).not.toContain('COPY public.sessions (');
});
