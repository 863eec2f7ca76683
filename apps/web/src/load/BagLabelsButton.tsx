import LabelIcon from '@mui/icons-material/LabelOutlined';
import { Button } from '@mui/material';
import { BagLabels, type LabelledBag } from '../cards/BagLabels.tsx';
import { labelSheets } from '../cards/label.tsx';
import { useJob } from '../job/context.ts';
import { paperFor, saveAsPdf } from '../parts/save-drawing.ts';
import { clockTime, shortDay } from '../parts/time.ts';
import { useUnits } from '../preferences.tsx';
import { useLoaded } from './use-loaded.ts';

const SOFT = new Set(['section', 'bag', 'bouquet']);

/** A label for each bag as PDF. */
export function BagLabelsButton() {
  const { planned, file } = useJob();
  const { units, mass } = useUnits();
  const loaded = useLoaded();
  if (!planned || !loaded) return null;
  const { job, site, workshop } = file;
  const { tasks, pieces } = planned.plan;
  const save = () => {
    const bags = loaded.fits.vehicles.flatMap(({ name, trip, items }) =>
      items
        .filter(({ kind }) => SOFT.has(kind))
        .map(({ id, kind, label, massKg, order, pieceId }): LabelledBag => {
          const row = loaded.packing.find((one) => one.id === id);
          const task = tasks.find((one) => one.id === row?.forTask);
          const piece = pieces.find((one) => one.id === pieceId)?.name ?? '';
          const own = loaded.fits.sections.filter((one) => one.pieceId === pieceId);
          const section = own.find(({ bag }) => bag === row?.bag);
          const hungAs = own.length > 1 ? section?.hungAs : undefined;
          return {
            bag: row?.bag ?? label,
            piece,
            what: [
              label.split(`${piece}, `)[1] ?? '',
              hungAs ? `hung as number ${hungAs}` : '',
              section?.bagType ?? '',
            ]
              .filter(Boolean)
              .join(', '),
            weight: mass(massKg),
            rides: `${name}${trip > 1 ? `, trip ${trip}` : ''}: number ${order} in`,
            opened: task
              ? `Open at ${clockTime(task.start, workshop.timeZone)}: ${task.label.replace(`${piece}: `, '')}`
              : '',
            isUpright: kind === 'bouquet',
          };
        }),
    );
    const whose = { job: job.name, place: site.name, day: shortDay(job.doors, workshop.timeZone) };
    const paper = paperFor(units);
    const sheets = labelSheets(bags, paper).map((sheet) => (
      <BagLabels key={sheet[0]?.bag} bags={sheet} whose={whose} />
    ));
    void saveAsPdf(`bag labels ${job.name}`, sheets, paper);
  };
  return (
    <Button variant="outlined" startIcon={<LabelIcon />} onClick={save}>
      Bag labels
    </Button>
  );
}
