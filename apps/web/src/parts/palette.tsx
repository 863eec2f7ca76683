import { createContext, type ReactNode, useCallback, useContext, useEffect, useMemo, useState } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { PaletteDialog } from './PaletteDialog.tsx';
import type { PaletteCommand } from './palette-command.ts';

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
  const close = () => {
    setOpen(false);
    setTyped('');
  };
  return (
    <PaletteContext value={palette}>
      {children}
      {isOpen && <PaletteDialog commands={lists.flat()} typed={typed} onType={setTyped} onClose={close} />}
    </PaletteContext>
  );
}
