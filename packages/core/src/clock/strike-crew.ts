import type { CrewMember, JobFile } from '@early-lantern/contract';

/** Who takes a job down. */
export const strikeCrewOf = ({ workshop, job }: JobFile): CrewMember[] =>
  workshop.crew.filter((member) => (job.strikeCrew ?? job.crew).includes(member.id));
