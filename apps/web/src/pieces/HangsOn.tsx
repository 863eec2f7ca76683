import type { On, Piece } from '@early-lantern/contract';
import { type Carrying, hungOn, placesFor, proposalsFor, type Side } from '@early-lantern/core';
import { Box, Button, MenuItem, TextField } from '@mui/material';

interface HangsOnProps {
  piece: Piece;
  /** All pieces of the job. */
  pieces: readonly Piece[];
  onChange: (piece: Piece) => void;
}

const NOT_SAID = 'not-said';
const PLACE = 'place';
const keyOf = ({ pieceId, part }: On) => `${pieceId}/${part}`;

/** Which part of which piece carries this one, from a list; two lists where it has two ends. */
export function HangsOn({ piece, pieces, onChange }: HangsOnProps) {
  const places = placesFor(piece, pieces);
  const isTwoEnded = piece.kind === 'pair-arch' || piece.kind === 'chain';
  const isGarland = piece.kind === 'organic-garland';
  const ends = places.filter(({ part }) => part.id === 'start' || part.id === 'end');
  const carriers = isGarland ? places.filter((place) => !ends.includes(place)) : places;
  if (carriers.length + ends.length === 0 && !piece.on && !piece.alsoOn) return null;
  const pick = (side: Side, value: string) => {
    const place = places.find(({ carrier, part }) => keyOf({ pieceId: carrier.id, part: part.id }) === value);
    const on = place
      ? { pieceId: place.carrier.id, part: place.part.id }
      : value === PLACE
        ? null
        : undefined;
    onChange(hungOn(piece, side, on, pieces));
  };
  // Two pieces overlap and nobody has said whether one carries the other.
  const [lies] = piece.on === undefined && !isTwoEnded ? proposalsFor(piece, pieces) : [];
  return (
    <Box sx={{ display: 'grid', gap: 1.25, gridTemplateColumns: isTwoEnded ? '1fr 1fr' : '1fr' }}>
      {(carriers.length > 0 || piece.on) && (
        <PlaceSelect
          label={isTwoEnded ? 'Left end on' : 'Hangs on'}
          value={piece.on === null ? PLACE : piece.on ? keyOf(piece.on) : NOT_SAID}
          places={carriers}
          withPlace
          onPick={(value) => pick('on', value)}
        />
      )}
      {lies && (
        <Button
          size="small"
          variant="outlined"
          sx={{ justifySelf: 'start' }}
          onClick={() => onChange(hungOn(piece, 'on', lies.on, pieces))}
        >
          Hang it on the {lies.part.label} of {lies.carrier.name}
        </Button>
      )}
      {isTwoEnded && (
        <PlaceSelect
          label="Right end on"
          value={piece.alsoOn ? keyOf(piece.alsoOn) : NOT_SAID}
          places={carriers}
          onPick={(value) => pick('alsoOn', value)}
        />
      )}
      {isGarland && (ends.length > 0 || piece.alsoOn) && (
        <PlaceSelect
          label="Joined to"
          value={piece.alsoOn ? keyOf(piece.alsoOn) : NOT_SAID}
          places={ends}
          none="nothing"
          onPick={(value) => pick('alsoOn', value)}
        />
      )}
    </Box>
  );
}

interface PlaceSelectProps {
  label: string;
  value: string;
  places: readonly Carrying[];
  /** Offers the place itself: its wall, beam or floor. */
  withPlace?: boolean;
  none?: string;
  onPick: (value: string) => void;
}

function PlaceSelect({ label, value, places, withPlace, none = 'not said', onPick }: PlaceSelectProps) {
  const known = places.some(({ carrier, part }) => keyOf({ pieceId: carrier.id, part: part.id }) === value);
  const isFree = value === NOT_SAID || value === PLACE;
  return (
    <TextField select fullWidth label={label} value={value} onChange={(event) => onPick(event.target.value)}>
      <MenuItem value={NOT_SAID}>{none}</MenuItem>
      {withPlace && <MenuItem value={PLACE}>the place itself: wall, beam or floor</MenuItem>}
      {places.map(({ carrier, part }) => (
        <MenuItem key={`${carrier.id}/${part.id}`} value={keyOf({ pieceId: carrier.id, part: part.id })}>
          {part.label} of {carrier.name}
        </MenuItem>
      ))}
      {/* A part that its carrier has no more, as it was changed since: Holds says so. */}
      {!known && !isFree && <MenuItem value={value}>a part that is gone: choose again</MenuItem>}
    </TextField>
  );
}
