import type { MouseEvent } from 'react';

/**
 * Handlers for the menu of a select, which may open over the field that was pressed. By itself it takes the letting go
 * of that press, when it comes more than a fifth of a second later, for a choice; here only what is pressed and let go
 * in the menu is chosen, so that a slow hand or a slow machine changes nothing.
 */
export const chosenByPress = {
  onPointerDownCapture: (event: MouseEvent<HTMLElement>) => {
    event.currentTarget.dataset.pressed = '';
  },
  onMouseUpCapture: (event: MouseEvent<HTMLElement>) => {
    if (event.currentTarget.dataset.pressed === undefined) event.stopPropagation();
    delete event.currentTarget.dataset.pressed;
  },
};
