import type { Piece, SchoolName, Schools, Workshop } from '@early-lantern/contract';
import { bySchool, schoolEffects, schoolOptions, schoolsOf } from '@early-lantern/core';
import ExpandMoreIcon from '@mui/icons-material/ExpandMore';
import {
  Accordion,
  AccordionDetails,
  AccordionSummary,
  Box,
  MenuItem,
  TextField,
  Typography,
} from '@mui/material';
import { memo, useMemo, useState } from 'react';
import { schoolValues, schoolWords } from '../parts/school-words.ts';

interface SchoolsPanelProps {
  piece: Piece;
  workshop: Workshop;
  onCommit: (piece: Piece) => string | undefined;
}

/** The ways of working of a piece: the house's, or its own where installers differ. */
export const SchoolsPanel = memo(function SchoolsPanel({ piece, workshop, onCommit }: SchoolsPanelProps) {
  const [open, setOpen] = useState(false);
  if (!('grade' in piece)) return null;
  const own = Object.values({ ...piece.schools }).filter(Boolean).length;
  return (
    <Accordion
      disableGutters
      variant="outlined"
      expanded={open}
      onChange={(_, next) => setOpen(next)}
      sx={{ bgcolor: 'transparent' }}
    >
      <AccordionSummary expandIcon={<ExpandMoreIcon />}>
        <Typography variant="h3" component="span">
          How it is made{own ? `: ${own} of its own` : ': as the house works'}
        </Typography>
      </AccordionSummary>
      <AccordionDetails sx={{ display: 'grid', gap: 1.5 }}>
        {open &&
          (Object.keys(schoolOptions) as SchoolName[]).map((name) => (
            <School key={name} name={name} piece={piece} workshop={workshop} onCommit={onCommit} />
          ))}
      </AccordionDetails>
    </Accordion>
  );
});

const HOUSE = 'house';

function School({ name, piece, workshop, onCommit }: SchoolsPanelProps & { name: SchoolName }) {
  const effects = useMemo(() => schoolEffects(piece, name, workshop), [piece, name, workshop]);
  const own = 'schools' in piece ? piece.schools?.[name] : undefined;
  const garlands = piece.kind === 'organic-garland' && name === 'joining' ? piece.joining : undefined;
  const inForce = schoolsOf(piece, workshop.schools)[name];
  const words = schoolWords[name];
  const house = workshop.schools?.[name];
  return (
    <Box>
      <TextField
        select
        fullWidth
        label={words.question}
        value={own ?? garlands ?? HOUSE}
        onChange={(event) =>
          onCommit(bySchool(piece, name, event.target.value === HOUSE ? undefined : event.target.value))
        }
        slotProps={{ select: { renderValue: (value) => valueWords(String(value), inForce) } }}
      >
        <MenuItem value={HOUSE}>as the house works{house ? `: ${schoolValues[house]}` : ''}</MenuItem>
        {effects.map((effect) => (
          <MenuItem key={effect.value} value={effect.value} sx={{ whiteSpace: 'normal', display: 'block' }}>
            {schoolValues[effect.value]}
            <Typography component="div" sx={{ fontSize: 13, color: 'text.secondary' }}>
              {effectWords(effect, inForce)}
            </Typography>
          </MenuItem>
        ))}
      </TextField>
      <Typography sx={{ fontSize: 13, color: 'text.secondary', mt: 0.25 }}>{words.effect}</Typography>
    </Box>
  );
}

const valueWords = (value: string, inForce: Schools[SchoolName]) =>
  value === HOUSE ? `${schoolValues[inForce]} (house)` : (schoolValues[value] ?? value);

/** "12 min more on site, 20 rubber bands more, 5 modelling balloons fewer". */
function effectWords(effect: ReturnType<typeof schoolEffects>[number], inForce: string): string {
  if (effect.value === inForce) return 'as it is now';
  const time = (minutes: number, where: string) =>
    Math.abs(minutes) < 0.5
      ? []
      : [`${Math.abs(Math.round(minutes))} min ${minutes > 0 ? 'more' : 'less'} ${where}`];
  const parts = [
    ...time(effect.benchMin, 'at the bench'),
    ...time(effect.siteMin, 'on site'),
    ...effect.materials.map(
      ({ label, unit, more }) =>
        `${label}: ${Number(Math.abs(more).toFixed(1))} ${unit} ${more > 0 ? 'more' : 'fewer'}`,
    ),
  ];
  return parts.length ? parts.join(' · ') : 'no difference in time or materials; the card says it otherwise';
}
