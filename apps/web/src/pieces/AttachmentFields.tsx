import { type Attachment, AttachmentFixing, type Piece, type Workshop } from '@early-lantern/contract';
import { loadsOf, usualFor } from '@early-lantern/core';
import CloseIcon from '@mui/icons-material/Close';
import { Box, IconButton, MenuItem, Stack, TextField, Typography } from '@mui/material';
import { memo } from 'react';
import { type JobContextValue, useJob } from '../job/context.ts';
import { CommitField, someName } from '../parts/CommitField.tsx';
import { newId } from '../parts/ids.ts';
import { UnitField } from '../parts/UnitField.tsx';
import { useUnits } from '../preferences.tsx';

/** How each fixing is called. */
const fixingWords: Record<AttachmentFixing, string> = {
  stem: 'wire stem',
  'half-260': 'half a 260',
  dots: 'adhesive dots',
  tape: 'rolled tape',
  line: 'fishing line',
  pin: 'pin',
  'zip-tie': 'zip ties',
  'pressed-in': 'pressed in, taped',
};

const OWN = 'own';

/** A number within limits that is taken over, or what is wrong with it. */
function number(text: string, min: number, max: number, take: (value: number) => void): string | undefined {
  const value = Number(text.replace(',', '.'));
  if (text.trim() === '' || !(value >= min && value <= max)) return `${min} to ${max}`;
  take(value);
  return undefined;
}

/** Florals, foils, plush, signs, lights and things of one's own on a piece: where, how fixed, how long each takes. */
export function AttachmentFields({ piece }: { piece: Piece }) {
  const { changePiece, file } = useJob();
  return (
    <Fields
      id={piece.id}
      attachments={piece.attachments}
      workshop={file.workshop}
      changePiece={changePiece}
    />
  );
}

interface FieldsProps {
  id: string;
  attachments: readonly Attachment[] | undefined;
  workshop: Workshop;
  changePiece: JobContextValue['changePiece'];
}

/** Not drawn anew while the piece is only moved or its line is drawn. */
const Fields = memo(function Fields({ id, attachments = NONE, workshop, changePiece }: FieldsProps) {
  const { mass } = useUnits();
  const loads = loadsOf(workshop);
  const put = (next: Attachment[]) =>
    changePiece(id, (before) => {
      const { attachments: _, ...rest } = before;
      return (next.length > 0 ? { ...rest, attachments: next } : rest) as Piece;
    });
  const add = (loadId: string) => {
    const load = loads.find((one) => one.id === loadId);
    const { name, what, massKg } = load ?? { name: 'Own thing', what: 'other' as const, massKg: 0.2 };
    put([...attachments, { id: newId('attached'), name, what, massKg, at: 0.5 }]);
  };
  return (
    <Stack spacing={1.25}>
      <Typography variant="h3">Attached: florals, foils, plush, signs, lights</Typography>
      {attachments.map((one) => (
        <AttachmentRow
          key={one.id}
          attachment={one}
          onChange={(more) => put(attachments.map((other) => (other === one ? { ...one, ...more } : other)))}
          onRemove={() => put(attachments.filter((other) => other !== one))}
        />
      ))}
      <TextField
        select
        fullWidth
        size="small"
        label="Attach something"
        value=""
        onChange={(event) => add(event.target.value)}
      >
        {loads.map(({ id: loadId, name, massKg }) => (
          <MenuItem key={loadId} value={loadId}>
            {name}, {mass(massKg)}
          </MenuItem>
        ))}
        <MenuItem value={OWN}>Something else</MenuItem>
      </TextField>
    </Stack>
  );
});

const NONE: readonly Attachment[] = [];

interface AttachmentRowProps {
  attachment: Attachment;
  onChange: (more: Partial<Attachment>) => void;
  onRemove: () => void;
}

function AttachmentRow({ attachment, onChange, onRemove }: AttachmentRowProps) {
  const { name, what, count = 1, massKg, at, fixing, minutesEach } = attachment;
  const usual = usualFor(what);
  return (
    <Box sx={{ borderLeft: 3, borderColor: 'divider', pl: 1.25, display: 'grid', gap: 1 }}>
      <Stack direction="row" sx={{ gap: 1, alignItems: 'center' }}>
        <CommitField
          label="What"
          value={name}
          onCommit={(text) => someName(text, (next) => onChange({ name: next }))}
          sx={{ flex: 3 }}
        />
        <CommitField
          label="Number"
          value={String(count)}
          onCommit={(text) =>
            Number.isInteger(Number(text))
              ? number(text, 1, 200, (next) => onChange({ count: next }))
              : 'A whole number'
          }
          sx={{ flex: 1 }}
        />
        <IconButton aria-label={`Leave ${name} out`} onClick={onRemove}>
          <CloseIcon />
        </IconButton>
      </Stack>
      <Box sx={{ display: 'grid', gap: 1, gridTemplateColumns: '1fr 1fr 1fr' }}>
        <UnitField
          label="Each"
          quantity="mass"
          value={massKg}
          min={0}
          max={50}
          onCommit={(next) => next !== undefined && onChange({ massKg: next })}
        />
        <CommitField
          label="% along"
          value={String(Math.round(at * 100))}
          onCommit={(text) => number(text, 0, 100, (next) => onChange({ at: next / 100 }))}
        />
        <CommitField
          label="min each"
          value={String(minutesEach ?? usual.minutesEach)}
          onCommit={(text) => number(text, 0, 120, (next) => onChange({ minutesEach: next }))}
        />
      </Box>
      <TextField
        select
        size="small"
        label="Fixed with"
        value={fixing ?? usual.fixing}
        onChange={(event) => onChange({ fixing: event.target.value as AttachmentFixing })}
      >
        {AttachmentFixing.options.map((id) => (
          <MenuItem key={id} value={id}>
            {fixingWords[id]}
          </MenuItem>
        ))}
      </TextField>
    </Box>
  );
}
