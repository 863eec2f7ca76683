import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { carrierIds, hangsOn } from './carriers.ts';
import { read } from './faults.ts';
import { JobFile } from './job-file.ts';
import { newestJobFile } from './job-file-versions.ts';

const demo = () =>
  JSON.parse(readFileSync(join(__dirname, '../../../demo/jobs/03-glasshouse-night.json'), 'utf8')) as JobFile;

const faults = (edit: (file: JobFile) => void) => {
  const file = demo();
  edit(file);
  const result = read(JobFile, file);
  return result.ok ? [] : result.faults.map(({ path, reason }) => `${path}: ${reason}`);
};
const piece = (file: JobFile, id: string) =>
  file.job.pieces.find((one) => one.id === id) as JobFile['job']['pieces'][number];

test('what carries a piece is there, stands on its spot, and does not hang on it in turn', () => {
  expect(faults(() => {})).toEqual([]);
  const found = (edit: (file: JobFile) => void) => faults(edit).join();
  expect(
    found((file) => {
      file.job.pieces = file.job.pieces.filter(({ id }) => id !== 'moss-screen');
    }),
  ).toContain('no piece "moss-screen" in this job');
  expect(
    found((file) => {
      piece(file, 'moon').spotId = 'east-screen';
    }),
  ).toContain('"moss-garland" stands on another spot');
  expect(
    found((file) => {
      piece(file, 'moss-screen').on = { pieceId: 'moon', part: 'body' };
    }),
  ).toContain('itself hangs on');
  expect(
    found((file) => {
      piece(file, 'moon').on = { pieceId: 'moon', part: 'body' };
    }),
  ).toContain('itself hangs on');
});

test('carriers near and far, one or two', () => {
  const { job } = demo();
  const byId = new Map(job.pieces.map((one) => [one.id, one]));
  expect(carrierIds(byId.get('moon-arch') ?? {})).toEqual(['moon-tower-left', 'moon-tower-right']);
  expect(hangsOn(byId, 'moon', 'moss-screen')).toBe(true);
  expect(hangsOn(byId, 'moss-screen', 'moon')).toBe(false);
});

test('a file of version 1 is read as one of version 2: picks become attachments, the rest stays', () => {
  const now = demo();
  const old = structuredClone(now) as unknown as {
    version: number;
    job: { pieces: Record<string, unknown>[] };
  };
  old.version = 1;
  const garland = old.job.pieces[0] as Record<string, unknown>;
  garland.hold = {
    base: 'tamper',
    picks: [{ id: 'star', label: 'Copper star', what: 'foil', massKg: 0.1, at: 0.4 }],
  };
  const swag = old.job.pieces[1] as Record<string, unknown>;
  swag.hold = { picks: [] };
  const result = read(JobFile, newestJobFile(old));
  expect(result.ok ? [] : result.faults).toEqual([]);
  const [first, second] = result.ok ? result.data.job.pieces : [];
  expect(first?.hold).toEqual({ base: 'tamper' });
  expect(first?.attachments).toEqual([
    { id: 'star', name: 'Copper star', what: 'foil', massKg: 0.1, at: 0.4 },
  ]);
  expect([second?.hold, second?.attachments]).toEqual([undefined, []]);
  // What is no such file comes back as it is, to be refused with its own faults.
  for (const other of [null, 7, 'file', { version: 1 }, { version: 9, job: {} }])
    expect(newestJobFile(other)).toBe(other);
});
