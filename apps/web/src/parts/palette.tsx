import {
  createContext,
  lazy,
  type ReactNode,
  Suspense,
  useCallback,
  useContext,
  useEffect,
  useMemo,
  useState,
} from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import type { PaletteCommand } from './palette-command.ts';

const readDialog = () => import('./PaletteDialog.tsx').then((module) => ({ default: module.PaletteDialog }));
const PaletteDialog = lazy(readDialog);
/** It is read when the page has nothing else to do, so that it opens at once. */
const READ_MS = 3_000;

interface Palette {
  open: () => void;
  /** What is typed in it. */
  typed: string;
  /** Adds commands while a screen shows; returns how to take them back. */
  add: (commands: PaletteCommand[]) => () => void;
}

const PaletteContext = createContext<Palette | undefined>(undefined);

export function usePalette(): Palette {
  const palette = useContext(PaletteContext);
  if (!palette) throw new Error('usePalette needs a PaletteProvider above it');
  return palette;
}

/** Offers these commands while the caller is shown. Give a memoised list. */
export function useCommands(commands: PaletteCommand[]): void {
  const { add } = usePalette();
  useEffect(() => add(commands), [add, commands]);
}

/** The command palette: `/` or Ctrl-K, type, Enter. */
export function PaletteProvider({ children }: { children: ReactNode }) {
  const [isOpen, setOpen] = useState(false);
  const [lists, setLists] = useState<PaletteCommand[][]>([]);
  useHotkeys('slash, mod+k', () => setOpen(true), { preventDefault: true });
  const [typed, setTyped] = useState('');
  const add = useCallback((commands: PaletteCommand[]) => {
    setLists((known) => [...known, commands]);
    return () => setLists((known) => known.filter((list) => list !== commands));
  }, []);
  const palette = useMemo<Palette>(() => ({ typed, open: () => setOpen(true), add }), [typed, add]);
  useEffect(() => {
    requestIdleCallback(() => void readDialog(), { timeout: READ_MS });
  }, []);
  const close = () => {
    setOpen(false);
    setTyped('');
  };
  return (
    <PaletteContext value={palette}>
      {children}
      {isOpen && (
        <Suspense>
          <PaletteDialog commands={lists.flat()} typed={typed} onType={setTyped} onClose={close} />
        </Suspense>
      )}
    </PaletteContext>
  );
}
