import type { JobFile, Piece } from '@early-lantern/contract';
import type { Heat } from '@early-lantern/core';
import { useEffect, useMemo, useState } from 'react';
import { askHeat } from '../workers/planner.ts';

interface HeatLayerProps {
  piece: Piece;
  file: JobFile;
  heightM: number;
}

/** How deep one looks into a piece: the deeper, the hotter; open places hottest. Drawn over its balloons. */
export function HeatLayer({ piece, file, heightM }: HeatLayerProps) {
  const [heat, setHeat] = useState<Heat>();
  useEffect(() => {
    let wanted = true;
    void askHeat(file, piece.id).then((answer) => {
      if (wanted) setHeat(answer);
    });
    return () => {
      wanted = false;
    };
  }, [file, piece.id]);
  const painted = useMemo(() => heat && paintedHeat(heat), [heat]);
  if (!heat || !painted) return null;
  const { xM, yM, cellM, width, height } = heat;
  return (
    <image
      data-testid="heat"
      href={painted}
      x={xM}
      y={heightM - yM - height * cellM}
      width={width * cellM}
      height={height * cellM}
      preserveAspectRatio="none"
      pointerEvents="none"
    />
  );
}

/** Below this, of 255, nothing is painted: every ball is round. */
const COOL = 70;

/** The picture of a heat, its first row at the foot: clear, then violet, then red. */
function paintedHeat({ width, height, values }: Heat): string | undefined {
  const paper = document.createElement('canvas');
  paper.width = width;
  paper.height = height;
  const ink = paper.getContext('2d');
  if (!ink) return undefined;
  const dots = ink.createImageData(width, height);
  values.forEach((value, c) => {
    if (value < COOL) return;
    const share = (value - COOL) / (255 - COOL);
    const at = 4 * ((height - 1 - Math.floor(c / width)) * width + (c % width));
    dots.data[at] = 92 + 108 * share;
    dots.data[at + 1] = 44 * (1 - share);
    dots.data[at + 2] = 140 - 110 * share;
    dots.data[at + 3] = 110 + 130 * share;
  });
  ink.putImageData(dots, 0, 0);
  return paper.toDataURL();
}
