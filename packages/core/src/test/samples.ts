import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { JobFile, OrganicGarland } from '@early-lantern/contract';
import { METRES_PER_FOOT, METRES_PER_INCH } from '../quantity/length.ts';

/** A job file of the demo. */
export function demoJob(name: string): JobFile {
  const path = join(__dirname, '../../../../demo/jobs', `${name}.json`);
  return JSON.parse(readFileSync(path, 'utf8')) as JobFile;
}

/** A straight garland along a wall; `lengthFt` of it, five feet up. */
export function garland(lengthFt: number, more: Partial<OrganicGarland> = {}): OrganicGarland {
  return {
    kind: 'organic-garland',
    id: 'garland',
    name: 'Garland',
    spotId: 'wall',
    line: [
      { xM: 0, yM: 1.5 },
      { xM: lengthFt * METRES_PER_FOOT, yM: 1.5 },
    ],
    widthM: 22 * METRES_PER_INCH,
    taper: 1,
    clusterSize: 'auto',
    strung: 'tight',
    joining: 'string-260',
    sizePolicy: 'as-set',
    sizes: [{ nominalIn: 11, sharePct: 100, inflatedIn: { min: 6, max: 10 } }],
    colours: [
      { colour: 'lagoon', sharePct: 40 },
      { colour: 'chalk', sharePct: 35 },
      { colour: 'oat', sharePct: 25 },
    ],
    colourPlan: 'even',
    fillers: { nominalIn: 5, inflatedIn: { min: 3, max: 4.5 }, triosPerM: 6.56 },
    grade: 'professional',
    seed: 1,
    ...more,
  };
}
