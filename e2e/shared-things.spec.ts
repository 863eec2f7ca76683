import { changeWorkshop, firstLine, getJob, getPlan, ownJob } from './support/api.ts';
import { expect, test } from './support/test.ts';

test('what is counted on the shelf lights the lamp, and is kept', async ({ page, request }) => {
  await ownJob(request, 'shelf');
  // Plenty of everything but brick, whatever other jobs hold.
  await changeWorkshop(request, ({ stock, materials = [] }) => ({
    stock: stock.map((row) => ({ ...row, onHand: row.colour === 'brick' ? 3 : 3000 })),
    materials: materials.map((row) => ({ ...row, onHand: 3000 })),
  }));
  await page.goto('/jobs/shelf/counts');
  await expect(page.getByRole('button', { name: /^Enough ?: out/ })).toBeVisible();
  for (const row of (await getPlan(request, 'shelf')).totals.balloons.filter(
    (one) => one.colour === 'brick',
  )) {
    const field = page.getByLabel(`${row.nominalIn} in. Brick on the shelf`);
    await field.fill('3000');
    // One after the other, as fast as a person tabs: each is saved on top of the one before.
    await field.press('Tab');
  }
  await expect(page.getByRole('button', { name: /^Enough ?: lit/ })).toBeVisible();
  await expect.poll(async () => (await getPlan(request, 'shelf')).lamps.enough.state).toBe('lit');
});

test('people, hours and rates of the workshop move the clock of a job', async ({ page, request }) => {
  await ownJob(request, 'pace');
  const bench = async () => (await getPlan(request, 'pace')).pieces[0]?.benchMin ?? 0;
  const before = await bench();
  await page.goto('/workshop/advanced');
  const usual = page.getByLabel('Inflate and tie, 16 to 19 in., slow');
  await usual.fill('10');
  await usual.press('Enter');
  await expect(page.getByText('quick ≤ usual ≤ slow')).toBeVisible();
  await usual.fill('500');
  await usual.press('Enter');
  await expect.poll(bench).toBeGreaterThan(before);
  await page.getByRole('button', { name: 'Reset' }).click();
  await expect.poll(bench).toBe(before);

  await page.getByRole('link', { name: 'People' }).click();
  // Somebody quicker: what they do takes less, and says so. The second of the crew is Ilo, who is on the job.
  const pace = page.getByLabel('Pace, % of usual').nth(1);
  await pace.fill('900');
  await pace.press('Enter');
  await expect(page.getByText('A whole number from 40 to 200')).toBeVisible();
  const isPaced = async () =>
    (await getPlan(request, 'pace')).tasks.some(
      ({ crew, working }) =>
        crew.includes('ilo') && working.some(({ label }) => label === 'Pace of those who do it'),
    );
  for (const percent of ['200', '100']) {
    await pace.fill(percent);
    await pace.press('Enter');
    await expect.poll(isPaced).toBe(percent === '200');
  }

  await page.getByRole('button', { name: 'Add a person' }).click();
  // Held by hand: its value is what finds it, and what changes.
  const name = await page.waitForSelector('input[value="New person"]');
  await name.fill('Tamsin Weir');
  await name.press('Enter');
  // A page left by its address takes back what is on its way.
  await expect.poll(async () => (await request.get('/api/v1/crew')).text()).toContain('Tamsin Weir');
  await page.goto('/jobs/pace/brief');
  await page.getByRole('button', { name: 'Tamsin Weir' }).click();
  await expect(page.locator('[data-save]')).toHaveText('Saved');
  expect((await getJob(request, 'pace')).data.crew).toHaveLength(4);

  await page.goto('/workshop/people');
  await page.getByRole('button', { name: 'Delete Tamsin Weir' }).click();
  await expect(page.getByText(/Not deleted.*Shed pace/)).toBeVisible();
  // Archived: the job that she is on keeps her, others are not offered her.
  await page.getByRole('button', { name: 'Archive Tamsin Weir' }).click();
  await expect(page.getByRole('button', { name: 'Bring back Tamsin Weir' })).toBeVisible();
  await page.goto('/jobs/pace/brief');
  await expect(page.getByRole('button', { name: 'Tamsin Weir' })).toBeVisible();
  await page.goto('/jobs/meadow-finish/brief');
  await expect(page.getByRole('button', { name: /Ilo Marsh/ })).toBeVisible();
  await expect(page.getByRole('button', { name: 'Tamsin Weir' })).toHaveCount(0);
});

test('a site changed is seen by its jobs, which say what changed; a spot in use stays', async ({
  page,
  request,
}) => {
  const before = await ownJob(request, 'place');
  const site = (await (await request.get('/api/v1/sites/engine-shed')).json()).data;
  await request.put('/api/v1/jobs/place', {
    data: { revision: before.revision, data: { ...before.data, siteSeen: site } },
  });
  await page.goto('/sites');
  await page.getByRole('link', { name: 'The Old Engine Shed, Lock Street' }).click();
  const drive = page.getByLabel('Drive, minutes');
  await drive.fill('many');
  await drive.press('Enter');
  await expect(page.getByText('A whole number from 0 to 720')).toBeVisible();
  await drive.fill('55');
  await drive.press('Enter');
  await expect
    .poll(async () => {
      const task = (await getPlan(request, 'place')).tasks.find((one) => one.id === 'drive-out');
      return task && (Date.parse(task.end) - Date.parse(task.start)) / 60_000;
    })
    .toBe(55);
  await page.getByRole('tab', { name: 'Podium front' }).click();
  await page.getByRole('button', { name: 'Delete Podium front' }).click();
  await expect(page.getByText(/Not kept\..*podium/)).toBeVisible();
  await expect(page.getByRole('tab', { name: 'Podium front' })).toBeVisible();

  await page.goto('/jobs/place/pieces');
  const note = page.getByText(
    'The place was changed since this job was planned: minutes to drive: was 15, is 55',
  );
  await expect(note).toBeVisible();
  await page.getByRole('button', { name: 'Noted' }).click();
  await expect(note).toBeHidden();
  await expect(page.locator('[data-save]')).toHaveText('Saved');
  expect((await getJob(request, 'place')).data.siteSeen?.driveMin).toBe(55);
});

test('doors moved to another day: what would move with them is asked about', async ({ page, request }) => {
  const before = await ownJob(request, 'moved');
  await page.goto('/jobs/moved/brief');
  const doors = page.getByRole('group', { name: 'Doors' });
  await doors.getByRole('spinbutton', { name: 'Year' }).click();
  await page.keyboard.press('ArrowUp');
  await page.keyboard.press('Tab');
  await page.getByRole('heading', { name: 'The crew' }).click();
  // Access and strike are the house's: what would move is said, and asked about.
  const dialog = page.getByRole('dialog', { name: 'Move access and strike too?' });
  await dialog.getByRole('button', { name: 'Leave everything as it is' }).click();
  expect((await getJob(request, 'moved')).data).toEqual(before.data);
  await doors.getByRole('spinbutton', { name: 'Year' }).click();
  await page.keyboard.press('ArrowUp');
  await page.keyboard.press('Tab');
  await page.getByRole('heading', { name: 'The crew' }).click();
  await dialog.getByRole('button', { name: 'Move them along' }).click();
  await expect.poll(async () => (await getJob(request, 'moved')).revision).toBeGreaterThan(before.revision);
  await expect(page.locator('[data-save]')).toHaveText('Saved');
  const after = (await getJob(request, 'moved')).data;
  expect(new Date(after.doors).getFullYear()).toBe(new Date(before.data.doors).getFullYear() + 1);
  expect(Date.parse(after.doors) - Date.parse(after.access.from)).toBe(
    Date.parse(before.data.doors) - Date.parse(before.data.access.from),
  );
});

test('the line is drawn with a finger, in metric, and the units stay chosen', async ({
  browser,
  baseURL,
  request,
}) => {
  const before = await ownJob(request, 'finger');
  const context = await browser.newContext({
    baseURL,
    hasTouch: true,
    viewport: { width: 390, height: 844 },
  });
  const page = await context.newPage();
  await page.goto('/jobs/finger/pieces');
  // On a phone the units are changed by the palette.
  await page.getByRole('button', { name: 'find or do anything' }).click();
  await page.keyboard.type('metric');
  await page.keyboard.press('Enter');
  await expect(page.getByLabel('Length', { exact: true })).toHaveValue(/^\d\.\d+ m$/);
  const point = page.getByRole('button', { name: /^Point 1 of 5, thick end/ });
  await point.scrollIntoViewIfNeeded();
  const box = (await point.boundingBox()) as { x: number; y: number; width: number; height: number };
  const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
  const session = await context.newCDPSession(page);
  const touch = (type: 'touchStart' | 'touchMove' | 'touchEnd', dx: number, dy: number) =>
    session.send('Input.dispatchTouchEvent', {
      type,
      touchPoints: type === 'touchEnd' ? [] : [{ x: x + dx, y: y + dy }],
    });
  await touch('touchStart', 0, 0);
  for (const step of [8, 16, 24, 32]) await touch('touchMove', step, -step);
  await touch('touchEnd', 0, 0);
  await expect(page.locator('[data-save]')).toHaveText('Saved');
  const [start] = firstLine(before);
  const kept = async () => firstLine(await getJob(request, 'finger'))[0];
  await expect.poll(async () => (await kept())?.xM).toBeGreaterThan(start?.xM ?? 0);
  await expect.poll(async () => (await kept())?.yM).toBeGreaterThan(start?.yM ?? 0);
  await page.reload();
  await expect(page.getByLabel('Length', { exact: true })).toHaveValue(/ m$/);
  await context.close();
});

test('a duplicate stands a week later; a job that is not there says so and loses nothing', async ({
  page,
  request,
}) => {
  const job = await ownJob(request, 'twice');
  await page.goto('/');
  await page.getByRole('button', { name: 'More about Shed twice' }).click();
  await page.getByRole('menuitem', { name: 'Duplicate' }).click();
  await expect(page.getByRole('heading', { level: 1, name: 'Shed twice (copy)' })).toBeVisible();
  const copy = await getJob(request, page.url().split('/').at(-2) as string);
  expect(Date.parse(copy.data.doors) - Date.parse(job.data.doors)).toBe(7 * 86_400_000);
  expect(copy.pieces.map((piece) => piece.data)).toEqual(job.pieces.map((piece) => piece.data));
  await page.goto('/jobs/never-was/clock');
  await expect(page.getByRole('heading', { level: 1, name: 'Not here' })).toBeVisible();
  await expect(page.getByText('Nothing was lost')).toBeVisible();
});

test('with no answer from the server a page says so, keeps what it has read, and goes on by itself when it answers', async ({
  page,
  request,
}) => {
  let asked = 0;
  const goAway = () =>
    page.route('**/api/v1/workshop', (route) => {
      asked += 1;
      return route.fulfill({
        status: 503,
        contentType: 'application/problem+json',
        body: '{"type":"about:blank","title":"Down","status":503,"detail":"The database is away."}',
      });
    });
  const heading = (name: string) => page.getByRole('heading', { level: 1, name });
  const note = page.getByText('What you see may be out of date');
  await goAway();
  await page.goto('/workshop');
  await expect(note).toBeVisible();
  await expect(heading('The server does not answer')).toBeVisible();
  await expect(page.getByText('The database is away.')).toBeVisible();
  await page.unrouteAll();
  await expect(heading('Workshop')).toBeVisible();

  asked = 0;
  await goAway();
  // Somebody saves it; read anew until no answer is taken for none, the page stands as it was read before.
  await changeWorkshop(request, () => ({}));
  await expect.poll(() => asked).toBeGreaterThanOrEqual(4);
  await expect(note).toBeVisible();
  await expect(heading('Workshop')).toBeVisible();
  await page.unrouteAll();
  await expect(note).toHaveCount(0);
});
