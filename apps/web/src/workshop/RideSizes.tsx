import type { RideSize, WorkshopRow, WorkshopSettings } from '@early-lantern/contract';
import { plural, rideThings } from '@early-lantern/core';
import ExpandMoreIcon from '@mui/icons-material/ExpandMore';
import RestartAltIcon from '@mui/icons-material/RestartAlt';
import { Accordion, AccordionDetails, AccordionSummary, Box, IconButton, Typography } from '@mui/material';
import { Fragment } from 'react';
import { keys } from '../api/queries.ts';
import { LengthField } from '../parts/LengthField.tsx';
import { UnitField } from '../parts/UnitField.tsx';
import { useRowSave } from '../parts/useRowSave.ts';

const SIDES = [
  ['lengthM', 'long'],
  ['widthM', 'wide'],
  ['heightM', 'high'],
] as const;

/** Cases, crates and stands as they ride: the catalogue's figures until somebody measures their own. */
export function RideSizes({ row }: { row: WorkshopRow }) {
  const save = useRowSave<WorkshopSettings>(keys.workshop, '/workshop', row);
  const own = row.data.rideSizes ?? [];
  const set = (thing: RideSize, edit: Partial<RideSize>) =>
    save(({ rideSizes = [] }) => {
      const { item, lengthM, widthM, heightM, massKg } = thing;
      const before = rideSizes.find((one) => one.item === item) ?? { item, lengthM, widthM, heightM, massKg };
      return {
        rideSizes: [...rideSizes.filter((one) => one.item !== item), { ...before, ...edit }],
      };
    });
  const reset = (item: string) =>
    save(({ rideSizes = [] }) => ({ rideSizes: rideSizes.filter((one) => one.item !== item) }));
  return (
    <Accordion
      disableGutters
      variant="outlined"
      component="section"
      aria-label="Cases, crates and stands"
      slotProps={{ transition: { unmountOnExit: true } }}
    >
      <AccordionSummary expandIcon={<ExpandMoreIcon />}>
        <Box>
          <Typography variant="h2">Cases, crates and stands</Typography>
          <Typography sx={{ color: 'text.secondary' }}>
            {own.length > 0
              ? `Packed for the road: ${plural(own.length, 'thing')} as you measured.`
              : 'Packed for the road: figures from memory. Measure your own where a load is tight.'}
          </Typography>
        </Box>
      </AccordionSummary>
      <AccordionDetails>
        <Box
          sx={{
            display: 'grid',
            gridTemplateColumns: {
              xs: 'repeat(2, 1fr)',
              sm: 'minmax(130px, 240px) repeat(3, 100px) 110px 40px',
            },
            gap: 1,
            alignItems: 'center',
          }}
        >
          {rideThings.map(({ label, ...usual }) => {
            const mine = own.find(({ item }) => item === usual.item);
            const thing = mine ?? usual;
            return (
              <Fragment key={usual.item}>
                <Typography
                  sx={{ gridColumn: { xs: '1 / -1', sm: 'auto' }, mt: { xs: 1, sm: 0 } }}
                  {...(mine ? { fontWeight: 700 } : {})}
                >
                  {label}
                </Typography>
                {SIDES.map(([side, word]) => (
                  <LengthField
                    key={side}
                    short
                    size="small"
                    label={word}
                    valueM={thing[side]}
                    min={0.01}
                    max={10}
                    slotProps={{ htmlInput: { 'aria-label': `${label}, ${word}` } }}
                    onCommit={(metres) => set(thing, { [side]: metres })}
                  />
                ))}
                <UnitField
                  quantity="mass"
                  size="small"
                  label="weighs"
                  value={thing.massKg}
                  min={0.01}
                  max={2000}
                  slotProps={{ htmlInput: { 'aria-label': `${label}, weight` } }}
                  onCommit={(massKg) => massKg !== undefined && set(thing, { massKg })}
                />
                {mine ? (
                  <IconButton aria-label={`${label}: as in the catalogue`} onClick={() => reset(usual.item)}>
                    <RestartAltIcon />
                  </IconButton>
                ) : (
                  <span />
                )}
              </Fragment>
            );
          })}
        </Box>
      </AccordionDetails>
    </Accordion>
  );
}
