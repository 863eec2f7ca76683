import { Dialog, DialogTitle } from '@mui/material';
import { visuallyHidden } from '@mui/utils';
import { Command } from 'cmdk';
import type { PaletteCommand } from './palette-command.ts';
import './palette.css';

interface PaletteDialogProps {
  commands: readonly PaletteCommand[];
  typed: string;
  onType: (typed: string) => void;
  onClose: () => void;
}

/** What can be done and gone to, found by what is typed. */
export function PaletteDialog({ commands, typed, onType, onClose }: PaletteDialogProps) {
  return (
    // Gone at once: fading away it would hold the focus, and the next letters would go astray.
    <Dialog open onClose={onClose} fullWidth maxWidth="sm">
      <DialogTitle sx={visuallyHidden}>Find or do anything</DialogTitle>
      <Command className="palette" loop label="Find or do anything">
        <Command.Input autoFocus onValueChange={onType} placeholder="Find or do anything" />
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
                      onClose();
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
  );
}
