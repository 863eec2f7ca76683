import type { OrganicGarland } from '@early-lantern/contract';
import { chainLength, METRES_PER_FOOT, scaleToLength, smoothLine } from '@early-lantern/core';
import DeleteIcon from '@mui/icons-material/DeleteOutlined';
import { Box, IconButton, MenuItem, Slider, Stack, TextField, Tooltip, Typography } from '@mui/material';
import { useJob } from '../job/context.ts';
import { LengthField } from '../parts/LengthField.tsx';
import { WorkingButton } from '../parts/WorkingButton.tsx';
import { ColourMix } from './ColourMix.tsx';
import { SizeMix } from './SizeMix.tsx';

interface GarlandPanelProps {
  piece: OrganicGarland;
  onRemove: () => void;
}

const points = (piece: OrganicGarland) => piece.line.map(({ xM, yM }) => ({ x: xM, y: yM }));

/** Everything about an organic garland but its line. */
export function GarlandPanel({ piece, onRemove }: GarlandPanelProps) {
  const { planned, changePiece } = useJob();
  const plan = planned?.plan.pieces.find((one) => one.id === piece.id);
  const change = (edit: Partial<OrganicGarland>, gesture?: string) =>
    changePiece(piece.id, (before) => ({ ...before, ...edit }), gesture && `${piece.id}-${gesture}`);
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
      <ColourMix piece={piece} onChange={change} />
      <SizeMix piece={piece} onChange={change} />
      <Box sx={{ display: 'grid', gridTemplateColumns: '1fr 1fr', gap: 1.5 }}>
        <TextField
          select
          label="Cluster of"
          value={String(piece.clusterSize)}
          onChange={(event) =>
            change({ clusterSize: event.target.value === 'auto' ? 'auto' : Number(event.target.value) })
          }
        >
          <MenuItem value="auto">what suits the width</MenuItem>
          {[4, 5, 6, 7, 8].map((n) => (
            <MenuItem key={n} value={String(n)}>
              {n}
            </MenuItem>
          ))}
        </TextField>
        <TextField
          select
          label="Strung"
          value={piece.strung}
          onChange={(event) => change({ strung: event.target.value as OrganicGarland['strung'] })}
        >
          <MenuItem value="tight">pushed up tight</MenuItem>
          <MenuItem value="loose">with play</MenuItem>
        </TextField>
        <TextField
          select
          label="Joined by"
          value={piece.joining}
          onChange={(event) => change({ joining: event.target.value as OrganicGarland['joining'] })}
        >
          <MenuItem value="string-260">modelling balloon</MenuItem>
          <MenuItem value="string-neck">neck to neck</MenuItem>
          <MenuItem value="string-line">fishing line</MenuItem>
        </TextField>
        <TextField
          select
          label="Quality"
          value={piece.grade}
          onChange={(event) => change({ grade: event.target.value as OrganicGarland['grade'] })}
        >
          <MenuItem value="professional">professional</MenuItem>
          <MenuItem value="standard">standard</MenuItem>
          <MenuItem value="budget">budget</MenuItem>
        </TextField>
      </Box>
      <Box>
        <Typography id="fillers" sx={{ fontSize: 14 }}>
          Fillers: {(piece.fillers.triosPerM * METRES_PER_FOOT).toFixed(1)} trios a foot at 22 in wide
        </Typography>
        <Slider
          size="small"
          aria-labelledby="fillers"
          value={piece.fillers.triosPerM * METRES_PER_FOOT}
          min={0}
          max={5}
          step={0.25}
          onChange={(_, perFoot) =>
            change(
              {
                fillers: {
                  ...piece.fillers,
                  triosPerM: Number(((perFoot as number) / METRES_PER_FOOT).toFixed(4)),
                },
              },
              'fillers',
            )
          }
        />
      </Box>
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
