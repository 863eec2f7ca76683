import type { JobHead } from '@early-lantern/contract';
import { clockTime, dayName } from '../parts/time.ts';

/** What a job says of itself, as its pages call it. */
const headWords: Record<Exclude<keyof JobHead, 'id'>, string> = {
  name: 'job name',
  state: 'state',
  event: 'what it is',
  siteId: 'place',
  doors: 'doors',
  access: 'access',
  strike: 'strike',
  crew: 'crew',
  strikeCrew: 'strike crew',
  hours: 'hours for this job',
  arrival: 'when the crew arrives',
  loadsEvening: 'prepared and loaded the evening before',
  isKept: 'kept by the client',
  inHandMin: 'minutes to spare before doors',
  drives: 'drive',
  stops: 'stops on the way',
  secondLoad: 'what the van comes back for',
  loadSeed: 'which load is used',
  vehicles: 'Vehicles',
  trailers: 'trailers',
  cars: 'cars besides the vehicles',
  dropOffs: 'drop-offs',
  shaded: 'spots under a canopy',
  hiredLadders: 'ladders hired',
  platforms: 'towers and lifts hired',
  clock: 'timeline',
  notes: 'notes for the crew',
  gustMs: 'strongest gust',
  weather: 'forecast',
  acknowledged: 'cautions read',
  siteSeen: 'the place as last looked at',
};

/** Fields inside of these, and of pieces, whose own name does not read as their label does. */
const partWords: Record<string, string> = {
  spotId: 'spot',
  at: 'place',
  on: 'carried by',
  alsoOn: 'right end on',
  hold: 'how it is held',
  xM: 'across',
  yM: 'up',
  frontM: 'distance from the wall',
  base: 'bases',
  group: 'moves with group',
  schools: 'ways of working',
  sizing: 'how sizes are judged',
  standIns: 'other balloons used',
  nominalIn: 'size',
  inflatedIn: 'blown to',
  useIn: 'size used',
  useColour: 'colour used',
  clusterSize: 'cluster of',
  fromIn: 'cut down from',
  innerIn: 'inner size',
  triosPerM: 'fillers',
  seed: 'how the balloons are dealt',
  lean: 'leaning to small or large',
  line: 'line, point',
  pipeLengthM: 'length of pipe',
  isFormed: 'bent beforehand',
  amplitudeM: 'swing each way',
  wavelengthM: 'length of one swing',
  tailM: 'tail on the floor',
  layerSize: 'clusters of',
  mix: 'mixed sizes',
  plateIn: 'plate',
  pressFactor: 'press factor',
  legM: 'legs',
  gapM: 'gap',
  poleM: 'pole',
  panelIn: 'panel',
  unitWidthM: 'one panel, width',
  unitHeightM: 'one panel, height',
  linkIn: 'link',
  balloonsPerLink: 'modelling balloons a link',
  letterIn: 'letters',
  pitchM: 'letter to letter',
  standM: 'stand',
  threadM: 'thread',
  planB: 'plan B, if it pops',
  isAlternating: 'alternating',
  driveMin: 'detour',
  pins: 'pins',
  keptOff: 'who is kept off',
  leftOut: 'tasks left out',
};

const words: Record<string, string> = { ...partWords, ...headWords };

/** Units that a field's name ends with. */
const UNIT = /(M|In|Kg|Min|Pct|Ms|N|W|C|G)$/;

/** A field of a job or a piece as it may be spoken of: `access.from` → "access from", `line.2.xM` → "line, point 3 across". */
export function fieldWords(path: string): string {
  return path
    .split('.')
    .map((step) => {
      if (/^\d+$/.test(step)) return String(Number(step) + 1);
      return (
        words[step] ??
        step
          .replace(UNIT, '')
          .replace(/([a-z])([A-Z])/g, '$1 $2')
          .toLowerCase()
      );
    })
    .join(' ');
}

const INSTANT = /^\d{4}-\d\d-\d\dT\d\d:\d\d/;

export interface Speech {
  /** The house's clock. */
  zone: string;
  /** A length in the shop's own unit. */
  long: (metres: number) => string;
  /** The name of a person, place, spot, piece or thing with this id. */
  nameOf: (id: string) => string | undefined;
}

/** Names of all that has an id, wherever it stands. */
export function namesIn(data: unknown, found = new Map<string, string>()): Map<string, string> {
  if (typeof data !== 'object' || data === null) return found;
  const { id, name } = data as { id?: unknown; name?: unknown };
  if (typeof id === 'string' && typeof name === 'string') found.set(id, name);
  for (const inner of Object.values(data)) namesIn(inner, found);
  return found;
}

/** What a field holds, as it is spoken of: lengths in the shop's unit, moments by its clock, ids by name, lists by their number. */
export function valueWords(path: string, value: unknown, { zone, long, nameOf }: Speech): string {
  if (value === undefined || value === null || value === '') return '—';
  if (typeof value === 'boolean') return value ? 'yes' : 'no';
  if (typeof value === 'number') return path.endsWith('M') ? long(value) : String(Number(value.toFixed(2)));
  if (typeof value === 'string') {
    if (INSTANT.test(value)) return `${dayName(value, zone)}, ${clockTime(value, zone)}`;
    return nameOf(value) ?? (isTyped(path) ? value : value.replaceAll('-', ' '));
  }
  if (Array.isArray(value))
    return value.every((one) => typeof one !== 'object')
      ? value.map((one) => nameOf(String(one)) ?? one).join(', ')
      : `${value.length} of them`;
  return 'changed';
}

/** Whether a person typed the text of a field: the hyphens in it are theirs. */
const isTyped = (path: string): boolean => /(^|\.)(name|event|notes|label|text|what|planB|shape)$/.test(path);
