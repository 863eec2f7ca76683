import type { Task } from '@early-lantern/contract';
import { Box, Typography } from '@mui/material';
import { LoadDrawing } from '../load/LoadDrawing.tsx';
import { mapLines, mapNotes } from '../looks/map-words.ts';
import { PieceSheet } from '../looks/PieceSheet.tsx';
import { FixingCard } from './FixingCard.tsx';
import { HowCard } from './HowCard.tsx';
import type { TakenJob } from './kept-on-device.ts';
import { usePictures } from './use-pictures.ts';
import { widthsOf, Zoomed } from './Zoomed.tsx';

/** Tasks at which somebody has to know where in the vehicle what lies. */
const LOADING = new Set(['load-vehicle', 'unload-first', 'unload', 'carry-out']);

/** Stages in which a piece is fixed to something. */
const FIXING = new Set(['frame', 'tie', 'hang', 'roof', 'accent']);

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
      {piece && FIXING.has(task.stage ?? '') && <FixingCard piece={piece} picture={picture} taken={taken} />}
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
