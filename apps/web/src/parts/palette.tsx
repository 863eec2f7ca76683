import { Dialog, DialogTitle } from '@mui/material';
import { visuallyHidden } from '@mui/utils';
import { Command } from 'cmdk';
import { createContext, type ReactNode, useCallback, useContext, useEffect, useMemo, useState } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import './palette.css';

/** Something a person can do or go to from the palette. */
export interface PaletteCommand {
  id: string;
  group: 'Go to' | 'Do' | 'Found';
  label: string;
  /** The key that does it without the palette. */
  keys?: string;
  run: () => void;
}

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
  const commands = lists.flat();
  return (
    <PaletteContext value={palette}>
      {children}
      {/* Gone at once: fading away it would hold the focus, and the next letters would go astray. */}
      {isOpen && (
        <Dialog open onClose={close} fullWidth maxWidth="sm">
          <DialogTitle sx={visuallyHidden}>Find or do anything</DialogTitle>
          <Command className="palette" loop label="Find or do anything">
            <Command.Input autoFocus onValueChange={setTyped} placeholder="Find or do anything" />
            <Command.List>
              <Command.Empty>Nothing by that name. Try a job, a page or a verb.</Command.Empty>
              {(['Do', 'Go to', 'Found'] as const).map((group) => (
                <Command.Group key={group} heading={group}>
                  {commands
                    .filter((command) => command.group === group)
                    .map((command) => (
                      <Command.Item
                        key={command.id}
                        value={`${command.label} ${command.id}`}
                        // What was found by words of its place or people has none of them in its name.
                        {...(group === 'Found' ? { keywords: [typed] } : {})}
                        onSelect={() => {
                          close();
                          command.run();
                        }}
                      >
                        <span>{command.label}</span>
                        {command.keys && <kbd>{command.keys}</kbd>}
                      </Command.Item>
                    ))}
                </Command.Group>
              ))}
            </Command.List>
          </Command>
        </Dialog>
      )}
    </PaletteContext>
  );
}
