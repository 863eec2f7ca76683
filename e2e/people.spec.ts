import { readFile } from 'node:fs/promises';
import { get } from 'node:https';
import { join } from 'node:path';
import type { TLSSocket } from 'node:tls';
import { type Browser, type BrowserContextOptions, expect, type Page, test } from '@playwright/test';
import { lantern, type Stack, startStack } from './support/stack.ts';

const password = 'four lanterns in a row';
const phone: BrowserContextOptions = {
  viewport: { width: 390, height: 844 },
  hasTouch: true,
  isMobile: true,
};

let stack: Stack;
test.beforeAll(async () => {
  stack = await startStack();
});
test.afterAll(() => stack.stop());

/** A device of its own: nobody else's cookies. */
const device = async (browser: Browser, options: BrowserContextOptions = {}): Promise<Page> =>
  (await browser.newContext({ baseURL: stack.url, ...options })).newPage();

const handedLink = async (page: Page): Promise<string> => {
  const link = await page.getByLabel('Link to hand on').inputValue();
  await page.getByRole('button', { name: 'Done' }).click();
  return link;
};

test('the owner sets a password and lets a lead, a helper with a PIN and a client in: each does what is theirs, and no more', async ({
  browser,
}) => {
  test.setTimeout(150_000);
  const owner = await device(browser);
  await owner.goto('/workshop/access');
  await owner.getByLabel('Your name').fill('Ode Farrow');
  await owner.getByLabel('Password', { exact: true }).fill('short');
  await owner.getByRole('button', { name: 'Set the password' }).click();
  await expect(owner.getByText('needs at least 12 characters')).toBeVisible();
  await owner.getByLabel('Password', { exact: true }).fill(password);
  await owner.getByRole('button', { name: 'Set the password' }).click();
  await expect(owner.getByRole('group', { name: 'Ode Farrow' })).toContainText('signed in on 1 device');

  // From now on nobody comes in without: what was asked for is there after signing in.
  const stranger = await device(browser);
  await stranger.goto('/jobs/meadow-finish/brief');
  await stranger.getByLabel('Your name').fill('ode farrow');
  await stranger.getByLabel('Password', { exact: true }).fill('a wrong password');
  await stranger.getByRole('button', { name: 'Sign in' }).click();
  await expect(stranger.getByRole('alert')).toHaveText('Name or password is wrong.');
  await stranger.getByLabel('Password', { exact: true }).fill(password);
  await stranger.getByRole('button', { name: 'Sign in' }).click();
  await expect(stranger.getByLabel('Notes for the crew')).toBeVisible();

  await owner.getByLabel('Name', { exact: true }).fill('Mira Lind');
  await owner.getByLabel('Role', { exact: true }).click();
  await owner.getByRole('option', { name: 'Lead' }).click();
  await owner.getByRole('button', { name: 'Make a link' }).click();
  const invitation = await handedLink(owner);
  await owner.getByLabel('Name', { exact: true }).fill('Tom Quill');
  await owner.getByRole('button', { name: 'Make a link' }).click();
  await handedLink(owner);

  // The lead plans; the crew's pay and the workshop are not theirs.
  const lead = await device(browser, phone);
  await lead.goto(invitation);
  await expect(lead.getByRole('heading', { level: 1 })).toHaveText('Welcome, Mira Lind');
  await lead.getByLabel('Choose a password').fill(password);
  await lead.getByRole('button', { name: 'Save and sign in' }).click();
  await expect(lead.getByRole('heading', { name: 'Horizon' })).toBeVisible();
  await lead.goto('/jobs/meadow-finish/brief');
  await lead.getByLabel('Notes for the crew').fill('The lead says: gate code 4040');
  await expect(lead.locator('[data-save]')).toHaveText('Saved');
  const crew = await lead.request.get('/api/v1/crew');
  expect(await crew.text()).not.toContain('wage');
  await lead.goto('/workshop/people');
  await expect(lead.getByRole('region', { name: 'Who may come in' })).toBeVisible();
  await expect(lead.getByRole('link', { name: 'Gear' })).toHaveCount(0);

  // A link of the job for the venue, by the lead.
  await lead.goto('/jobs/meadow-finish/brief');
  await lead.getByLabel('Who it is for').fill('Pia Holt, the farm');
  await lead.getByRole('button', { name: 'Make a link' }).click();
  const look = await handedLink(lead);

  // The lead's phone becomes the van's: the helper gets a PIN, and the lead is signed out on it.
  await lead.goto('/workshop/access');
  await lead.getByRole('group', { name: 'Tom Quill' }).getByRole('button', { name: 'Set a PIN' }).click();
  await lead.getByLabel('PIN', { exact: true }).fill('4711');
  await lead.getByRole('button', { name: 'Set', exact: true }).click();
  await expect(lead.getByRole('group', { name: 'Tom Quill' })).toContainText('PIN');
  await lead.getByLabel('Name of this device').fill('Van phone');
  await lead.getByRole('button', { name: 'Share this device' }).click();
  await lead.getByRole('button', { name: 'Tom Quill' }).click();
  for (const digit of ['4', '7', '1', '2'])
    await lead.getByRole('button', { name: digit, exact: true }).click();
  await lead.getByRole('button', { name: 'Sign in', exact: true }).click();
  await expect(lead.getByRole('alert')).toHaveText('That PIN is wrong.');
  for (const digit of ['4', '7', '1', '1'])
    await lead.getByRole('button', { name: digit, exact: true }).click();
  await lead.getByRole('button', { name: 'Sign in', exact: true }).click();
  const helper = lead;
  await expect(helper.getByRole('button', { name: 'Signed in as Tom Quill' })).toBeVisible();
  await helper.goto('/jobs/meadow-finish/brief');
  await expect(helper.locator('[data-save]')).toHaveText('View only');
  await helper.getByLabel('Notes for the crew').fill('The helper was here');
  await expect(helper.getByText('You can view this job, not change it.')).toBeVisible();
  await helper.goto('/jobs/meadow-finish/load?view=list');
  const tick = helper.locator('[data-packing]').first();
  await tick.click();
  await expect(helper.getByTestId('packed')).toContainText('1 of');
  await helper.reload();
  await expect(tick).toHaveAttribute('aria-checked', 'true');

  // The owner sees all of it, and who wrote what.
  await owner.goto('/jobs/meadow-finish/brief');
  await expect(owner.getByLabel('Notes for the crew')).toHaveValue('The lead says: gate code 4040');
  await owner.getByRole('button', { name: 'Earlier versions' }).click();
  await expect(owner.getByRole('dialog')).toContainText('changed by Mira Lind');
  await owner.keyboard.press('Escape');

  // The venue sees this job alone, and signs.
  const venue = await device(browser, phone);
  await venue.goto(look);
  await expect(venue.getByRole('heading', { level: 1 })).toHaveText('Finish line, charity ride');
  await expect(venue.getByText('Crew arrives')).toBeVisible();
  expect(await venue.evaluate(() => document.body.innerText)).not.toContain('Mira');
  await venue.getByLabel('Your name').fill('Pia Holt');
  await venue.getByLabel('Remarks').fill('Left pole a hand further in');
  await venue.getByRole('button', { name: 'Sign off' }).click();
  await expect(venue.getByText('Signed by Pia Holt')).toBeVisible();
  expect((await venue.request.get('/api/v1/jobs')).status()).toBe(401);
  await expect(owner.getByRole('region', { name: 'For the client and the venue' })).toContainText(
    'signed off by Pia Holt',
  );

  // Somebody let in no more is out at once, with the page open.
  await owner.goto('/workshop/access');
  await owner.getByRole('button', { name: 'Remove Tom Quill' }).click();
  await expect(owner.getByRole('group', { name: 'Tom Quill' })).toHaveCount(0);
  await expect(helper.getByLabel('Your name')).toBeVisible();
  // Without reception something is typed, and meanwhile the owner signs out everywhere.
  await stranger.context().setOffline(true);
  await stranger.getByLabel('Notes for the crew').fill('Typed while signed out');
  await expect(stranger.locator('[data-save]')).toContainText('kept on this device');
  await owner.getByRole('button', { name: 'Signed in as Ode Farrow' }).click();
  await owner.getByRole('menuitem', { name: 'Sign out on all devices' }).click();
  await expect(owner.getByRole('button', { name: 'Sign in', exact: true })).toBeVisible();
  await stranger.context().setOffline(false);
  await stranger.getByLabel('Your name').fill('Ode Farrow');
  await stranger.getByLabel('Password', { exact: true }).fill(password);
  await stranger.getByRole('button', { name: 'Sign in' }).click();
  // Nothing that was typed is lost.
  await expect(stranger.getByLabel('Notes for the crew')).toHaveValue('Typed while signed out');
  await expect(stranger.locator('[data-save]')).toHaveText('Saved');
});

test('a second workshop shares the installation: its owner comes in by the printed link, and neither sees the other', async ({
  browser,
}) => {
  const made = (await lantern(stack.dataDir, 'workshop', 'add', 'Weir Lane Décor')).output;
  const owner = await device(browser);
  await owner.goto(/http:\S+\/join#[\w.-]+/.exec(made)?.[0] ?? '');
  await owner.getByLabel('Choose a password').fill(password);
  await owner.getByRole('button', { name: 'Save and sign in' }).click();
  await owner.getByLabel('Name of the workshop').fill('Weir Lane Décor');
  await owner.getByLabel('Who leads').fill('Pim Sallow');
  await owner.getByLabel('Who drives').fill('Ash Tolland');
  await owner.getByRole('button', { name: 'Begin' }).click();
  await expect(owner.getByRole('button', { name: 'New job' }).first()).toBeVisible();
  await expect(owner.getByText('Meadow Finish')).toHaveCount(0);
  await owner.goto('/jobs/meadow-finish/brief');
  await expect(
    owner.getByText('There is no job').or(owner.getByText('no job "meadow-finish"')),
  ).toBeVisible();
  await owner.getByRole('button', { name: /Signed in as/ }).click();
  await owner.getByRole('menuitem', { name: 'Sign out', exact: true }).click();
  // This device knows where it was; another is told no names, and says it.
  await expect(owner.getByLabel('Workshop')).toHaveValue('weir-lane-decor');
  const other = await device(browser);
  await other.goto('/');
  await expect(other.getByRole('heading', { name: 'Sign in' })).toBeVisible();
  await other.getByLabel('Your name').fill('Owner');
  await other.getByLabel('Password', { exact: true }).fill(password);
  await other.getByLabel('Workshop').fill('first');
  await other.getByRole('button', { name: 'Sign in' }).click();
  await expect(other.getByRole('alert')).toHaveText('Name or password is wrong.');
  await other.getByLabel('Workshop').fill('weir-lane-decor');
  await other.getByRole('button', { name: 'Sign in' }).click();
  await expect(other.getByRole('button', { name: 'New job' }).first()).toBeVisible();
  expect((await lantern(stack.dataDir, 'workshop', 'list')).output).toContain(
    'weir-lane-decor  Weir Lane Décor',
  );
});

test('the local network is served over TLS with a certificate made here; the printed link makes the owner, and a phone comes in beside', async ({
  browser,
}) => {
  test.setTimeout(120_000);
  const lan = await startStack({ lan: true, withoutWorker: true });
  try {
    const ca = await readFile(join(lan.dataDir, 'tls/authority.crt'));
    const fetched = await new Promise<{ status: number | undefined; names: string | undefined }>(
      (done, fail) => {
        const asking = get(`${lan.url}/api/v1/jobs`, { ca }, (reply) => {
          const { subjectaltname: names } = (reply.socket as TLSSocket).getPeerCertificate();
          reply.resume();
          done({ status: reply.statusCode, names });
        });
        asking.on('error', fail);
      },
    );
    // The certificate is right for whoever trusts the authority; and nobody is the owner for sitting here.
    expect(fetched.status).toBe(401);
    expect(fetched.names).toContain('IP Address:127.0.0.1');

    const here = { baseURL: lan.url, ignoreHTTPSErrors: true };
    const owner = await (await browser.newContext(here)).newPage();
    const link = /https:\/\/127\.0\.0\.1:\d+\/join#[\w-]+/.exec(lan.output())?.[0] ?? '';
    await owner.goto(link);
    await owner.getByLabel('Choose a password').fill(password);
    await owner.getByRole('button', { name: 'Save and sign in' }).click();
    await expect(owner.getByRole('heading', { name: 'Horizon' })).toBeVisible();
    const cookies = await owner.context().cookies();
    expect(cookies).toMatchObject([
      { name: 'lantern-session', httpOnly: true, secure: true, sameSite: 'Strict' },
    ]);
    const name = (await (await owner.request.get('/api/v1/me')).json()).account.name as string;

    const second = await (await browser.newContext({ ...here, ...phone })).newPage();
    await second.goto('/jobs/meadow-finish/brief');
    await second.getByLabel('Your name').fill(name);
    await second.getByLabel('Password', { exact: true }).fill(password);
    await second.getByRole('button', { name: 'Sign in' }).click();
    await expect(second.getByLabel('Notes for the crew')).toBeVisible();
    await owner.goto('/jobs/meadow-finish/brief');
    await owner.getByLabel('Notes for the crew').fill('Seen on the phone');
    await expect(second.getByLabel('Notes for the crew')).toHaveValue('Seen on the phone');
    // The password is forgotten: whoever holds the machine has a new link, and is signed out everywhere else.
    const said = (await lantern(lan.dataDir, 'owner')).output;
    const anew = await (await browser.newContext(here)).newPage();
    await anew.goto(/https:\S+\/join#[\w-]+/.exec(said)?.[0] ?? '');
    await anew.getByLabel('Choose a password').fill('another four lanterns');
    await anew.getByRole('button', { name: 'Save and sign in' }).click();
    await expect(anew.getByRole('heading', { name: 'Horizon' })).toBeVisible();
    await expect(second.getByLabel('Your name')).toBeVisible();
    const elsewhere = await owner.request.get('/api/v1/jobs', { headers: { host: 'attacker.invalid' } });
    expect(elsewhere.status()).toBe(421);
  } finally {
    await lan.stop();
  }
});
