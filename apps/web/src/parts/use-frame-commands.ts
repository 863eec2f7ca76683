import { useColorScheme } from '@mui/material';
import { useMemo } from 'react';
import { useNavigate } from 'react-router';
import { useFound, useJobNames } from '../api/queries.ts';
import { helpFor } from '../help/help-for.ts';
import { useUnits } from '../preferences.tsx';
import { useCommands, usePalette } from './palette.tsx';
import type { PaletteCommand } from './palette-command.ts';
import { useKeys } from './useKeys.ts';

export const pages = [
  { to: '/', label: 'Horizon', key: 'h' },
  { to: '/sites', label: 'Sites', key: 's' },
  { to: '/stock', label: 'Stock', key: 't' },
  { to: '/workshop', label: 'Workshop', key: 'w' },
];

/** Where what was found is looked at. */
const placeOf = {
  job: (id: string) => `/jobs/${id}/pieces`,
  site: (id: string) => `/sites/${id}`,
  person: (id: string) => `/?person=${id}`,
};

/** What every page can do, from its head, by a key or from the palette: go elsewhere, other units, light or dark. */
export function useFrameCommands() {
  const { units, setUnits } = useUnits();
  const { mode, systemMode, setMode } = useColorScheme();
  const isDark = (mode === 'system' ? systemMode : mode) === 'dark';
  const navigate = useNavigate();
  const jobs = useJobNames().data;
  const { typed } = usePalette();
  const answer = useFound(typed).data;
  const found = typed.trim().length > 1 ? answer : undefined;
  useKeys(Object.fromEntries(pages.map((page) => [page.key, () => void navigate(page.to)])));

  const otherUnits = units === 'imperial' ? 'metric' : 'imperial';
  useCommands(
    useMemo<PaletteCommand[]>(
      () => [
        ...pages.map((page) => ({
          id: page.to,
          group: 'Go to' as const,
          label: page.label,
          keys: page.key.toUpperCase(),
          run: () => void navigate(page.to),
        })),
        { id: '/on-site', group: 'Go to' as const, label: 'On site', run: () => void navigate('/on-site') },
        ...(jobs ?? []).map((job) => ({
          id: `job-${job.id}`,
          group: 'Go to' as const,
          label: job.name,
          run: () => void navigate(`/jobs/${job.id}/pieces`),
        })),
        // What stands above by its name need not stand here again.
        ...(found ?? [])
          .filter(
            ({ what, id, name }) =>
              what !== 'job' ||
              !jobs?.some((job) => job.id === id) ||
              !name.toLowerCase().includes(typed.trim().toLowerCase()),
          )
          .map(({ what, id, name, detail }) => ({
            id: `found-${what}-${id}`,
            group: 'Found' as const,
            label: detail ? `${name} · ${detail}` : name,
            run: () => void navigate(placeOf[what](id)),
          })),
        {
          id: 'units',
          group: 'Do',
          label: `Show lengths in ${otherUnits} units`,
          run: () => setUnits(otherUnits),
        },
        {
          id: 'mode',
          group: 'Do',
          label: isDark ? 'Light page' : 'Dark page',
          run: () => setMode(isDark ? 'light' : 'dark'),
        },
        {
          id: 'help',
          group: 'Go to',
          label: 'Help: the guide, at this step',
          run: () => void navigate(`/help/${helpFor(window.location.pathname)}`),
        },
      ],
      [jobs, found, typed, navigate, otherUnits, setUnits, isDark, setMode],
    ),
  );
  return {
    units,
    otherUnits,
    isDark,
    turnUnits: () => setUnits(otherUnits),
    turnMode: () => setMode(isDark ? 'light' : 'dark'),
  };
}
