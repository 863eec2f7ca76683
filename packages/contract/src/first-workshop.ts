/** The workshop that an installation begins with; where there is one, it is this one. */
export const FIRST_WORKSHOP = 'first';
