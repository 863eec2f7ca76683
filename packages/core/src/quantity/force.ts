/** Standard gravity, rounded, m/s² (ISO 80000-3: 9.80665). */
export const GRAVITY = 9.81;
