import type { Account, JobFile, Role } from '@early-lantern/contract';
import { sql } from 'drizzle-orm';
import { demoJob, type TestServer, testServer } from '../test/server.ts';
import { waitAfter } from './tries.ts';

type Cookies = Record<string, string>;
const roles: Role[] = ['owner', 'lead', 'helper', 'viewer'];
const password = 'four lanterns in a row';

/** One dot. PNG, second edition (W3C 2003). */
const DOT =
  'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==';

let server: TestServer;
const cookies = {} as Record<Role, Cookies>;
let job: JobFile;

/** Lets somebody in by invitation. @returns the cookies of their device */
async function letIn(account: Account): Promise<Cookies> {
  const { body } = await server.call('POST', '/accounts', account, cookies.owner);
  const accepted = await server.call('POST', '/invitations/accept', { token: body.token, password });
  expect(accepted.body.account).toEqual(account);
  return accepted.cookies;
}

beforeAll(async () => {
  server = await testServer();
  job = demoJob('02-engine-shed');
  const crew = job.workshop.crew.map((member) => ({ ...member, wage: 21.5 }));
  const packs = [
    { nominalIn: 11, count: 25, price: 6 },
    { nominalIn: 11, count: 100, price: 18 },
  ];
  const cars = [{ id: 'hired', name: 'Hired van', seats: 3, price: 90 }];
  job = { ...job, workshop: { ...job.workshop, crew, packs }, job: { ...job.job, cars } };
  expect((await server.call('POST', '/job-files', job)).status).toBe(201);
  const { body } = await server.call('GET', '/workshop');
  await server.call('PUT', '/workshop', { revision: body.revision, data: { ...body.data, packs } });
  for (const member of crew) {
    const row = await server.call('GET', `/crew/${member.id}`);
    await server.call('PUT', `/crew/${member.id}`, { revision: row.body.revision, data: member });
  }
  // Until now whoever sat here was the owner.
  const first = await server.call('POST', '/owner', { name: 'Ode Farrow', password });
  expect(first.status).toBe(200);
  cookies.owner = first.cookies;
  for (const role of ['lead', 'helper', 'viewer'] as const)
    cookies[role] = await letIn({ id: role, name: `The ${role}`, role });
});
afterAll(() => server.end());

/** Who may ask for what, said here on its own: every route of the API that is no plain read has to stand in it. */
const expected: [Role[], RegExp][] = [
  [roles, /^POST \/plan$|^PUT \/me\/password$|^GET \/me$/],
  [['owner', 'lead', 'helper'], /^(PUT|POST|DELETE) \/jobs\/\{\w+\}\/(packing|photos|site-log)/],
  [
    ['owner', 'lead'],
    /^(PUT|POST|DELETE) \/(jobs|job-files|sites|stock|templates)\b|^GET \/templates$|^PUT \/workshop$|^GET \/(deleted-jobs|sheets|stock\/buy|helpers|phones)|^GET \/jobs\/\{id\}\/(buy|links|versions)|^GET \/history\/site|^(POST|DELETE|GET) \/calendar-links|^(POST|DELETE) \/phones|^PUT \/accounts\/\{id\}\/pin$/,
  ],
  [
    ['owner'],
    /^(PUT|POST|DELETE) \/(crew|sheets|backups|accounts|owner)\b|^GET \/(backups|accounts|export)$|^GET \/history$|^GET \/history\/(crew|workshop)/,
  ],
  [roles, /^GET /],
];
const open =
  /^GET \/api\/health|^GET \/calendars\/|^GET \/me$|^POST \/(sign-in|sign-in\/pin|sign-out|invitations\/\w+|shared|shared\/(sign-off|photo))$/;

test('every route lets in who may, and nobody else', async () => {
  const { body } = await server.call('GET', '/api/docs/json', undefined, cookies.viewer);
  const routes = Object.entries(body.paths as Record<string, object>).flatMap(([path, methods]) =>
    Object.keys(methods).map((method) => ({
      method: method.toUpperCase() as 'GET',
      path: path.replace('/api/v1', ''),
    })),
  );
  expect(routes.length).toBeGreaterThan(80);
  const wrong: string[] = [];
  for (const { method, path } of routes) {
    const name = `${method} ${path}`;
    // Signs the roles out that the others are tried with; a stream has no end.
    if (name === 'POST /sign-out/everywhere' || name === 'GET /events') continue;
    const url = path.replace(/\{\w+\}/g, 'x1');
    const stranger = await server.call(method, url);
    if (open.test(name) ? stranger.status === 401 && !/sign-in/.test(name) : stranger.status !== 401)
      wrong.push(`${name} told a stranger ${stranger.status}`);
    if (open.test(name)) continue;
    const allowed = expected.find(([, pattern]) => pattern.test(name))?.[0] ?? [];
    for (const role of roles) {
      const { status, body: answer } = await server.call(method, url, undefined, cookies[role]);
      const isRefused = status === 401 || (status === 403 && answer.code === 'not-allowed');
      if (isRefused === allowed.includes(role)) wrong.push(`${name} told the ${role} ${status}`);
    }
  }
  expect(wrong).toEqual([]);
  expect((await server.call('GET', '/events')).status).toBe(401);
});

test('pay and prices are for the owner; a lead’s changes leave them as they are, and come to the same purchases', async () => {
  const id = job.job.id;
  for (const path of ['/crew', `/jobs/${id}`, `/jobs/${id}/file`, '/jobs', '/workshop']) {
    const seen = JSON.stringify((await server.call('GET', path, undefined, cookies.lead)).body);
    expect(seen).not.toMatch(/21\.5|"wage"|"price":(6|18|90)\b/);
  }
  expect((await server.call('GET', '/crew', undefined, cookies.owner)).body.items[0].data.wage).toBe(21.5);

  const row = await server.call('GET', `/jobs/${id}`, undefined, cookies.lead);
  const data = { ...row.body.data, notes: 'The lead was here' };
  const change = { revision: row.body.revision, data };
  expect((await server.call('PUT', `/jobs/${id}`, change, cookies.lead)).status).toBe(200);
  const after = await server.call('GET', `/jobs/${id}`, undefined, cookies.owner);
  expect(after.body.data).toMatchObject({ notes: 'The lead was here', cars: [{ price: 90 }] });

  const house = await server.call('GET', '/workshop', undefined, cookies.lead);
  // As multiples of the cheapest: whoever buys by them buys the same.
  expect(house.body.data.packs.map((pack: { price: number }) => pack.price)).toEqual([1, 3]);
  const counted = {
    ...house.body.data,
    stock: [{ nominalIn: 11, colour: house.body.data.colours[0].id, onHand: 7 }],
  };
  const put = await server.call(
    'PUT',
    '/workshop',
    { revision: house.body.revision, data: counted },
    cookies.lead,
  );
  expect(put.status).toBe(200);
  const kept = await server.call('GET', '/workshop', undefined, cookies.owner);
  expect(kept.body.data.packs.map((pack: { price: number }) => pack.price)).toEqual([6, 18]);
  expect(kept.body.data.stock).toEqual(counted.stock);
  const renamed = { revision: kept.body.revision, data: { ...counted, name: 'Mine now' } };
  expect(await server.call('PUT', '/workshop', renamed, cookies.lead)).toMatchObject({ status: 403 });

  const buy = (who: Cookies) => server.call('GET', `/jobs/${id}/buy.csv?today=2026-11-29`, undefined, who);
  expect((await buy(cookies.owner)).body).toContain('price');
  expect((await buy(cookies.lead)).body).not.toContain('price');
});

test('somebody’s calendar has their tasks of coming jobs, by a link that can be ended', async () => {
  const person = job.job.crew[0] as string;
  const other = job.workshop.crew.find(({ id }) => !job.job.crew.includes(id))?.id ?? 'none';
  const soon = structuredClone(job);
  const shift = Math.round((Date.now() - Date.parse(job.job.doors)) / 604_800_000 + 2) * 604_800_000;
  const moved = (iso: string) => new Date(Date.parse(iso) + shift).toISOString();
  const { doors, access, strike } = job.job;
  Object.assign(soon.job, {
    id: 'soon',
    doors: moved(doors),
    access: { from: moved(access.from), until: moved(access.until) },
    strike: { from: moved(strike.from), until: moved(strike.until) },
  });
  expect((await server.call('POST', '/job-files', soon, cookies.owner)).status).toBe(201);
  const hand = async (personId: string) =>
    (await server.call('POST', '/calendar-links', { personId }, cookies.lead)).body.token as string;
  const token = await hand(person);
  const read = (one: string) => server.call('GET', `/calendars/${one}`);
  const theirs = await read(token);
  expect([theirs.status, theirs.type]).toEqual([200, 'text/calendar; charset=utf-8']);
  const plan = (await server.call('GET', '/jobs/soon/plan', undefined, cookies.owner)).body;
  const own = plan.tasks.filter(({ crew }: { crew: string[] }) => crew.includes(person));
  expect(own.length).toBeGreaterThan(0);
  expect(String(theirs.body).match(/BEGIN:VEVENT/g)).toHaveLength(own.length);
  expect(String(theirs.body)).not.toMatch(/21\.5/);
  if (other !== 'none') expect(String((await read(await hand(other))).body)).not.toContain('BEGIN:VEVENT');
  const [link] = (await server.call('GET', '/calendar-links', undefined, cookies.lead)).body.filter(
    ({ personId }: { personId: string }) => personId === person,
  );
  await server.call('DELETE', `/calendar-links/${link.id}`, undefined, cookies.lead);
  expect((await read(token)).status).toBe(404);
  expect((await server.call('POST', '/calendar-links', { personId: 'x9' }, cookies.lead)).status).toBe(404);
});

test('whoever changed a job is noted with what it was before; two people within a moment, both', async () => {
  const id = job.job.id;
  for (const role of ['owner', 'lead'] as const) {
    const row = await server.call('GET', `/jobs/${id}`, undefined, cookies[role]);
    const data = { ...row.body.data, notes: `by the ${role}` };
    await server.call('PUT', `/jobs/${id}`, { revision: row.body.revision, data }, cookies[role]);
  }
  const { body } = await server.call('GET', `/jobs/${id}/versions`, undefined, cookies.owner);
  expect(body.map(({ by }: { by: string }) => by)).toEqual(
    expect.arrayContaining(['The lead', 'Ode Farrow']),
  );
});

test('wrong passwords are counted in the database; after five everybody waits, the right one too', async () => {
  expect([0, 4, 5, 6, 10, 40].map(waitAfter)).toEqual([0, 0, 30, 60, 900, 900]);
  const signIn = (name: string, typed: string) => server.call('POST', '/sign-in', { name, password: typed });
  expect((await signIn('Nobody Here', password)).status).toBe(401);
  expect((await signIn('the VIEWER', password)).status).toBe(200);
  for (let tries = 0; tries < 5; tries++) expect((await signIn('The viewer', 'wrong')).status).toBe(401);
  expect(await signIn('The viewer', password)).toMatchObject({
    status: 429,
    body: { code: 'too-many-tries' },
  });
  await server.db.execute(sql`update accounts set locked_until = now() - interval '1 s' where id = 'viewer'`);
  expect((await signIn('The viewer', password)).status).toBe(200);
  const stored = await server.db.execute<{ text: string }>(
    sql`select accounts::text || sessions::text as text from accounts, sessions`,
  );
  for (const { text } of stored.rows) {
    expect(text).not.toContain(password);
    for (const cookie of Object.values(cookies)) expect(text).not.toContain(cookie['lantern-session']);
  }
});

test('an invitation works once; a role taken away holds at once on every device; somebody stays the owner', async () => {
  const account: Account = { id: 'mira', name: 'Mira', role: 'lead' };
  const { body: handed } = await server.call('POST', '/accounts', account, cookies.owner);
  const look = await server.call('POST', '/invitations/look', { token: handed.token });
  expect(look.body).toMatchObject({ name: 'Mira', role: 'lead' });
  const short = await server.call('POST', '/invitations/accept', { token: handed.token, password: 'short' });
  // Long enough, and on every list (OWASP ASVS 4, V2.1.7).
  for (const common of ['passwordpassword', 'iloveyou1234', '1234567890ab']) {
    const refused = await server.call('POST', '/invitations/accept', {
      token: handed.token,
      password: common,
    });
    expect(refused.body.detail).toContain('among the first that are tried');
  }
  expect(short.status).toBe(422);
  const mira = (await server.call('POST', '/invitations/accept', { token: handed.token, password })).cookies;
  expect((await server.call('POST', '/invitations/accept', { token: handed.token, password })).status).toBe(
    404,
  );
  expect((await server.call('GET', '/jobs', undefined, mira)).status).toBe(200);

  const list = await server.call('GET', '/accounts', undefined, cookies.owner);
  const row = list.body.find(({ data }: { data: Account }) => data.id === 'mira');
  expect(row).toMatchObject({ hasPassword: true, signedIn: 1, invitedUntil: null });
  const gone = await server.call(
    'DELETE',
    `/accounts/mira?revision=${row.revision}`,
    undefined,
    cookies.owner,
  );
  expect(gone.status).toBe(200);
  expect((await server.call('GET', '/jobs', undefined, mira)).status).toBe(401);

  const owner = list.body.find(({ data }: { data: Account }) => data.id === 'owner');
  const step = { revision: owner.revision, data: { ...owner.data, role: 'lead' } };
  expect(await server.call('PUT', '/accounts/owner', step, cookies.owner)).toMatchObject({
    status: 409,
    body: { code: 'in-use' },
  });
  expect((await server.call('GET', '/accounts', undefined, cookies.owner)).status).toBe(200);
});

test('a helper signs in with a PIN on a shared phone only, and ticks but does not plan', async () => {
  const id = job.job.id;
  await server.call('PUT', '/accounts/helper/pin', { pin: '4711' }, cookies.lead);
  expect((await server.call('PUT', '/accounts/owner/pin', { pin: '4711' }, cookies.lead)).status).toBe(403);
  const typed = { accountId: 'helper', pin: '4711' };
  expect((await server.call('POST', '/sign-in/pin', typed)).status).toBe(403);
  const lent = await letIn({ id: 'lender', name: 'Lender', role: 'lead' });
  const phone = (await server.call('POST', '/phones', { name: 'Van phone' }, lent)).cookies;
  expect((await server.call('GET', '/me', undefined, phone)).body).toMatchObject({
    account: null,
    phone: { name: 'Van phone', people: [{ id: 'helper', name: 'The helper' }] },
  });
  expect((await server.call('POST', '/sign-in/pin', { ...typed, pin: '0000' }, phone)).status).toBe(401);
  const signedIn = await server.call('POST', '/sign-in/pin', typed, phone);
  expect(signedIn.status).toBe(200);
  const helper = { ...phone, ...signedIn.cookies };
  const { body } = await server.call('GET', `/jobs/${id}`, undefined, helper);
  expect(
    (await server.call('PUT', `/jobs/${id}`, { revision: body.revision, data: body.data }, helper)).status,
  ).toBe(403);
  const tick = await server.call('PUT', `/jobs/${id}/packing/ticks`, { rows: [] }, helper);
  expect([401, 403]).not.toContain(tick.status);
  const phones = await server.call('GET', '/phones', undefined, cookies.owner);
  await server.call('DELETE', `/phones/${phones.body[0].id}`, undefined, cookies.owner);
  expect((await server.call('GET', '/jobs', undefined, helper)).status).toBe(401);
});

type Named = { name: string };

test('a link shows one job without people, stock and money, is signed once, and ends', async () => {
  const id = job.job.id;
  const { body: handed } = await server.call(
    'POST',
    `/jobs/${id}/links`,
    { name: 'The venue', days: 3 },
    cookies.lead,
  );
  const { status, body } = await server.call('POST', '/shared', { token: handed.token });
  expect(status).toBe(200);
  expect(body).toMatchObject({ name: job.job.name, place: job.site.name, signedOff: null });
  expect(body.pieces.map(({ name }: { name: string }) => name)).toEqual(
    job.job.pieces.map(({ name }) => name),
  );
  const text = JSON.stringify(body);
  for (const member of job.workshop.crew) expect(text).not.toContain(member.name);
  expect(text).not.toMatch(/wage|price|stock|onHand/);
  // Photos of what stands are shown; the place before is between the crew and the house.
  const pieceId = job.job.pieces[0]?.id;
  const photograph = async (moment: string): Promise<string> => {
    const photo = { pieceId, moment, content: DOT };
    return (await server.call('POST', `/jobs/${id}/photos`, photo, cookies.lead)).body.data.id;
  };
  const [before, standing] = [await photograph('before'), await photograph('standing')];
  const shown = (photo: string) => server.call('POST', '/shared/photo', { token: handed.token, photo });
  expect((await shown(standing)).body).toEqual({ type: 'image/png', content: DOT });
  expect((await shown(before)).status).toBe(404);
  const signOff = { token: handed.token, by: 'Pia Holt', remarks: 'Left pole a hand to the right' };
  const { body: signed } = await server.call('POST', '/shared/sign-off', signOff);
  expect(signed.signedOff).toMatchObject({ by: 'Pia Holt' });
  // Nobody ticks on site: nothing is said to be open.
  expect(signed.delivery).toMatchObject({ delivered: body.pieces.map(({ name }: Named) => name), open: [] });
  expect(signed.delivery.handedOver.join(' ')).toContain('candles');
  expect(signed.delivery.photos).toEqual([{ id: standing, of: job.job.pieces[0]?.name }]);
  expect((await server.call('POST', '/shared/sign-off', signOff)).status).toBe(409);
  // What the house has signed for stays; also where a phone that had no signal did not know that it was deleted before.
  const remove = (photo: string) =>
    server.call('DELETE', `/jobs/${id}/photos/${photo}`, undefined, cookies.lead);
  expect((await remove(standing)).body.detail).toBe('The house has signed for this photo: it stays.');
  expect((await remove(before)).status).toBe(200);
  await server.db.execute(sql`update photos set deleted_at = now() where id = ${standing}`);
  expect((await shown(standing)).body.content).toBe(DOT);
  // It stands in the log of the site, and what is found later changes nothing of it.
  const logged = () => server.call('GET', `/jobs/${id}/site-log`, undefined, cookies.lead);
  const [entry, ...more] = (await logged()).body.entries;
  expect(more).toEqual([]);
  expect(entry.event).toMatchObject({ kind: 'signed', name: 'Pia Holt', ...signed.delivery });
  const fault = {
    id: '1'.repeat(32),
    at: new Date().toISOString(),
    by: 'wren',
    event: { kind: 'fault', text: 'A gap' },
  };
  const sent = { device: 'phone', clockOffMs: 0, entries: [fault], after: 0 };
  expect((await server.call('POST', `/jobs/${id}/site-log`, sent, cookies.lead)).status).toBe(200);
  expect((await server.call('POST', '/shared', { token: handed.token })).body.delivery).toEqual(
    signed.delivery,
  );
  const links = await server.call('GET', `/jobs/${id}/links`, undefined, cookies.lead);
  expect(links.body).toMatchObject([{ name: 'The venue', signedOff: { by: 'Pia Holt' } }]);
  await server.db.execute(sql`update job_links set until = now() - interval '1 s'`);
  expect((await server.call('POST', '/shared', { token: handed.token })).status).toBe(404);
});

test('signed out everywhere is signed out on every device', async () => {
  const other = await server.call('POST', '/sign-in', { name: 'The lead', password });
  expect((await server.call('GET', '/jobs', undefined, other.cookies)).status).toBe(200);
  await server.call('POST', '/sign-out/everywhere', undefined, cookies.lead);
  for (const device of [other.cookies, cookies.lead])
    expect((await server.call('GET', '/jobs', undefined, device)).status).toBe(401);
});

test('who was let in as what is noted with who changed it, among all that was changed', async () => {
  const account: Account = { id: 'summer', name: 'Summer help', role: 'helper' };
  await letIn(account);
  const row = async () =>
    (await server.call('GET', '/accounts', undefined, cookies.owner)).body.find(
      ({ data }: { data: Account }) => data.id === 'summer',
    );
  const change = { revision: (await row()).revision, data: { ...account, role: 'lead' } };
  expect((await server.call('PUT', '/accounts/summer', change, cookies.owner)).status).toBe(200);
  await server.call(
    'DELETE',
    `/accounts/summer?revision=${(await row()).revision}`,
    undefined,
    cookies.owner,
  );
  const { body } = await server.call('GET', '/history', undefined, cookies.owner);
  const told = body
    .slice(0, 2)
    .map((one: Record<string, unknown>) => [one.what, one.name, one.isDeleted, one.by]);
  expect(told).toEqual([
    ['account', 'Summer help', true, 'Ode Farrow'],
    ['account', 'Summer help', false, 'Ode Farrow'],
  ]);
  expect(body.some((one: Record<string, unknown>) => one.what === 'job' && one.job)).toBe(true);
});
