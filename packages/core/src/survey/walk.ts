import type { LampName, Site, Spot } from '@early-lantern/contract';

/** What the survey has still to ask, or has been told. */
export interface SurveyQuestion {
  /** What it is about: `parking`, `fixings`. */
  id: SiteQuestionId | SpotQuestionId;
  /** The spot it is asked at; left out for the site. */
  spotId?: string;
  ask: string;
  /** Lamps that wait for the answer. */
  lamps: LampName[];
  isAnswered: boolean;
}

type SiteQuestionId = 'parking' | 'access' | 'door' | 'lift' | 'forbids' | 'quiet' | 'contact';
type SpotQuestionId = 'regions' | 'fixings' | 'keepClear' | 'floor' | 'power' | 'sun';

interface Asked<T, Id> {
  id: Id;
  ask: (of: T) => string;
  lamps: LampName[];
  isAnswered: (of: T) => boolean;
  /** Not asked where it does not matter. */
  applies?: (of: T, site: Site) => boolean;
}

/** In the order in which one walks in: van, door, way, rules; then each spot from the floor up. */
const ofSite: Asked<Site, SiteQuestionId>[] = [
  {
    id: 'parking',
    ask: () => 'Where does the van stand, and until when?',
    lamps: ['onTime'],
    isAnswered: (site) => site.loadIn.parking !== undefined,
  },
  {
    id: 'access',
    ask: () => 'Which way in, who opens, where to sign in?',
    lamps: ['onTime'],
    isAnswered: (site) => site.access !== undefined,
  },
  {
    id: 'door',
    ask: () => 'How wide is the narrowest door on the way?',
    lamps: ['fits'],
    isAnswered: (site) => site.loadIn.doorM !== undefined,
  },
  {
    id: 'lift',
    ask: () => 'Is there a lift?',
    lamps: ['onTime', 'fits'],
    isAnswered: (site) => site.loadIn.lift !== undefined,
    applies: (site) => site.loadIn.steps > 0 || site.loadIn.lift !== undefined,
  },
  {
    id: 'forbids',
    ask: () => 'What does the house forbid?',
    lamps: ['holds'],
    isAnswered: (site) => site.forbids !== undefined,
  },
  {
    id: 'quiet',
    ask: () => 'Are there quiet hours?',
    lamps: ['onTime'],
    isAnswered: (site) => site.quiet !== undefined,
  },
  {
    id: 'contact',
    ask: () => 'Who is to be called on the day?',
    lamps: ['onTime'],
    isAnswered: (site) => site.contact.trim() !== '',
  },
];

const outdoors = (spot: Spot, site: Site) => !(spot.indoors ?? site.indoors);
/** Kinds whose surface is worth asking about: bark is bark, and over a lawn there is none. */
export const hasSurface = (kind: Spot['kind'] | undefined): boolean =>
  kind !== undefined && kind !== 'tree' && kind !== 'open-floor' && kind !== 'table';
const glazed = (spot: Spot) => spot.kind === 'window' || spot.surface === 'glass';

const ofSpot: Asked<Spot, SpotQuestionId>[] = [
  {
    id: 'floor',
    ask: (spot) => `${spot.name}: what is the floor?`,
    lamps: ['holds'],
    isAnswered: (spot) => spot.floor !== undefined,
  },
  {
    id: 'keepClear',
    ask: (spot) => `${spot.name}: exits, signs, sprinklers, extinguishers, heat to keep clear of?`,
    lamps: ['holds'],
    isAnswered: (spot) => spot.keepClear !== undefined,
  },
  {
    id: 'fixings',
    ask: (spot) => `${spot.name}: a rod, gutter, beam, nail, branch or frame to fix to?`,
    lamps: ['holds'],
    isAnswered: (spot) => spot.fixings !== undefined,
  },
  {
    id: 'regions',
    ask: (spot) => `${spot.name}: is any part of another surface than ${spot.surface}?`,
    lamps: ['holds'],
    isAnswered: (spot) => spot.regions !== undefined,
    applies: (spot) => hasSurface(spot.kind) || spot.regions !== undefined,
  },
  {
    id: 'power',
    ask: (spot) => `${spot.name}: where is power?`,
    lamps: ['onTime'],
    isAnswered: (spot) => spot.power !== undefined,
  },
  {
    id: 'sun',
    ask: (spot) => `${spot.name}: when does the sun stand on it?`,
    lamps: ['lasts'],
    isAnswered: (spot) => spot.sun !== undefined,
    applies: (spot, site) => outdoors(spot, site) || glazed(spot) || spot.sun !== undefined,
  },
];

/** Every question of a survey in the order of the walk, answered or not. */
export function surveyWalk(site: Site): SurveyQuestion[] {
  const about = <T, Id extends SurveyQuestion['id']>(
    { id, ask, lamps, isAnswered, applies }: Asked<T, Id>,
    of: T,
    spotId?: string,
  ): SurveyQuestion[] =>
    applies && !applies(of, site)
      ? []
      : [{ id, ...(spotId ? { spotId } : {}), ask: ask(of), lamps, isAnswered: isAnswered(of) }];
  return [
    ...ofSite.flatMap((question) => about(question, site)),
    ...site.spots.flatMap((spot) => ofSpot.flatMap((question) => about(question, spot, spot.id))),
  ];
}
