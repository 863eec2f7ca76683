import type { Piece } from '@early-lantern/contract';
import { asSeenBy, type Eyes, type PaletteReading, recoloured } from '@early-lantern/core';
import {
  Button,
  Dialog,
  DialogActions,
  DialogContent,
  DialogTitle,
  Stack,
  Table,
  TableBody,
  TableCell,
  TableHead,
  TableRow,
  Typography,
} from '@mui/material';

interface PaletteDialogProps {
  piece: Piece;
  reading: PaletteReading;
  wall: string;
  spotName: string;
  onCommit: (piece: Piece) => string | undefined;
  onClose: () => void;
}

const eyesWords: Record<Eyes, string> = {
  usual: 'Most eyes',
  deutan: 'Green-blind',
  protan: 'Red-blind',
  tritan: 'Blue-blind',
};
const showsWords = { well: 'stands out', near: 'not from across the room', hardly: 'hardly shows' } as const;

/** Each colour of a piece before its wall, as different eyes see it; pairs that look alike; the house's colours that stand out. */
export function PaletteDialog({ piece, reading, wall, spotName, onCommit, onClose }: PaletteDialogProps) {
  const { wall: before, alike } = reading;
  return (
    <Dialog open onClose={onClose} maxWidth="md" fullWidth aria-labelledby="palette-title">
      <DialogTitle id="palette-title">Palette: {piece.name}</DialogTitle>
      <DialogContent>
        <Stack spacing={1.5}>
          <Typography sx={{ fontSize: 14, color: 'text.secondary' }}>
            On {spotName}, by daylight. The figure is how far a colour differs from the wall: 10 is another
            colour near by, 15 from across the room, some 10 m.
          </Typography>
          <Table size="small" sx={{ '& td, & th': { px: 1 } }}>
            <TableHead>
              <TableRow>
                <TableCell>Colour</TableCell>
                {(Object.keys(eyesWords) as Eyes[]).map((eyes) => (
                  <TableCell key={eyes}>{eyesWords[eyes]}</TableCell>
                ))}
                <TableCell>Against the wall</TableCell>
              </TableRow>
            </TableHead>
            <TableBody>
              {before.map(({ colour, difference, shows, instead }) => (
                <TableRow key={colour.id}>
                  <TableCell sx={{ fontWeight: 650 }}>{colour.name}</TableCell>
                  {(Object.keys(eyesWords) as Eyes[]).map((eyes) => (
                    <TableCell key={eyes}>
                      <OnWall wall={asSeenBy(wall, eyes)} hex={asSeenBy(colour.hex, eyes)} />
                    </TableCell>
                  ))}
                  <TableCell>
                    {Math.round(difference)}, {showsWords[shows]}
                    {instead && (
                      <Button
                        size="small"
                        sx={{ display: 'block', textAlign: 'left' }}
                        onClick={() => void onCommit(recoloured(piece, colour.id, instead.colour.id))}
                      >
                        Use {instead.colour.name} ({Math.round(instead.difference)})
                      </Button>
                    )}
                  </TableCell>
                </TableRow>
              ))}
            </TableBody>
          </Table>
          {alike.length > 0 && (
            <div>
              <Typography sx={{ fontWeight: 650 }}>Taken for one</Typography>
              {alike.map(({ one, other, difference, eyes, isNear }) => (
                <Typography key={`${one.id} ${other.id}`} sx={{ fontSize: 15 }}>
                  {one.name} and {other.name}:{' '}
                  {eyes === 'usual'
                    ? isNear
                      ? 'by everybody'
                      : 'from across the room'
                    : `by ${eyesWords[eyes].toLowerCase()} eyes`}{' '}
                  ({Math.round(difference)})
                </Typography>
              ))}
            </div>
          )}
        </Stack>
      </DialogContent>
      <DialogActions>
        <Button variant="contained" onClick={onClose}>
          Close
        </Button>
      </DialogActions>
    </Dialog>
  );
}

/** A balloon against the wall. */
function OnWall({ wall, hex }: { wall: string; hex: string }) {
  return (
    <svg
      width="58"
      height="40"
      viewBox="0 0 58 40"
      aria-hidden="true"
      style={{ display: 'block', borderRadius: 6 }}
    >
      <rect width="58" height="40" fill={wall} />
      <circle cx="20" cy="20" r="14" fill={hex} />
      <circle cx="44" cy="20" r="4" fill={hex} />
    </svg>
  );
}
