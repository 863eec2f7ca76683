import type { CrewMember, JobFile, WorkshopSettings } from '@early-lantern/contract';
import { effort } from '../bench/rates.ts';
import { formatLength } from '../quantity/length.ts';
import { working } from '../working.ts';
import { said, shared, type Work } from './work.ts';

/** A step costs about as much as a metre and a half on the level. */
const STEP_AS_M = 1.5;

/** A drive takes so much of what it usually takes, on a good day and in traffic. From memory, editable defaults. */
const DRIVE_QUICK = 0.9;

const DRIVE_SLOW = 1.6;

export function driveWork(
  id: string,
  label: string,
  minutes: number,
  crew: readonly CrewMember[],
  after: string[],
): Work {
  return {
    id,
    label,
    place: 'road',
    minutes: Math.max(1, minutes),
    spread: said(Math.max(1, minutes), DRIVE_QUICK, DRIVE_SLOW),
    hands: crew.length,
    skills: ['driver'],
    gear: ['vehicle'],
    after,
    cautions: ['driving'],
    working: [
      working('Drive', 'as surveyed, one way', [], { value: minutes, unit: 'min' }, "the site's survey"),
    ],
  };
}

export function unloadWork(
  site: JobFile['site'],
  settings: WorkshopSettings,
  hands: number,
  driveId: string,
): Work {
  const metres = site.loadIn.distanceM + site.loadIn.steps * STEP_AS_M;
  // A van at the door still has to be emptied: never less than a third of the 100 ft figure.
  const share = Math.max(1 / 3, metres / 30.48);
  return {
    id: 'unload',
    label: `Unload, ${formatLength(site.loadIn.distanceM, settings.units)}${site.loadIn.steps ? ` and ${site.loadIn.steps} steps` : ''} to the spot`,
    place: 'site',
    ...shared(effort('unload-30m', share, settings), hands),
    hands,
    skills: [],
    gear: [],
    after: [driveId],
    cautions: [],
  };
}
