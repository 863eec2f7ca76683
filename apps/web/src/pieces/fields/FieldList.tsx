import type { Colour, Piece } from '@early-lantern/contract';
import { Box, FormControlLabel, MenuItem, Switch, TextField, Typography } from '@mui/material';
import { CommitField } from '../../parts/CommitField.tsx';
import { LengthField } from '../../parts/LengthField.tsx';
import type { Field } from '../editors/index.ts';
import { BlownField } from './BlownField.tsx';
import { ColourList } from './ColourList.tsx';
import { ColourPick } from './ColourPick.tsx';
import { ItemsField } from './ItemsField.tsx';
import { LayersField } from './LayersField.tsx';
import { MixField } from './MixField.tsx';
import { PatternField } from './PatternField.tsx';
import { TopperField } from './TopperField.tsx';

interface FieldListProps {
  piece: Piece;
  fields: readonly Field<Piece>[];
  colours: readonly Colour[];
  /** Takes the piece over, or says what is wrong with it. Changes of one gesture undo as one. */
  onCommit: (piece: Piece, gesture?: string) => string | undefined;
}

/** Whatever can be typed or chosen about a piece, two to a row. */
export function FieldList({ piece, fields, colours, onCommit }: FieldListProps) {
  return (
    <Box sx={{ display: 'grid', gridTemplateColumns: '1fr 1fr', gap: 1.25, alignItems: 'start' }}>
      {fields.map((field) => (
        <Box
          key={`${field.type}-${field.label}`}
          sx={isWide(field) ? { gridColumn: '1 / -1' } : { minWidth: 0 }}
        >
          <OneField field={field} piece={piece} colours={colours} onCommit={onCommit} />
        </Box>
      ))}
    </Box>
  );
}

const isWide = ({ type }: Field<Piece>) =>
  ['heading', 'blown', 'colours', 'pattern', 'mix', 'items', 'topper', 'text', 'switch', 'layers'].includes(
    type,
  );

interface OneFieldProps extends Omit<FieldListProps, 'fields'> {
  field: Field<Piece>;
}

function OneField({ field, piece, colours, onCommit }: OneFieldProps) {
  switch (field.type) {
    case 'heading':
      return <Typography variant="h3">{field.label}</Typography>;
    case 'length':
      return (
        <LengthField
          fullWidth
          label={field.label}
          valueM={field.value(piece)}
          short={field.short ?? false}
          min={field.min ?? 0.05}
          max={field.max ?? 60}
          onCommit={(metres) => onCommit(field.set(piece, metres))}
        />
      );
    case 'number':
      return (
        <CommitField
          fullWidth
          label={field.label}
          value={String(Number(field.value(piece).toFixed(3)))}
          onCommit={(text) => {
            const value = Number(text.replace(',', '.'));
            const isWhole = !field.whole || Number.isInteger(value);
            if (text.trim() === '' || !isWhole || !(value >= field.min && value <= field.max))
              return `${field.whole ? 'A whole number' : 'A number'} from ${field.min} to ${field.max}`;
            return onCommit(field.set(piece, value));
          }}
        />
      );
    case 'pick':
      return (
        <TextField
          select
          fullWidth
          label={field.label}
          value={field.value(piece)}
          onChange={(event) => onCommit(field.set(piece, event.target.value))}
        >
          {field.options.map(([value, label]) => (
            <MenuItem key={value} value={value}>
              {label}
            </MenuItem>
          ))}
        </TextField>
      );
    case 'switch':
      return (
        <FormControlLabel
          control={
            <Switch
              size="small"
              checked={field.value(piece)}
              onChange={(event) => onCommit(field.set(piece, event.target.checked))}
            />
          }
          label={field.label}
        />
      );
    case 'text':
      return (
        <CommitField
          fullWidth
          label={field.label}
          value={field.value(piece)}
          onCommit={(text) => onCommit(field.set(piece, text))}
        />
      );
    case 'blown':
      return (
        <BlownField
          label={field.label}
          value={field.value(piece)}
          onCommit={(blown) => onCommit(field.set(piece, blown))}
        />
      );
    case 'colour':
      return (
        <ColourPick
          label={field.label}
          value={field.value(piece)}
          colours={colours}
          onPick={(colour) => onCommit(field.set(piece, colour))}
        />
      );
    case 'colours':
      return (
        <ColourList
          label={field.label}
          value={field.value(piece)}
          most={field.most}
          colours={colours}
          onChange={(next) => onCommit(field.set(piece, next))}
        />
      );
    case 'layers':
      return (
        <LayersField
          label={field.label}
          value={field.value(piece)}
          usual={() => field.usual(piece)}
          colours={colours}
          onChange={(layers) => onCommit(field.set(piece, layers))}
        />
      );
    case 'pattern':
      return (
        <PatternField
          value={field.value(piece)}
          colours={colours}
          onChange={(pattern) => onCommit(field.set(piece, pattern))}
        />
      );
    case 'topper':
      return (
        <TopperField
          label={field.label}
          value={field.value(piece)}
          colours={colours}
          onChange={(topper) => onCommit(field.set(piece, topper))}
        />
      );
    case 'mix':
      return (
        <MixField
          label={field.label}
          mix={field.value(piece)}
          colours={colours}
          onChange={(mix, gesture) => onCommit(field.set(piece, mix), gesture)}
        />
      );
    case 'items':
      return piece.kind === 'furnishing' ? (
        <ItemsField label={field.label} piece={piece} onCommit={onCommit} />
      ) : null;
  }
}
