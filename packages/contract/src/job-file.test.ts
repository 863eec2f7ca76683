import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import Ajv2020 from 'ajv/dist/2020';
import addFormats from 'ajv-formats';
import { JobFile, jobFileJsonSchema, read } from './index.ts';

const folder = join(__dirname, '../../../demo/jobs');
const demos = readdirSync(folder).map((name) => JSON.parse(readFileSync(join(folder, name), 'utf8')));

// Deliberately loose: the tests break files in ways the type would not allow.
type Loose = ReturnType<typeof JSON.parse>;
const broken = (change: (file: Loose) => void): Loose => {
  const file = structuredClone(demos[0]);
  change(file);
  return file;
};
const faultsOf = (file: unknown) => {
  const result = read(JobFile, file);
  return result.ok ? [] : result.faults.map((fault) => `${fault.path}: ${fault.reason}`);
};

test('every demo file is sound and reads back as itself', () => {
  for (const file of demos) expect(read(JobFile, file)).toEqual({ ok: true, data: file });
});

test.each<[string, (file: Loose) => void, string]>([
  [
    'an unknown version',
    (f) => {
      f.version = 3;
    },
    'version: only versions 1 and 2 are known',
  ],
  [
    'another format',
    (f) => {
      f.format = 'list';
    },
    'format: must be "early-lantern/job"',
  ],
  [
    'an unknown key',
    (f) => {
      f.job.colour = 'red';
    },
    'job.colour: unknown key',
  ],
  [
    'a negative width',
    (f) => {
      f.job.pieces[0].widthM = -1;
    },
    'job.pieces[0].widthM: Too small',
  ],
  [
    'doors before access',
    (f) => {
      f.job.doors = '2027-06-19T06:00:00-05:00';
    },
    'job.doors: doors are not after',
  ],
  [
    'nobody at work',
    (f) => {
      f.job.crew = [];
    },
    'job.crew: a job needs at least one person',
  ],
  [
    'shares that do not add up',
    (f) => {
      f.job.pieces[0].colours[0].sharePct = 50;
    },
    'job.pieces[0].colours: the shares add up to 110 %',
  ],
  [
    'a stranger in the crew',
    (f) => {
      f.job.crew = ['nobody'];
    },
    'job.crew[0]: no crew member "nobody"',
  ],
  [
    'a spot that is not there',
    (f) => {
      f.job.pieces[0].spotId = 'roof';
    },
    'job.pieces[0].spotId: no spot "roof"',
  ],
  [
    'a colour nobody stocks',
    (f) => {
      f.job.pieces[0].colours[0].colour = 'mauve';
    },
    'colours[0].colour: no colour "mauve"',
  ],
  [
    'a size blown beyond its nominal',
    (f) => {
      f.job.pieces[0].sizes[0].inflatedIn.max = 14;
    },
    'inflatedIn.max: 14 in. is above',
  ],
  [
    'an offset missing',
    (f) => {
      f.job.doors = '2027-06-19T11:00:00';
    },
    'job.doors: must be an ISO 8601',
  ],
  [
    'a zone that is none',
    (f) => {
      f.workshop.timeZone = 'River/Otterlock';
    },
    'workshop.timeZone: must be an IANA',
  ],
  [
    'a shift without length',
    (f) => {
      f.workshop.crew[0].shift = { from: '19:00', to: '19:00' };
    },
    'workshop.crew[0].shift.to: the shift ends',
  ],
])('refuses %s, with path and reason', (_, change, expected) => {
  expect(faultsOf(broken(change)).join('\n')).toContain(expected);
});

test('all faults are reported at once, those across fields beside those within', () => {
  const faults = faultsOf(
    broken((f) => {
      f.version = 9;
      f.extra = true;
      f.job.name = '';
      f.job.doors = '2027-06-19T06:00:00-05:00';
      f.job.crew = ['nobody'];
      f.job.pieces[0].widthM = -1;
      f.job.pieces[0].colours[0].sharePct = 10;
      f.job.pieces[0].spotId = 'roof';
      f.workshop.crew[1].id = 'wren';
    }),
  ).join('\n');
  for (const path of [
    'version:',
    'extra:',
    'job.name:',
    'job.doors:',
    'job.crew[0]:',
    'pieces[0].widthM:',
    'pieces[0].colours:',
    'spotId:',
    'workshop.crew[1].id:',
  ]) {
    expect(faults).toContain(path);
  }
});

test('an independent validator agrees with the published JSON Schema', () => {
  const ajv = addFormats(new Ajv2020({ strict: false, allErrors: true }));
  const valid = ajv.compile(jobFileJsonSchema());
  for (const file of demos) expect(valid(file) ? [] : valid.errors).toEqual([]);
  const refused = [
    broken((f) => {
      f.version = 3;
    }),
    broken((f) => {
      f.job.colour = 'red';
    }),
    broken((f) => {
      f.job.pieces[0].widthM = -1;
    }),
    broken((f) => {
      f.job.crew = [];
    }),
    broken((f) => {
      f.job.pieces[0].kind = 'unknown';
    }),
    broken((f) => {
      delete f.workshop.crew;
    }),
  ];
  for (const file of refused) expect(valid(file)).toBe(false);
});
