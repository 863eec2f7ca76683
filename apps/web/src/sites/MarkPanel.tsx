import type { Spot } from '@early-lantern/contract';
import { backOf } from '@early-lantern/core';
import DeleteIcon from '@mui/icons-material/DeleteOutlined';
import { Box, IconButton, MenuItem, Stack, TextField, Typography } from '@mui/material';
import { LengthField } from '../parts/LengthField.tsx';
import { listWords, type Mark, markChoices } from './marks.ts';
import { surfaceWords } from './words.ts';

interface MarkPanelProps {
  mark: Mark;
  spot: Spot;
  /** What was changed of it; the rest stays as it is by then. */
  onMark: (edit: Partial<Mark>) => void;
  onRemove: () => void;
}

/** The chosen mark in figures. */
export function MarkPanel({ mark, spot, onMark, onRemove }: MarkPanelProps) {
  const word = (what: string) =>
    mark.list === 'regions' ? surfaceWords[what as keyof typeof surfaceWords] : what;
  return (
    <Stack spacing={1.25} component="section" aria-label={listWords[mark.list].one}>
      <Stack direction="row" sx={{ alignItems: 'center' }}>
        <Typography variant="h3" sx={{ flexGrow: 1 }}>
          {listWords[mark.list].one}
        </Typography>
        <IconButton size="small" aria-label={`Delete this ${mark.what}`} onClick={onRemove}>
          <DeleteIcon />
        </IconButton>
      </Stack>
      <Box sx={{ display: 'grid', gridTemplateColumns: '1fr 1fr', gap: 1.25 }}>
        {mark.list !== 'power' && (
          <TextField
            select
            label="What"
            value={mark.what}
            onChange={(event) => onMark({ what: event.target.value })}
            sx={{ gridColumn: '1 / -1' }}
          >
            {markChoices[mark.list].map((what) => (
              <MenuItem key={what} value={what}>
                {word(what)}
              </MenuItem>
            ))}
          </TextField>
        )}
        <LengthField
          label="Across"
          min={0}
          max={spot.widthM}
          valueM={mark.xM}
          onCommit={(xM) => onMark({ xM })}
        />
        <LengthField
          label="Up"
          min={0}
          max={spot.heightM}
          valueM={mark.yM}
          onCommit={(yM) => onMark({ yM })}
        />
        {mark.widthM !== undefined && (
          <LengthField
            label="Width"
            max={60}
            valueM={mark.widthM}
            onCommit={(widthM) => onMark({ widthM })}
          />
        )}
        {mark.heightM !== undefined && (
          <LengthField
            label="Height"
            max={20}
            valueM={mark.heightM}
            onCommit={(heightM) => onMark({ heightM })}
          />
        )}
        {mark.list === 'keepClear' && (
          <>
            <LengthField
              label={`From the ${backOf(spot.kind)}`}
              min={0}
              max={60}
              valueM={mark.frontM ?? 0}
              onCommit={(frontM) => onMark({ frontM })}
            />
            <LengthField
              label="Reaches out by"
              max={60}
              valueM={mark.depthM}
              placeholder="any distance"
              slotProps={{ inputLabel: { shrink: true } }}
              onCommit={(depthM) => onMark({ depthM })}
              onClear={() => onMark({ depthM: undefined })}
            />
          </>
        )}
        {mark.what === 'exit' && (
          <TextField
            select
            label="Door"
            value={mark.swing ?? ''}
            onChange={(event) => onMark({ swing: (event.target.value || undefined) as Mark['swing'] })}
            slotProps={{ inputLabel: { shrink: true }, select: { displayEmpty: true } }}
            sx={{ gridColumn: '1 / -1' }}
          >
            <MenuItem value="">opens away, or no door</MenuItem>
            <MenuItem value="left">opens this way, hinged on the left</MenuItem>
            <MenuItem value="right">opens this way, hinged on the right</MenuItem>
            <MenuItem value="both">two leaves that open this way</MenuItem>
          </TextField>
        )}
        {mark.lengthM !== undefined && (
          <LengthField
            label="Length (0: one point)"
            min={0}
            max={60}
            valueM={mark.lengthM}
            onCommit={(lengthM) => onMark({ lengthM })}
          />
        )}
      </Box>
    </Stack>
  );
}
