import type { SiteEvent } from '@early-lantern/contract';
import { Box, Typography } from '@mui/material';
import { type RefObject, useEffect, useRef } from 'react';
import SignaturePad from 'signature_pad';
import { BigButton } from './BigButton.tsx';

type Strokes = Extract<SiteEvent, { kind: 'signed' }>['strokes'];

/** What has been drawn so far. */
export interface Drawn {
  /** Lines of points, in thousandths of the field's width; empty where nothing was drawn. */
  strokes(): Strokes;
}

/** Of width to height. */
const ASPECT = 2.5;
/** So many points of a line are kept, and so many lines. */
const MOST = { points: 1000, lines: 100 };

/** A field to draw one's name in with a finger; whoever cannot leaves it empty, the typed name counts. */
export function SignatureField({ drawn }: { drawn: RefObject<Drawn | undefined> }) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const pad = useRef<SignaturePad>(undefined);
  useEffect(() => {
    const field = canvas.current;
    if (!field) return;
    const width = field.clientWidth;
    field.width = width;
    field.height = Math.round(width / ASPECT);
    const made = new SignaturePad(field, { penColor: '#1f2637', minWidth: 1.2, maxWidth: 3 });
    pad.current = made;
    drawn.current = {
      strokes: () =>
        made
          .toData()
          .slice(0, MOST.lines)
          .map(({ points }) =>
            points
              .slice(0, MOST.points)
              .map(({ x, y }): [number, number] => [thousandths(x, width), thousandths(y, width)]),
          )
          .filter((line) => line.length > 0),
    };
    return () => made.off();
  }, [drawn]);
  return (
    <Box>
      <Typography sx={{ fontSize: '1.0625rem' }}>
        Sign here with a finger, or leave it empty: the name counts.
      </Typography>
      <Box
        component="canvas"
        ref={canvas}
        role="img"
        aria-label="Field for the signature"
        sx={{
          width: '100%',
          aspectRatio: String(ASPECT),
          border: 2,
          borderColor: 'text.primary',
          borderRadius: 2,
          // Paper in either theme: ink is dark.
          bgcolor: '#fffaf0',
          touchAction: 'none',
          display: 'block',
          my: 1,
        }}
      />
      <BigButton onClick={() => pad.current?.clear()}>Draw again</BigButton>
    </Box>
  );
}

const thousandths = (pixels: number, width: number): number =>
  Math.min(3000, Math.max(-1000, Math.round((pixels / width) * 1000)));

/** The drawing of a signature as SVG, one path a line. */
export function signatureSvg(strokes: Strokes): string {
  const path = (line: Strokes[number]) => `M${line.map(([x, y]) => `${x} ${y}`).join('L')}`;
  return `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 1000 ${1000 / ASPECT}"><path d="${strokes.map(path).join('')}" fill="none" stroke="#1f2637" stroke-width="7" stroke-linecap="round" stroke-linejoin="round"/></svg>`;
}

export function SignaturePicture({ strokes, name }: { strokes: Strokes; name: string }) {
  if (strokes.length === 0) return null;
  return (
    <Box
      component="img"
      alt={`Signature of ${name}`}
      src={`data:image/svg+xml;charset=utf-8,${encodeURIComponent(signatureSvg(strokes))}`}
      sx={{ width: '100%', maxWidth: 320, bgcolor: '#fffaf0', borderRadius: 1 }}
    />
  );
}
