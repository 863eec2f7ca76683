import type { OwnLoad, WorkshopSettings } from '@early-lantern/contract';
import data from './loads.json';

/** Heavy things that go onto a garland: the catalogue's, each with where its mass comes from, then the workshop's own. */
export const loadsOf = ({ ownLoads = [] }: Pick<WorkshopSettings, 'ownLoads'>): OwnLoad[] => [
  ...data.map(({ id, name, what, massKg }) => ({ id, name, what: what as OwnLoad['what'], massKg })),
  ...ownLoads,
];
