import { useHotkeys } from 'react-hotkeys-hook';

/** Where letters are typed or choose from a list, they are not commands. */
const TYPING = 'input, textarea, select, [role="listbox"], [role="menu"], [role="dialog"], [role="combobox"]';

/** Runs the action of a single key pressed anywhere but in a field, a list or a dialog. */
export function useKeys(actions: Readonly<Record<string, () => void>>): void {
  useHotkeys(Object.keys(actions).join(','), (event) => actions[event.key.toLowerCase()]?.(), {
    preventDefault: true,
    ignoreEventWhen: (event) => event.target instanceof Element && event.target.closest(TYPING) !== null,
  });
}
