import type { Colour, Pattern } from '@early-lantern/contract';
import { Box, MenuItem, TextField } from '@mui/material';
import { CommitField, wholeNumber } from '../../parts/CommitField.tsx';
import { ColourList } from './ColourList.tsx';

const kinds: [Pattern['kind'], string][] = [
  ['plain', 'plain'],
  ['spiral', 'spiral'],
  ['stripes', 'upright stripes'],
  ['rings', 'rings'],
  ['blocks', 'blocks'],
];

interface PatternFieldProps {
  value: Pattern;
  colours: readonly Colour[];
  onChange: (pattern: Pattern) => void;
}

/** How colours follow each other from layer to layer. */
export function PatternField({ value, colours, onChange }: PatternFieldProps) {
  const isRound = value.kind === 'spiral' || value.kind === 'stripes';
  return (
    <Box sx={{ display: 'grid', gridTemplateColumns: '1fr 1fr', gap: 1.25 }}>
      <TextField
        select
        label="Pattern"
        value={value.kind}
        onChange={(event) => onChange({ ...value, kind: event.target.value as Pattern['kind'] })}
      >
        {kinds.map(([kind, label]) => (
          <MenuItem key={kind} value={kind}>
            {label}
          </MenuItem>
        ))}
      </TextField>
      {value.kind === 'spiral' && (
        <TextField
          select
          label="Climbs to the"
          value={value.turn}
          onChange={(event) => onChange({ ...value, turn: event.target.value as Pattern['turn'] })}
        >
          <MenuItem value="left">left</MenuItem>
          <MenuItem value="right">right</MenuItem>
        </TextField>
      )}
      {value.kind === 'blocks' && (
        <CommitField
          label="Layers in a block"
          value={String(value.blockLayers)}
          onCommit={(text) => wholeNumber(text, 1, 40, (blockLayers) => onChange({ ...value, blockLayers }))}
        />
      )}
      <Box sx={{ gridColumn: '1 / -1' }}>
        <ColourList
          label={isRound ? 'Round the layer' : value.kind === 'plain' ? 'Colour' : 'Upward'}
          value={value.colours}
          most={value.kind === 'plain' ? Math.max(1, value.colours.length) : 12}
          colours={colours}
          onChange={(next) => onChange({ ...value, colours: next })}
        />
      </Box>
    </Box>
  );
}
