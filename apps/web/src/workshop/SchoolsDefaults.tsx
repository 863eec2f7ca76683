import type { SchoolName, Schools, WorkshopRow, WorkshopSettings } from '@early-lantern/contract';
import { schoolOptions } from '@early-lantern/core';
import { Box, MenuItem, Paper, TextField, Typography } from '@mui/material';
import { keys } from '../api/queries.ts';
import { schoolValues, schoolWords } from '../parts/school-words.ts';
import { useRowSave } from '../parts/useRowSave.ts';

const USUAL = 'usual';

/** How this house works wherever a piece does not say otherwise. */
export function SchoolsDefaults({ row }: { row: WorkshopRow }) {
  const save = useRowSave<WorkshopSettings>(keys.workshop, '/workshop', row);
  const own = row.data.schools ?? {};
  const set = (name: SchoolName, value: string) =>
    save(({ schools = {} }) => {
      const { [name]: _, ...others } = schools;
      return { schools: (value === USUAL ? others : { ...others, [name]: value }) as Partial<Schools> };
    });
  return (
    <Paper variant="outlined" sx={{ p: 2 }} component="section" aria-label="How we work">
      <Typography variant="h2">How we work</Typography>
      <Typography sx={{ color: 'text.secondary', fontSize: 14, mb: 1.5 }}>
        Every piece follows this until it is given its own way. It decides materials, time and the assembly
        card.
      </Typography>
      <Box sx={{ display: 'grid', gap: 1.5, gridTemplateColumns: { xs: '1fr', sm: '1fr 1fr' } }}>
        {(Object.keys(schoolOptions) as SchoolName[]).map((name) => (
          <TextField
            key={name}
            select
            label={schoolWords[name].question}
            value={own[name] ?? USUAL}
            onChange={(event) => set(name, event.target.value)}
          >
            <MenuItem value={USUAL}>usual: {schoolValues[schoolOptions[name][0] as string]}</MenuItem>
            {schoolOptions[name].map((value) => (
              <MenuItem key={value} value={value}>
                {schoolValues[value]}
              </MenuItem>
            ))}
          </TextField>
        ))}
      </Box>
    </Paper>
  );
}
