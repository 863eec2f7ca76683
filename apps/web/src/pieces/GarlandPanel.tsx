import type { OrganicGarland } from '@early-lantern/contract';
import { chainLength, scaleToLength, smoothLine } from '@early-lantern/core';
import DeleteIcon from '@mui/icons-material/DeleteOutlined';
import { Box, IconButton, Stack, TextField, Tooltip, Typography } from '@mui/material';
import { useCallback } from 'react';
import { useJob } from '../job/context.ts';
import { LengthField } from '../parts/LengthField.tsx';
import { WorkingButton } from '../parts/WorkingButton.tsx';
import { ColourMix } from './ColourMix.tsx';
import { Making } from './Making.tsx';
import { SizeMix } from './SizeMix.tsx';

interface GarlandPanelProps {
  piece: OrganicGarland;
  onRemove: () => void;
}

const points = (piece: OrganicGarland) => piece.line.map(({ xM, yM }) => ({ x: xM, y: yM }));

/** Everything about an organic garland but its line. */
export function GarlandPanel({ piece, onRemove }: GarlandPanelProps) {
  const { planned, changePiece, file } = useJob();
  const plan = planned?.plan.pieces.find((one) => one.id === piece.id);
  const change = useCallback(
    (edit: Partial<OrganicGarland>, gesture?: string) =>
      changePiece(piece.id, (before) => ({ ...before, ...edit }), gesture && `${piece.id}-${gesture}`),
    [changePiece, piece.id],
  );
  const lengthM = chainLength(smoothLine(points(piece)));
  const setLength = (wanted: number) =>
    change({
      line: scaleToLength(points(piece), wanted).map(({ x, y }) => ({
        xM: Number(x.toFixed(5)),
        yM: Number(y.toFixed(5)),
      })),
    });
  const balloons = plan?.balloons.reduce((sum, row) => sum + row.need, 0) ?? 0;

  return (
    <Stack spacing={2}>
      <Stack direction="row" sx={{ alignItems: 'center', gap: 1 }}>
        <TextField
          fullWidth
          label="Piece"
          value={piece.name}
          error={!piece.name.trim()}
          onChange={(event) => change({ name: event.target.value.slice(0, 120) }, 'name')}
        />
        <Tooltip title="Delete this piece (undo brings it back)">
          <IconButton aria-label={`Delete ${piece.name}`} onClick={onRemove}>
            <DeleteIcon />
          </IconButton>
        </Tooltip>
      </Stack>
      {plan && (
        <Typography component="div" data-testid="piece-counts">
          <WorkingButton title={piece.name} working={plan.working}>
            <Box component="strong" sx={{ fontSize: 17 }}>
              {balloons} balloons
            </Box>
          </WorkingButton>{' '}
          · {plan.clusters} clusters of {plan.clusterSize} · {plan.fillerTrios} filler trios
        </Typography>
      )}
      <Box sx={{ display: 'grid', gridTemplateColumns: '1.3fr 1fr 1fr', gap: 1.25 }}>
        <LengthField label="Length" valueM={lengthM} min={0.3} max={60} onCommit={setLength} />
        <LengthField
          label="Width"
          short
          valueM={piece.widthM}
          min={0.1}
          max={3}
          onCommit={(widthM) => change({ widthM })}
        />
        <LengthField
          label="Tip"
          short
          valueM={piece.widthM * piece.taper}
          min={piece.widthM * 0.2}
          max={piece.widthM}
          onCommit={(tipM) => change({ taper: Number((tipM / piece.widthM).toFixed(4)) })}
        />
      </Box>
      <ColourMix piece={piece} known={file.workshop.colours} onChange={change} />
      <SizeMix piece={piece} onChange={change} />
      <Making piece={piece} onChange={change} />
      {plan?.notes.map((note) => (
        <Typography
          key={note}
          sx={{ fontSize: 14, color: 'text.secondary', borderLeft: 3, borderColor: 'divider', pl: 1.25 }}
        >
          {note}
        </Typography>
      ))}
    </Stack>
  );
}
