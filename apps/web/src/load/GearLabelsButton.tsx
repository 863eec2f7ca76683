import { lineCode } from '@early-lantern/core';
import QrCodeIcon from '@mui/icons-material/QrCode2';
import { Button } from '@mui/material';
import { GearLabels, type LabelledGear } from '../cards/GearLabels.tsx';
import { labelSheets } from '../cards/label.tsx';
import { useJob } from '../job/context.ts';
import { amountText } from '../parts/amounts.ts';
import { paperFor, saveAsPdf } from '../parts/save-drawing.ts';
import { useUnits } from '../preferences.tsx';
import { useLoaded } from './use-loaded.ts';

/** A label with a code for each line of what comes home, as PDF: read by a phone when it is unloaded. */
export function GearLabelsButton() {
  const { file } = useJob();
  const { units } = useUnits();
  const loaded = useLoaded();
  if (!loaded) return null;
  const save = () => {
    const gear = loaded.packing
      .filter(({ after }) => after === 'comes back')
      .map(
        ({ id, label, qty, unit, bag, why }): LabelledGear => ({
          code: lineCode(id),
          what: label,
          amount: amountText(qty, unit, units),
          lives: bag ? `In: ${bag}` : 'Rides by itself',
          why: `For: ${why}`,
        }),
      );
    const paper = paperFor(units);
    const sheets = labelSheets(gear, paper).map((sheet) => (
      <GearLabels key={sheet[0]?.code} gear={sheet} whose={`${file.job.name} · comes back to the workshop`} />
    ));
    void saveAsPdf(`gear labels ${file.job.name}`, sheets, paper);
  };
  return (
    <Button variant="outlined" startIcon={<QrCodeIcon />} onClick={save}>
      Gear labels
    </Button>
  );
}
