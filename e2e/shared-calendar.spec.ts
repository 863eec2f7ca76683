import { writeFileSync } from 'node:fs';
import type { CrewMember } from '@early-lantern/contract';
import { getPlan, ownJob } from './support/api.ts';
import { expect, test } from './support/test.ts';

test('a calendar taken along and read back as busy times keeps its person from being asked again', async ({
  page,
  request,
}, info) => {
  await ownJob(request, 'read-back');
  const calendar = await (await request.get('/api/v1/jobs/read-back/calendar.ics?person=sefa')).text();
  const path = info.outputPath('sefa.ics');
  // As somebody else's calendar: one's own plan read back blocks nothing.
  writeFileSync(path, calendar.replaceAll('@early-lantern', '@elsewhere'));
  await page.goto('/workshop/people');
  await page.getByLabel('Calendar of Sefa Quill').setInputFiles(path);
  await expect(page.getByText(/busy times of Sefa Quill read/)).toBeVisible();
  const busy = async () => {
    const { items } = (await (await request.get('/api/v1/crew')).json()) as { items: { data: CrewMember }[] };
    return items.find(({ data }) => data.id === 'sefa')?.data.busy ?? [];
  };
  await expect.poll(async () => (await busy()).length).toBeGreaterThan(5);
  const times = await busy();
  // The same day again: whatever she does now, it is not at those times.
  const plan = await getPlan(request, 'read-back');
  for (const { start, end, crew } of plan.tasks)
    if (crew.includes('sefa'))
      for (const { from, until } of times)
        expect(Date.parse(start) >= Date.parse(until) || Date.parse(end) <= Date.parse(from)).toBe(true);
  await page.getByRole('button', { name: 'Forget them' }).click();
  await expect.poll(async () => (await busy()).length).toBe(0);
});
