import type { VehicleLoad } from '@early-lantern/contract';
import { Button, Stack } from '@mui/material';
import { useJob } from '../job/context.ts';
import { paperFor, saveAsPdf, saveAsSvg } from '../parts/save-drawing.ts';
import { useUnits } from '../preferences.tsx';
import { LoadDrawing } from './LoadDrawing.tsx';

const nothing = () => {};

/** The pictures of a load to take along: one vehicle as SVG, all of them as PDF. */
export function LoadFiles({ load, all }: { load: VehicleLoad; all: readonly VehicleLoad[] }) {
  const { job } = useJob().file;
  const { units } = useUnits();
  const drawing = (one: VehicleLoad, side: 'above' | 'left') => (
    <LoadDrawing load={one} side={side} items={one.items} chosen={undefined} onChoose={nothing} />
  );
  const pages = all.flatMap((one) => [drawing(one, 'above'), drawing(one, 'left')]);
  return (
    <Stack direction="row" spacing={1} className="no-print">
      <Button
        size="small"
        variant="outlined"
        onClick={() => void saveAsSvg(`load ${load.name} ${job.name}`, drawing(load, 'above'))}
      >
        Save as SVG
      </Button>
      <Button
        size="small"
        variant="outlined"
        onClick={() => void saveAsPdf(`load ${job.name}`, pages, paperFor(units))}
      >
        Save as PDF
      </Button>
    </Stack>
  );
}
