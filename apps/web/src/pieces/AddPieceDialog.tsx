import type { Colour, Piece, PieceKind, Spot, Template } from '@early-lantern/contract';
import { kindNames, newPiece, pictureOf } from '@early-lantern/core';
import { Box, ButtonBase, Dialog, DialogContent, DialogTitle, Typography } from '@mui/material';
import { type ReactNode, useMemo } from 'react';
import { stillOffered } from '../parts/still-offered.ts';
import { useTemplates } from '../templates/use-templates.ts';
import { BalloonGradients } from './BalloonLayer.tsx';
import { PieceDrawing } from './PieceDrawing.tsx';

/** What each kind is for, in a few words, in the order they are asked for. */
const offered: [PieceKind, string][] = [
  ['organic-garland', 'clusters along any line'],
  ['packed-arch', 'layers on a bent pipe'],
  ['packed-column', 'layers on a pole'],
  ['square-column', 'colours straight up'],
  ['photo-frame', 'a rectangle to stand in'],
  ['standing-garland', 'up a pole and over'],
  ['panel-wall', 'square panels on a stand'],
  ['table-arch', 'clamped to a table'],
  ['tower', 'rings with a roof'],
  ['pair-arch', 'large outside, small inside'],
  ['chain', 'links of modelling balloons'],
  ['topiary', 'a ball on a stand'],
  ['centrepiece', 'graded, by the dozen'],
  ['bunch', 'flowers on thread'],
  ['banner', 'one motif a letter'],
  ['accent', 'big round, foil or helium'],
  ['backdrop', 'curtain, greenery, boards, sign'],
  ['furnishing', 'tables, chairs, props'],
];

interface AddPieceDialogProps {
  colours: readonly Colour[];
  onAdd: (kind: PieceKind) => void;
  onTemplate: (template: Template) => void;
  onClose: () => void;
}

const SAMPLE_SPOT: Pick<Spot, 'id' | 'widthM' | 'heightM'> = { id: 'sample', widthM: 4, heightM: 3 };

/** Every kind that can be built, each drawn as it would begin. */
export function AddPieceDialog({ colours, onAdd, onTemplate, onClose }: AddPieceDialogProps) {
  const templates = useTemplates('piece');
  const samples = useMemo(
    () =>
      offered.map(([kind, words]) => {
        const piece = newPiece(kind, {
          id: kind,
          name: kindNames[kind],
          spot: SAMPLE_SPOT,
          colours: stillOffered(colours).map((colour) => colour.id),
          seed: 3,
        });
        return { kind, words, piece };
      }),
    [colours],
  );
  return (
    <Dialog open onClose={onClose} maxWidth="md" fullWidth>
      <DialogTitle>Choose a piece</DialogTitle>
      <DialogContent>
        <svg width="0" height="0" aria-hidden="true" style={{ position: 'absolute' }}>
          <defs>
            <BalloonGradients colours={colours} />
          </defs>
        </svg>
        {templates.length > 0 && (
          <Box component="section" aria-label="Templates" sx={{ mb: 2 }}>
            <Typography variant="h3" sx={{ mb: 0.75 }}>
              Templates
            </Typography>
            <Offers>
              {templates.map(({ data }) => (
                <Offer
                  key={data.id}
                  name={data.name}
                  words={wordsOf(data)}
                  piece={data.pieces[0] as Piece}
                  colours={colours}
                  onTake={() => onTemplate(data)}
                />
              ))}
            </Offers>
          </Box>
        )}
        <Offers>
          {samples.map(({ kind, words, piece }) => (
            <Offer
              key={kind}
              name={kindNames[kind]}
              words={words}
              piece={piece}
              colours={colours}
              onTake={() => onAdd(kind)}
            />
          ))}
        </Offers>
      </DialogContent>
    </Dialog>
  );
}

const wordsOf = ({ pieces }: Template): string => {
  const [first, ...carried] = pieces;
  const kind = first ? kindNames[first.kind].toLowerCase() : '';
  return carried.length === 0 ? kind : `${kind}, with ${carried.map(({ name }) => name).join(', ')}`;
};

const Offers = ({ children }: { children: ReactNode }) => (
  <Box sx={{ display: 'grid', gap: 1, gridTemplateColumns: 'repeat(auto-fill, minmax(132px, 1fr))' }}>
    {children}
  </Box>
);

interface OfferProps {
  name: string;
  words: string;
  piece: Piece;
  colours: readonly Colour[];
  onTake: () => void;
}

function Offer({ name, words, piece, colours, onTake }: OfferProps) {
  return (
    <ButtonBase
      onClick={onTake}
      sx={{
        display: 'block',
        textAlign: 'left',
        border: 1,
        borderColor: 'divider',
        borderRadius: 1,
        p: 1,
        bgcolor: 'background.default',
        '&:hover': { borderColor: 'text.primary' },
      }}
    >
      <Sample piece={piece} colours={colours} />
      <Typography sx={{ fontWeight: 650, lineHeight: 1.2, overflowWrap: 'anywhere' }}>{name}</Typography>
      <Typography sx={{ fontSize: 13, color: 'text.secondary', lineHeight: 1.25 }}>{words}</Typography>
    </ButtonBase>
  );
}

/** A piece alone, as large as its box allows. */
function Sample({ piece, colours }: { piece: Piece; colours: readonly Colour[] }) {
  const picture = useMemo(() => pictureOf(piece), [piece]);
  const xs = [
    ...picture.balloons.flatMap(({ xM, rM }) => [xM - rM, xM + rM]),
    ...picture.shapes.flatMap((shape) =>
      shape.shape === 'line' ? shape.points.map((p) => p.x) : [shape.xM, shape.xM + shape.widthM],
    ),
  ];
  const ys = [
    ...picture.balloons.flatMap(({ yM, rM }) => [yM - rM, yM + rM]),
    ...picture.shapes.flatMap((shape) =>
      shape.shape === 'line' ? shape.points.map((p) => p.y) : [shape.yM, shape.yM + shape.heightM],
    ),
  ];
  const [left, right, low, high] = [Math.min(...xs), Math.max(...xs), Math.min(...ys), Math.max(...ys)];
  return (
    <svg
      viewBox={`${left} ${-high} ${Math.max(0.1, right - left)} ${Math.max(0.1, high - low)}`}
      width="100%"
      height="84"
      aria-hidden="true"
    >
      <PieceDrawing picture={picture} colours={colours} heightM={0} />
    </svg>
  );
}
