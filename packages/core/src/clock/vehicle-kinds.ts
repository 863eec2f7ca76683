import type { JobFile } from '@early-lantern/contract';

/** Those of the vehicles chosen that the workshop still has. */
export const chosenVehicles = ({ workshop, job }: Pick<JobFile, 'workshop' | 'job'>): string[] =>
  (job.vehicles ?? []).filter((id) => workshop.vehicles.some((one) => one.id === id));

/** A vehicle as a kind of its own: whoever wants this one and no other. */
export const ownVehicle = (id: string): string => `vehicle:${id}`;
