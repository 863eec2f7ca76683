/** Tasks that say what goes along with a hold. */
export const WITH_HOLD = {
  'set-up-vehicle': ['load-vehicle', 'drive-out', 'drive-home'],
  'set-up-wagons': [
    'load-vehicle',
    'drive-out',
    'unload-first',
    'unload',
    'second-unload',
    'load-out',
    'drive-home',
  ],
  'strike-vehicle': ['drive-strike', 'drive-back', 'return-gear'],
  'strike-wagons': ['drive-strike', 'carry-out', 'drive-back', 'return-gear'],
};
