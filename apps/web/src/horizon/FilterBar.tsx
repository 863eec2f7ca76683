import type { SiteRow, Workshop } from '@early-lantern/contract';
import { pieceKinds } from '@early-lantern/contract';
import { kindNames } from '@early-lantern/core';
import ClearIcon from '@mui/icons-material/Close';
import SearchIcon from '@mui/icons-material/Search';
import { Box, Button, InputAdornment, MenuItem, TextField } from '@mui/material';
import { useEffect, useRef, useState } from 'react';
import { jobStates, stateWords } from '../parts/state-words.ts';
import type { FilterField, useFilter } from './filter.ts';

interface FilterBarProps {
  by: ReturnType<typeof useFilter>;
  workshop: Workshop;
  sites: SiteRow[];
}

/** Words are looked for when nothing has been typed for so long, ms. */
const PAUSE_MS = 250;

/** What the horizon shows: by words, how far jobs have come, place, person, kind of piece, and what a lamp says. */
export function FilterBar({ by, workshop, sites }: FilterBarProps) {
  const { chosen, count, set, clear } = by;
  const select = (field: FilterField, label: string, all: string, options: readonly [string, string][]) => (
    <TextField
      select
      size="small"
      label={label}
      value={chosen[field] ?? ''}
      onChange={(event) => set(field, event.target.value)}
      slotProps={{ select: { displayEmpty: true }, inputLabel: { shrink: true } }}
    >
      <MenuItem value="">{all}</MenuItem>
      {options.map(([value, words]) => (
        <MenuItem key={value} value={value}>
          {words}
        </MenuItem>
      ))}
    </TextField>
  );
  return (
    <Box
      component="search"
      aria-label="Which jobs"
      sx={{
        display: 'grid',
        gap: 1.25,
        mb: 2,
        gridTemplateColumns: {
          xs: '1fr 1fr',
          sm: 'repeat(3, 1fr)',
          lg: 'minmax(200px, 2fr) repeat(5, 1fr) auto',
        },
        alignItems: 'center',
      }}
    >
      <Words value={chosen.q ?? ''} onChange={(words) => set('q', words)} />
      {select(
        'state',
        'State',
        'not cancelled',
        jobStates.map((state) => [state, stateWords[state]]),
      )}
      {select(
        'site',
        'Site',
        'every site',
        sites.map(({ data }) => [data.id, data.name]),
      )}
      {select(
        'person',
        'Crew',
        'anybody',
        workshop.crew.map(({ id, name }) => [id, name]),
      )}
      {select(
        'kind',
        'Piece',
        'any',
        pieceKinds.map((kind) => [kind, kindNames[kind].toLowerCase()]),
      )}
      {select('lamp', 'Some lamp is', 'any', [
        ['out', 'out'],
        ['low', 'low'],
      ])}
      <Button disabled={count === 0} startIcon={<ClearIcon />} onClick={clear}>
        Show all
      </Button>
    </Box>
  );
}

/** Words typed; asked for when the typing pauses. */
function Words({ value, onChange }: { value: string; onChange: (words: string) => void }) {
  const [typed, setTyped] = useState(value);
  useEffect(() => setTyped(value), [value]);
  // What else was chosen meanwhile must not be lost: the address as it is when the words go into it.
  const change = useRef(onChange);
  change.current = onChange;
  // biome-ignore lint/correctness/useExhaustiveDependencies: only what is typed starts the clock
  useEffect(() => {
    if (typed === value) return;
    const timer = setTimeout(() => change.current(typed), PAUSE_MS);
    return () => clearTimeout(timer);
  }, [typed]);
  return (
    <TextField
      size="small"
      label="Find"
      placeholder="name, place, piece, person"
      value={typed}
      onChange={(event) => setTyped(event.target.value.slice(0, 200))}
      sx={{ gridColumn: { xs: '1 / -1', sm: 'auto' } }}
      slotProps={{
        inputLabel: { shrink: true },
        input: {
          startAdornment: (
            <InputAdornment position="start">
              <SearchIcon fontSize="small" />
            </InputAdornment>
          ),
        },
      }}
    />
  );
}
