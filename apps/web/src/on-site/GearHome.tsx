import { type CrewMember, GearFate, type PackingRow } from '@early-lantern/contract';
import { gearEvent, lineCode, readLineCode } from '@early-lantern/core';
import { Box, TextField, Typography } from '@mui/material';
import { useState } from 'react';
import { rowWords } from '../load/row-words.ts';
import { clockTime } from '../parts/time.ts';
import { BigButton } from './BigButton.tsx';
import { Contradiction } from './Contradiction.tsx';
import { fold } from './fold.ts';
import type { TakenJob } from './kept-on-device.ts';
import { ScanSheet } from './ScanSheet.tsx';
import type { SiteLogHere } from './use-log.ts';

const fateWords: Record<GearFate, string> = {
  back: 'Back',
  damaged: 'Damaged',
  missing: 'Missing',
  'kept on site': 'Stays there',
};

/** What may be said of a thing that is in one's hand. */
const readFates = ['back', 'damaged', 'kept on site'] as const;
type ReadFate = (typeof readFates)[number];

interface GearHomeProps {
  who: CrewMember;
  taken: TakenJob;
  log: SiteLogHere;
}

/** What was to come back, line by line: back, damaged, missing or kept on site. */
export function GearHome({ who, taken, log }: GearHomeProps) {
  const { plan } = taken;
  const { gear } = log.happened;
  const [typed, setTyped] = useState('');
  const all = plan.packing.filter(({ after }) => after === 'comes back');
  const open = all.filter(({ id }) => !gear.has(id));
  const missing = all.filter(({ id }) => gear.get(id)?.entry.event.fate === 'missing');
  const wanted = fold(typed);
  const code = readLineCode(typed);
  const found = wanted
    ? all.filter(
        ({ id, label, bag }) => fold(`${label} ${bag ?? ''}`).includes(wanted) || lineCode(id) === code,
      )
    : all;
  const [isScanning, setScanning] = useState(false);
  const [reads, setReads] = useState<ReadFate>('back');
  /** A thing whose label is read is here: what is read is back where nothing else was chosen, unless somebody has said that it is damaged. */
  const read = (text: string): string => {
    const scanned = readLineCode(text);
    const rows = all.filter(({ id }) => lineCode(id) === scanned);
    const [row] = rows;
    if (!row) return scanned ? 'That is not on this job’s list.' : 'That is no label of ours.';
    if (rows.length > 1)
      return `It may be ${rows.map(({ label }) => label).join(' or ')}: choose in the list.`;
    const said = gear.get(row.id);
    const before = said && !said.isContradicted ? said.entry.event.fate : undefined;
    const fate = before === 'damaged' && reads === 'back' ? 'damaged' : reads;
    if (before !== fate)
      void log.write(
        who.id,
        gearEvent(row, fate, open),
        said?.entries.map(({ id }) => id),
      );
    return `${fateWords[fate]}: ${rowWords(row, taken.file.workshop.units)}`;
  };
  return (
    <Box sx={{ display: 'grid', gap: 2 }}>
      <Typography variant="h1" sx={{ fontSize: '1.75rem' }}>
        Gear back home
      </Typography>
      <Typography sx={{ fontSize: '1.25rem', fontWeight: 700 }} data-testid="gear-open">
        {open.length === 0 ? 'Everything is counted' : `${open.length} of ${all.length} still to count`}
        {missing.length > 0 && `, ${missing.length} missing`}
      </Typography>
      <BigButton variant="contained" onClick={() => setScanning(true)}>
        Read labels with the camera
      </BigButton>
      {isScanning && (
        <ScanSheet title="Read labels" meaning={reads} onRead={read} onClose={() => setScanning(false)}>
          <Box
            role="group"
            aria-label="Mark each label as"
            sx={{ display: 'grid', gridTemplateColumns: 'repeat(3, 1fr)', gap: 1 }}
          >
            {readFates.map((fate) => (
              <BigButton
                key={fate}
                variant={fate === reads ? 'contained' : 'outlined'}
                aria-pressed={fate === reads}
                onClick={() => setReads(fate)}
                sx={{ fontSize: '1rem' }}
              >
                {fateWords[fate]}
              </BigButton>
            ))}
          </Box>
        </ScanSheet>
      )}
      <TextField
        label="Find: a few letters, or the five signs of a label"
        value={typed}
        onChange={({ target }) => setTyped(target.value.slice(0, 60))}
        slotProps={{ input: { sx: { fontSize: '1.125rem', minHeight: 56 } } }}
      />
      {found.map((row) => (
        <GearLine key={row.id} row={row} open={open} who={who} taken={taken} log={log} />
      ))}
      {found.length === 0 && (
        <Typography sx={{ fontSize: '1.0625rem' }}>Nothing of that name went out.</Typography>
      )}
    </Box>
  );
}

interface GearLineProps extends GearHomeProps {
  row: PackingRow;
  /** What nobody has counted yet. */
  open: readonly PackingRow[];
}

function GearLine({ row, open, who, taken, log }: GearLineProps) {
  const { file, plan } = taken;
  const said = log.happened.gear.get(row.id);
  const nameOf = (id: string) => file.workshop.crew.find((one) => one.id === id)?.name.split(' ')[0] ?? id;
  const task = plan.tasks.find(({ id }) => id === row.forTask);
  return (
    <Box
      component="section"
      aria-label={row.label}
      sx={{ borderTop: 1, borderColor: 'divider', pt: 1, display: 'grid', gap: 1 }}
    >
      <Typography sx={{ fontSize: '1.0625rem', fontWeight: 650, overflowWrap: 'anywhere' }}>
        {rowWords(row, file.workshop.units)}
      </Typography>
      {said && !said.isContradicted && (
        <Typography sx={{ fontSize: '0.9375rem', color: 'text.secondary' }}>
          {fateWords[said.entry.event.fate]}: {nameOf(said.entry.by)},{' '}
          {clockTime(said.entry.at, plan.timeZone)}
          {said.entry.event.fate === 'missing' && task && `. Used last for: ${task.label}`}
        </Typography>
      )}
      {said?.isContradicted && (
        <Contradiction
          says={said.entries.map(({ by, event }) => `${nameOf(by)}: ${fateWords[event.fate]}`)}
        />
      )}
      <Box sx={{ display: 'grid', gridTemplateColumns: 'repeat(auto-fit, minmax(140px, 1fr))', gap: 1 }}>
        {GearFate.options.map((fate) => {
          const isSo = said?.entry.event.fate === fate && !said.isContradicted;
          return (
            <BigButton
              key={fate}
              variant={isSo ? 'contained' : 'outlined'}
              aria-pressed={isSo}
              sx={{ fontSize: '1rem' }}
              onClick={() =>
                void log.write(
                  who.id,
                  gearEvent(row, fate, open),
                  said?.entries.map(({ id }) => id),
                )
              }
            >
              {fateWords[fate]}
            </BigButton>
          );
        })}
      </Box>
    </Box>
  );
}
