import type { Plan } from '@early-lantern/contract';
import { expect, type Page, test } from '@playwright/test';
import { backAfter, killServer } from './support/kill.ts';
import { drawName, logOf, more, openAs, phone, step, takeIn } from './support/on-site.ts';
import { type Stack, startStack } from './support/stack.ts';

let stack: Stack;
test.beforeAll(async () => {
  stack = await startStack();
  for (const id of ['ride', 'frame-first', 'late']) await takeIn(stack, '01-meadow-finish', id);
  await takeIn(stack, '02-engine-shed', 'ladders');
});
test.afterAll(() => stack.stop());

test('a whole day by two phones: one without a signal for half of it and killed, the server killed, let in late, a pop, a fault mended, signed, struck, gear home', async ({
  browser,
}) => {
  test.setTimeout(240_000);
  const get = async <T>(path: string) => (await (await fetch(`${stack.url}/api/v1${path}`)).json()) as T;
  const plan = await get<Plan>('/jobs/ride/plan');
  const all = plan.tasks.filter(({ crew }) => crew.length > 0);
  const labelOf = (id: string) => all.find((task) => task.id === id)?.label ?? '';
  const [wrens, ilos, desk] = [
    await phone(browser, stack),
    await phone(browser, stack),
    await phone(browser, stack),
  ];
  const wren = await wrens.newPage();
  await openAs(wren, 'ride', 'Wren Haddock');
  let ilo = await ilos.newPage();
  await openAs(ilo, 'ride', 'Ilo Marsh');
  const owner = await desk.newPage();
  await openAs(owner, 'ride', 'Wren Haddock');
  await owner.getByRole('tab', { name: 'Everybody' }).tap();
  const seenByOwner = (count: number) =>
    expect(owner.getByTestId('tasks-done')).toHaveText(new RegExp(`^${count} of `));
  let ticks = 0;
  const nowOf = async (page: Page) => {
    const now = page.getByTestId('task-now');
    return (await now.count()) > 0 ? now.innerText() : '';
  };
  let isSigned = false;
  /** The house signs on the glass for what it got: nothing is open then. */
  const sign = async (page: Page) => {
    await more(page, 'Sign-off');
    await expect(page.getByText('Still open')).toHaveCount(0);
    await page.getByLabel('Name of who signs').fill('Pia Holt, for the ride');
    await drawName(page);
    await page.getByRole('button', { name: 'Sign', exact: true }).tap();
    await expect(page.getByRole('region', { name: 'Signed by Pia Holt, for the ride' })).toBeVisible();
    await page.getByRole('tab', { name: 'Mine' }).tap();
    isSigned = true;
  };
  /** @returns whether a task was ticked */
  const works = async (page: Page, insists = true) => {
    if (!isSigned && (await nowOf(page)) === labelOf('sign-off')) {
      if ((await page.getByText('Waits for:').count()) > 0) return false;
      await sign(page);
    }
    const isTicked = await step(page, insists);
    if (isTicked) ticks += 1;
    return isTicked;
  };
  /** Each does what is next; what would come too early only where neither goes on otherwise. @returns whether anybody did anything */
  const bothWork = async () => {
    for (const insists of [false, true]) {
      const [one, other] = [await works(wren, insists), await works(ilo, insists)];
      if (one || other) return true;
    }
    return false;
  };

  await works(wren);
  await works(ilo);
  await seenByOwner(2);

  // The house opens half an hour later: the lead plans anew, and every phone follows.
  await wren.getByRole('tab', { name: 'Everybody' }).tap();
  await wren.getByRole('button', { name: 'Re-plan from now' }).tap();
  await wren.getByRole('button', { name: 'The house lets us in late' }).tap();
  await wren.getByRole('button', { name: /^In 90 min/ }).tap();
  await wren.getByRole('button', { name: 'Use this plan' }).tap();
  await wren.getByRole('tab', { name: 'Mine' }).tap();
  const mine = await ilo.getByTestId('task-now').innerText();
  const anew = (await logOf(stack, 'ride')).entries.flatMap(({ event }) =>
    event.kind === 'replanned' ? event.tasks : [],
  );
  const next = anew.find(({ task }) => labelOf(task).includes(mine));
  const clock = new Intl.DateTimeFormat('en-GB', { timeStyle: 'short', timeZone: plan.timeZone });
  await expect(ilo.getByText(`Planned ${clock.format(new Date(next?.start ?? ''))} to`)).toBeVisible();

  // Without a signal for half of the day what is ticked stays on the phone, also when the browser is killed.
  await ilos.setOffline(true);
  while (ticks < 8) if (!(await works(ilo))) break;
  await expect(ilo.getByRole('status').first()).toHaveText(/^offline, \d+ kept$/);
  await ilo.close();
  ilo = await ilos.newPage();
  await ilo.goto('/on-site/ride');
  await expect(ilo.getByText(/^Offline\. The plan is from/)).toBeVisible();
  await ilo.getByRole('button', { name: 'Popped' }).tap();
  await ilo.getByRole('button', { name: /^11 in\. Lagoon/ }).tap();
  await expect(ilo.getByRole('button', { name: '1 popped' })).toBeVisible();
  await ilo.getByRole('button', { name: 'Close' }).tap();
  // The server is killed in the middle of it: both go on, each by what it knows.
  await killServer(stack);
  let goesOn = true;
  while (goesOn && ticks < all.length / 2) goesOn = await bothWork();
  expect(await backAfter(stack.url)).toBeLessThan(30_000);
  await ilos.setOffline(false);
  for (const page of [wren, ilo]) await expect(page.getByRole('status').first()).toHaveText('all sent');

  // The rest of the set-up; stepping back somebody sees a fault, mends it, and the house signs.
  let isSeen = false;
  do {
    for (const looks of isSeen ? [] : [wren, ilo]) {
      if ((await nowOf(looks)) !== labelOf('step-back')) continue;
      isSeen = true;
      await more(looks, 'Look over the pieces');
      const garland = looks.getByRole('region', { name: 'Rope line garland' });
      await garland.getByRole('button', { name: 'Something else to mend' }).tap();
      await looks.getByRole('button', { name: 'A gap' }).tap();
      await expect(looks.getByText('To mend:')).toBeVisible();
      await looks.getByRole('tab', { name: 'Mine' }).tap();
      await expect(owner.locator('[data-task^="mend "]')).toContainText('A gap');
    }
  } while (await bothWork());
  expect([isSeen, isSigned]).toEqual([true, true]);
  for (const page of [wren, ilo]) await expect(page.getByText('All done')).toBeVisible();

  // Gear comes home: one thing is missing.
  await more(ilo, 'Gear back home');
  const open = ilo.getByTestId('gear-open');
  const gear = Number(/of (\d+)/.exec(await open.innerText())?.[1]);
  await ilo
    .getByRole('region', { name: /scissors/i })
    .getByRole('button', { name: 'Missing' })
    .tap();
  const notYet = ilo
    .getByRole('region')
    .filter({ hasNot: ilo.getByRole('button', { pressed: true }) })
    .getByRole('button', { name: 'Back', exact: true });
  for (let left = gear - 1; left > 0; left--) {
    await notYet.first().tap();
    await expect(open).toHaveText(left > 1 ? new RegExp(`^${left - 1} of`) : /^Everything is counted/);
  }
  await expect(open).toHaveText('Everything is counted, 1 missing');
  await expect(ilo.getByRole('region', { name: /scissors/i })).toContainText('Used last for: Unload');

  // Every tick is there once, also of what nobody had planned: a fault and a balloon that popped.
  for (const page of [wren, ilo]) await expect(page.getByRole('status').first()).toHaveText('all sent');
  const total = all.length + 2;
  await seenByOwner(total);
  await owner.goto('/on-site');
  await expect(owner.getByRole('link', { name: /: ride/ }).getByTestId('progress')).toHaveText(
    new RegExp(`^${total} of ${total} done · Ready `),
  );
  const { entries } = await logOf(stack, 'ride');
  expect(new Set(entries.map(({ id }) => id)).size).toBe(entries.length);
  const of = (kind: string) => entries.filter(({ event }) => event.kind === kind);
  expect(of('done')).toHaveLength(ticks);
  // Without a signal both tick what is for both: it is done once all the same.
  expect(new Set(of('done').map(({ event }) => 'task' in event && event.task)).size).toBe(total);
  expect(of('popped')).toMatchObject([{ by: 'ilo', event: { count: 1 } }]);
  expect(of('signed')).toMatchObject([{ event: { name: 'Pia Holt, for the ride', open: [] } }]);
  expect(of('gear')).toHaveLength(gear);
  // Planned against actual: one line for each task and person, with the times of whoever was on it.
  const csv = await (await fetch(`${stack.url}/api/v1/jobs/ride/record/tasks/csv`)).text();
  const done = csv.split('\r\n').filter((line) => /,\d{4}-[^,]*Z,\d{4}-[^,]*Z,[\d.]+,true,/.test(line));
  expect(new Set(done.map((line) => line.split(',')[0])).size).toBe(total);
  for (const context of [wrens, ilos, desk]) await context.close();
});

test('a tick taken back is open again on every phone; what does not go on is seen by all until it is solved; an unsafe ladder is not climbed', async ({
  browser,
}) => {
  const [wrens, ilos] = [await phone(browser, stack), await phone(browser, stack)];
  const [wren, ilo] = [await wrens.newPage(), await ilos.newPage()];
  // Opened for the first time where there is no signal: it says so, and goes on when there is one.
  await wren.goto('/on-site');
  const link = wren.getByRole('link', { name: /ladders/ });
  await expect(link).toBeVisible();
  await wren.evaluate(() => navigator.serviceWorker.ready);
  await wrens.setOffline(true);
  await link.tap();
  await expect(wren.getByRole('heading', { name: 'This job is not on this phone yet' })).toBeVisible();
  await wrens.setOffline(false);
  await openAs(wren, 'ladders', 'Wren Haddock');
  await openAs(ilo, 'ladders', 'Ilo Marsh');
  await ilo.getByRole('tab', { name: 'Everybody' }).tap();
  const last = await wren.getByTestId('task-now').innerText();
  expect(await step(wren, true)).toBe(true);
  await expect(ilo.getByTestId('tasks-done')).toHaveText(/^1 of /);
  await wren.getByRole('button', { name: 'Undo' }).tap();
  await expect(ilo.getByTestId('tasks-done')).toHaveText(/^0 of /);
  await expect(wren.getByTestId('task-now')).toHaveText(last);

  await wren.getByRole('button', { name: 'Stuck' }).tap();
  await wren.getByLabel('In your own words').fill('The trailer has a flat tyre');
  await wren.getByRole('button', { name: 'Send' }).tap();
  await expect(ilo.getByText('The trailer has a flat tyre')).toBeVisible();
  await ilo.getByRole('button', { name: 'Solved' }).tap();
  await expect(wren.getByText('The trailer has a flat tyre')).toHaveCount(0);

  // Everything of Ilo's but what needs the ladder is ticked; it is not safe, and the lead is told what cannot be done.
  const { tasks } = (await (await fetch(`${stack.url}/api/v1/jobs/ladders/plan`)).json()) as Plan;
  const climbs = 'beam-garland--hang';
  const others = tasks.filter(({ id, crew }) => crew.length > 0 && id !== climbs);
  const entries = others.map(({ id }, i) => ({
    id: (i + 1).toString(16).padStart(32, '0'),
    at: new Date().toISOString(),
    by: 'ilo',
    event: { kind: 'done', task: id },
  }));
  await fetch(`${stack.url}/api/v1/jobs/ladders/site-log`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ device: 'another', clockOffMs: 0, after: 0, entries }),
  });
  await expect(ilo.getByTestId('tasks-done')).toHaveText(new RegExp(`^${others.length} of `));
  const climber = tasks.find(({ id }) => id === climbs)?.crew.includes('ilo') ? ilo : wren;
  await climber.getByRole('tab', { name: 'Mine' }).tap();
  await expect(climber.getByRole('heading', { name: 'Check the ladder: Step ladder, 8 ft' })).toBeVisible();
  await expect(climber.getByRole('button', { name: 'Start', exact: true })).toHaveCount(0);
  await climber.getByRole('button', { name: 'Do not use it' }).tap();
  await expect(climber.getByRole('heading', { name: 'Do not use: Step ladder, 8 ft' })).toBeVisible();
  const lead = await wrens.newPage();
  await lead.goto('/on-site/ladders');
  await lead.getByRole('tab', { name: 'Everybody' }).tap();
  await lead.getByRole('button', { name: 'Re-plan from now' }).tap();
  await expect(lead.getByRole('alert').first()).toContainText(
    'It needs Step ladder, 8 ft, which is not here.',
  );
  await climber.getByRole('button', { name: 'We have another, and it is safe' }).tap();
  await expect(climber.getByRole('button', { name: /^(I have read this|Start)$/ })).toBeVisible();
  await lead.getByRole('button', { name: 'Is here now' }).tap();
  await expect(lead.getByText('which is not here')).toHaveCount(0);
  for (const context of [wrens, ilos]) await context.close();
});

test('layers before their frame are refused with the frame; a sign-off with work left open is asked about', async ({
  browser,
}) => {
  const context = await phone(browser, stack);
  const page = await context.newPage();
  await openAs(page, 'frame-first', 'Wren Haddock');
  await page.getByRole('tab', { name: 'Everybody' }).tap();
  const dialog = page.getByRole('dialog');
  await page.locator('[data-task="finish-arch--layers"]').tap();
  await expect(dialog).toContainText(/First.*Set the arch frame/s);
  await expect(dialog.getByRole('button', { name: 'Done all the same' })).toHaveCount(0);
  await dialog.getByRole('button', { name: 'Go back' }).tap();
  await page.locator('[data-task="finish-arch--frame"]').tap();
  await page.locator('[data-task="finish-arch--layers"]').tap();
  await expect(page.getByTestId('tasks-done')).toHaveText(/^2 of /);
  await page.locator('[data-task="sign-off"]').tap();
  await expect(dialog).toContainText('not done yet');
  await dialog.getByRole('button', { name: 'Done all the same' }).tap();
  await expect(page.getByTestId('tasks-done')).toHaveText(/^3 of /);
  await context.close();
});

/** Minutes after what was to spare, by words as `Ready 01:10, 2 h 05 too late`: past midnight as well. */
function lateMin(words: string): number {
  const [, hours = 0, minutes, way] = /(?:(\d+) h )?(\d+)(?: min)? (to spare|too late)/.exec(words) ?? [];
  return (way === 'to spare' ? -1 : 1) * (60 * Number(hours) + Number(minutes));
}

test('the house opens late and somebody is missing: the lead plans anew and leaves something out, and the other phone follows', async ({
  browser,
}) => {
  const [leads, helpers] = [await phone(browser, stack), await phone(browser, stack)];
  const lead = await leads.newPage();
  const helper = await helpers.newPage();
  await openAs(lead, 'late', 'Wren Haddock');
  await openAs(helper, 'late', 'Ilo Marsh');
  await helper.getByRole('tab', { name: 'Everybody' }).tap();
  const fill = helper.locator('[data-task="rope-garland--fill"]');
  await expect(fill).toBeVisible();
  await lead.getByRole('tab', { name: 'Everybody' }).tap();
  await lead.getByRole('button', { name: 'Re-plan from now' }).tap();
  const pushed = () => lead.getByText(/^As it goes now/).innerText();
  const ready = () => lead.getByTestId('replanned-ready').innerText();
  // With hands moved it is never later than as it goes: where the day runs behind, a little earlier.
  await expect(async () =>
    expect(lateMin(await ready())).toBeLessThanOrEqual(lateMin(await pushed())),
  ).toPass();
  const asPlanned = lateMin(await pushed());
  await lead.getByRole('button', { name: 'Somebody is missing' }).tap();
  await lead.getByRole('button', { name: 'Ilo Marsh' }).tap();
  await expect(lead.getByText('Ilo is missing')).toBeVisible();
  await expect.poll(async () => lateMin(await pushed())).toBeGreaterThan(asPlanned);
  const alone = await lead.getByTestId('replanned-ready').innerText();
  await lead.getByRole('checkbox', { name: /^Close gaps with 42 trios/ }).tap();
  await expect(lead.getByTestId('replanned-ready')).not.toHaveText(alone);
  await lead.getByRole('button', { name: 'Use this plan' }).tap();

  await expect(fill).toHaveCount(0);
  await expect(helper.locator('[data-task="sign-off"]')).toContainText('Wren');
  await helper.getByRole('tab', { name: 'Mine' }).tap();
  await expect(helper.getByText('Nothing is yours here')).toBeVisible();
  // Here after all.
  await lead.getByRole('button', { name: 'Re-plan from now' }).tap();
  await lead.getByRole('button', { name: 'Is here now' }).tap();
  await expect(lead.getByText('Ilo is missing')).toHaveCount(0);
  await lead.getByRole('button', { name: 'Go back' }).tap();
  // Practised on one phone: rain before doors, and what it does to the day; nobody else hears of it.
  await more(lead, 'Wind');
  await lead.getByRole('button', { name: 'Practise with made-up weather' }).tap();
  await lead.getByRole('button', { name: 'Storm' }).tap();
  const practice = lead.getByRole('region', { name: 'Practice' });
  const hour = practice.getByTestId('practice-hour');
  await expect(hour).toBeVisible();
  // Towards the evening a rain may delay nothing more: how much it delays is reckoned in the core's tests.
  const rain = practice
    .getByRole('alert')
    .filter({ hasText: /Rain like this until \d\d:\d\d( delays nothing|: .*(to spare|too late)$)/ });
  while ((await rain.count()) === 0) {
    const before = await hour.innerText();
    await practice.getByRole('button', { name: 'An hour later' }).tap({ timeout: 5_000 });
    await expect(hour).not.toHaveText(before);
  }
  await practice.getByRole('button', { name: 'End the practice' }).tap();
  await expect(helper.getByRole('alert')).toHaveCount(0);
  await leads.close();
  await helpers.close();
});
