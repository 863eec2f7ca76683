import type { Task } from '@early-lantern/contract';
import type { Picture } from '@early-lantern/core';
import { Box, Typography } from '@mui/material';
import { type ReactNode, useState } from 'react';
import { LoadDrawing } from '../load/LoadDrawing.tsx';
import { mapLines, mapNotes } from '../looks/map-words.ts';
import { boundsOf, PieceSheet } from '../looks/PieceSheet.tsx';
import { BigButton } from './BigButton.tsx';
import { HowCard } from './HowCard.tsx';
import type { TakenJob } from './kept-on-device.ts';
import { usePictures } from './use-pictures.ts';

/** Tasks at which somebody has to know where in the vehicle what lies. */
const LOADING = new Set(['load-vehicle', 'unload-first', 'unload', 'carry-out']);

/** The piece as it will hang, with numbers where fillers go; and the load where it is carried in or out. */
export function TaskPictures({ task, taken }: { task: Task; taken: TakenJob }) {
  const { file, plan } = taken;
  const pictures = usePictures(taken);
  const piece = file.job.pieces.find(({ id }) => id === task.pieceId);
  const picture = piece && pictures?.[piece.id];
  const fillers = plan.full.fillers.filter(({ pieceId, isCounted }) => pieceId === piece?.id && isCounted);
  const isFilling = task.stage === 'fill' && fillers.length > 0;
  const counted = plan.full.pieces.find(({ id }) => id === piece?.id)?.fillers.counted ?? 0;
  return (
    <>
      {piece && picture && (
        <HowCard title={isFilling ? 'Where the fillers go' : 'Picture'} isOpen={isFilling}>
          {isFilling && (
            <Typography component="div" sx={{ fontSize: '1.0625rem', mb: 1 }}>
              {[...mapLines(fillers), ...mapNotes(fillers, counted)].map((line) => (
                <div key={line}>{line}</div>
              ))}
            </Typography>
          )}
          <Zoomed name={piece.name} widths={widthsOf(picture)}>
            {(timesAsWide) => (
              <PieceSheet
                name={piece.name}
                picture={picture}
                colours={file.workshop.colours}
                maxHeight="none"
                timesAsWide={timesAsWide}
                {...(isFilling ? { fillers } : {})}
              />
            )}
          </Zoomed>
        </HowCard>
      )}
      {LOADING.has(task.id) &&
        plan.fits.vehicles.map((load) => (
          <HowCard key={`${load.id} ${load.trip}`} title={`Load: ${load.name}`} isOpen={false}>
            <Zoomed name={load.name} widths={[1, 2.5]}>
              {() =>
                (['left', 'above'] as const).map((side) => (
                  <LoadDrawing
                    key={side}
                    load={load}
                    side={side}
                    items={load.items}
                    chosen={undefined}
                    onChoose={() => undefined}
                  />
                ))
              }
            </Zoomed>
            <Box component="ol" sx={{ m: 0, pl: 3.5, fontSize: '1.0625rem' }}>
              {[...load.items]
                .sort((one, other) => one.order - other.order)
                .map(({ id, label }) => (
                  <li key={id}>{label}</li>
                ))}
            </Box>
          </HowCard>
        ))}
    </>
  );
}

/** Longer than this for its height a piece is shown in parts from the first: whole it would be a line on a phone. */
const LONG = 2;
const MOST_TIMES = 6;

/** How wide a picture is shown with each press, in widths of the phone. */
function widthsOf(picture: Picture): number[] {
  const { w, h } = boundsOf(picture);
  const legible = Math.min(MOST_TIMES, w / h / LONG);
  return legible > 1.2 ? [legible, legible * 2, 1] : [1, 2, 3.5];
}

interface ZoomedProps {
  name: string;
  /** In widths of the phone, one press after the other. */
  widths: readonly number[];
  children: (timesAsWide: number) => ReactNode;
}

/** A picture that a press makes larger: then it is pushed about with a finger, or with the arrow keys. */
function Zoomed({ name, widths, children }: ZoomedProps) {
  const [at, setAt] = useState(0);
  const width = widths[at] as number;
  const next = (at + 1) % widths.length;
  return (
    <Box sx={{ display: 'grid', gap: 1, mb: 1 }}>
      <Box
        role="region"
        aria-label={`Picture of ${name}`}
        // Pushed with the arrow keys as well.
        tabIndex={0}
        sx={{ overflow: 'auto', maxHeight: '70vh', border: 1, borderColor: 'divider', borderRadius: 1 }}
      >
        <Box sx={{ width: `${width * 100}%` }}>{children(width)}</Box>
      </Box>
      <BigButton onClick={() => setAt(next)}>
        {(widths[next] as number) > width ? 'Larger' : 'Smaller'}
      </BigButton>
    </Box>
  );
}
