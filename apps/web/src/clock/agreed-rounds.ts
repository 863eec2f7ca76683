import type { JobFile, Round } from '@early-lantern/contract';

/** A round whose hours were agreed on with the day. */
type AgreedRound = Round & Required<Pick<Round, 'leave' | 'home'>>;

const hasHours = (round: Round): round is AgreedRound =>
  round.leave !== undefined &&
  round.home !== undefined &&
  round.stops.every(({ arrive, leave }) => arrive && leave);

/** The rounds of a job as far as their hours were agreed on. */
export const agreedRounds = ({ job }: JobFile): AgreedRound[] => (job.clock?.rounds ?? []).filter(hasHours);

/** Which of a job's drives it is. */
export const roundTrip = ({ trip }: Pick<Round, 'trip'>): string =>
  trip === 'set-up' ? 'Round to set up' : 'Round to take down';
