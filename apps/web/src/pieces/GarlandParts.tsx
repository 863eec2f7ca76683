import type { Colour, PieceOf } from '@early-lantern/contract';
import { chainLength, letHang, lineOfLength, outerOverMean, smoothLine } from '@early-lantern/core';
import { Box, Button, Typography } from '@mui/material';
import { memo, useCallback } from 'react';
import type { JobContextValue } from '../job/context.ts';
import { LengthField } from '../parts/LengthField.tsx';
import { useUnits } from '../preferences.tsx';
import { ColourMix } from './ColourMix.tsx';
import { Making } from './Making.tsx';
import { edited } from './mix-props.ts';
import { SizeMix } from './SizeMix.tsx';

const points = (piece: PieceOf<'organic-garland'>) => piece.line.map(({ xM, yM }) => ({ x: xM, y: yM }));

type Garland = PieceOf<'organic-garland'>;
/** What is shown may be a moment behind what was typed: an edit that goes by what is there is worked out from it. */
type GarlandEdit = Partial<Garland> | ((now: Garland) => Partial<Garland>);

interface GarlandPartsProps {
  piece: PieceOf<'organic-garland'>;
  colours: readonly Colour[];
  changePiece: JobContextValue['changePiece'];
}

/** What an organic garland is asked first: how long, how wide, of what. */
export function GarlandParts({ piece, colours, changePiece }: GarlandPartsProps) {
  const change = useCallback(
    (edit: GarlandEdit, gesture?: string) =>
      changePiece(
        piece.id,
        (before) => edited(before as PieceOf<'organic-garland'>, edit),
        gesture && `${piece.id}-${gesture}`,
      ),
    [changePiece, piece.id],
  );
  const lengthM = chainLength(smoothLine(points(piece)));
  const { widthM, taper } = piece;
  const { short } = useUnits();
  const hung = letHang(piece);
  const setLength = (wanted: number) => change((now) => ({ line: lineOfLength(now, wanted) }));
  return (
    <>
      <Box sx={{ display: 'grid', gridTemplateColumns: '1.3fr 1fr 1fr', gap: 1.25 }}>
        <LengthField label="Length" valueM={lengthM} min={0.3} max={60} onCommit={setLength} />
        <WidthAndTip widthM={widthM} taper={taper} onChange={change} />
      </Box>
      <Typography sx={{ fontSize: 13, color: 'text.secondary', mt: -0.75 }}>
        Width is the average of the outline; single balloons stick out to{' '}
        {short(widthM * outerOverMean(piece.sizes))}.
      </Typography>
      {hung && (
        <Button
          size="small"
          sx={{ alignSelf: 'flex-start' }}
          onClick={() => change((now) => ({ line: letHang(now) ?? now.line }))}
        >
          Let it hang from its ends
        </Button>
      )}
      <ColourMix mix={piece} known={colours} onChange={change} />
      <SizeMix mix={piece} onChange={change} />
      <Making mix={piece} onChange={change} />
    </>
  );
}

interface WidthAndTipProps extends Pick<PieceOf<'organic-garland'>, 'widthM' | 'taper'> {
  onChange: (edit: GarlandEdit) => void;
}

const WidthAndTip = memo(function WidthAndTip({ widthM, taper, onChange }: WidthAndTipProps) {
  return (
    <>
      <LengthField
        label="Width"
        short
        valueM={widthM}
        min={0.1}
        max={3}
        onCommit={(metres) => onChange({ widthM: metres })}
      />
      <LengthField
        label="Tip"
        short
        valueM={widthM * taper}
        min={widthM * 0.2}
        max={widthM}
        onCommit={(tipM) =>
          onChange((now) => ({
            taper: Number(Math.min(1, Math.max(0.2, tipM / now.widthM)).toFixed(4)),
          }))
        }
      />
    </>
  );
});
