/** The two trips to a place, in words. */
export const TRIPS = { 'set-up': 'to set up', strike: 'to take down' } as const;
