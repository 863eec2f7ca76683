import type { JobState } from '@early-lantern/contract';

/** How far a job has come, as it is called. */
export const stateWords: Record<JobState, string> = {
  enquiry: 'Enquiry',
  offered: 'Offered',
  firm: 'Firm',
  done: 'Done',
  cancelled: 'Cancelled',
};

/** In the order in which a job goes through them. */
export const jobStates = Object.keys(stateWords) as JobState[];

/** What whoever gets the run sheet has to know of a job that is not firm. */
export const stateWarnings: Partial<Record<JobState, string>> = {
  enquiry: 'Enquiry: not agreed to, nothing is held for it',
  offered: 'Offered: not agreed to, nothing is held for it',
  cancelled: 'Cancelled: do not go',
};
