let canDraw: boolean | undefined;

/** Whether this browser draws in three dimensions; without it the flat pictures say the same. */
export const hasWebGl = (): boolean => {
  canDraw ??= document.createElement('canvas').getContext('webgl2') !== null;
  return canDraw;
};
