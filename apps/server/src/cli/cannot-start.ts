/** A reason not to start that the user can act on. */
export class CannotStart extends Error {}
