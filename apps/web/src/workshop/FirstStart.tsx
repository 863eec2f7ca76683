import type { CrewMember, CrewRow, WorkshopRow, WorkshopSettings } from '@early-lantern/contract';
import { Autocomplete, Box, Button, MenuItem, Paper, Stack, TextField, Typography } from '@mui/material';
import { type FormEvent, useState } from 'react';
import { Link } from 'react-router';
import { call } from '../api/client.ts';
import { keys, queryClient } from '../api/queries.ts';
import { newId } from '../parts/ids.ts';

const zones = Intl.supportedValuesOf('timeZone');
const currencies = Intl.supportedValuesOf('currency');

/** What the browser knows of where somebody is. */
function proposed() {
  const { timeZone, locale } = Intl.DateTimeFormat().resolvedOptions();
  const region = new Intl.Locale(locale).maximize().region;
  return {
    timeZone,
    units:
      region === 'US' || region === 'LR' || region === 'MM' ? ('imperial' as const) : ('metric' as const),
    currency: region === 'US' ? 'USD' : '',
  };
}

interface FirstStartProps {
  row: WorkshopRow;
  crew: CrewRow[];
}

/** Asked once, before anything else: whose workshop this is, how it measures, where it is, and who works in it. */
export function FirstStart({ row, crew }: FirstStartProps) {
  const [form, setForm] = useState(() => ({ name: '', lead: '', driver: '', ...proposed() }));
  const [fault, setFault] = useState<string>();
  const set = (more: Partial<typeof form>) => setForm((before) => ({ ...before, ...more }));
  const missing = () => {
    if (!form.name.trim()) return 'Give the workshop a name.';
    if (!form.lead.trim() || !form.driver.trim()) return 'Name two people: who leads, and who drives.';
    return undefined;
  };
  const begin = async (event: FormEvent) => {
    event.preventDefault();
    const lacks = missing();
    setFault(lacks);
    if (lacks) return;
    try {
      await keepPeople(crew, form.lead.trim(), form.driver.trim());
      const { isNew: _, ...known } = row.data;
      const data: WorkshopSettings = {
        ...known,
        name: form.name.trim(),
        units: form.units,
        timeZone: form.timeZone,
        ...(form.currency ? { currency: form.currency } : {}),
      };
      await call('PUT', '/workshop', { revision: row.revision, data });
      await Promise.all(
        [keys.workshop, keys.crew].map((queryKey) => queryClient.invalidateQueries({ queryKey })),
      );
    } catch (error) {
      setFault((error as Error).message);
    }
  };
  return (
    <Box sx={{ px: { xs: 1.5, sm: 3 }, pb: 4, display: 'grid', justifyItems: 'center' }}>
      <Paper variant="outlined" sx={{ p: { xs: 2, sm: 3.5 }, width: '100%', maxWidth: 640 }}>
        <form noValidate onSubmit={(event) => void begin(event)}>
          <Stack spacing={2}>
            <Typography variant="h1">Before the first job</Typography>
            <Typography>
              Six answers, all of which can be changed later under Workshop. The{' '}
              <Link to="/help/01-first-start" style={{ color: 'inherit' }}>
                guide
              </Link>{' '}
              goes on from here.
            </Typography>
            <TextField
              label="Name of the workshop"
              autoFocus
              value={form.name}
              onChange={({ target }) => set({ name: target.value.slice(0, 120) })}
            />
            <Box sx={{ display: 'grid', gap: 2, gridTemplateColumns: { xs: '1fr', sm: '1fr 1fr' } }}>
              <TextField
                select
                label="Lengths"
                value={form.units}
                onChange={({ target }) => set({ units: target.value === 'metric' ? 'metric' : 'imperial' })}
              >
                <MenuItem value="imperial">feet and inches</MenuItem>
                <MenuItem value="metric">metres and centimetres</MenuItem>
              </TextField>
              <Autocomplete
                options={currencies}
                value={form.currency || null}
                onChange={(_, currency) => set({ currency: currency ?? '' })}
                renderInput={(field) => <TextField {...field} label="Currency" />}
              />
              <Autocomplete
                options={zones}
                value={form.timeZone}
                disableClearable
                onChange={(_, timeZone) => set({ timeZone })}
                renderInput={(field) => <TextField {...field} label="Time zone" />}
                sx={{ gridColumn: { sm: '1 / -1' } }}
              />
              <TextField
                label="Who leads"
                value={form.lead}
                onChange={({ target }) => set({ lead: target.value.slice(0, 120) })}
              />
              <TextField
                label="Who drives"
                value={form.driver}
                onChange={({ target }) => set({ driver: target.value.slice(0, 120) })}
              />
            </Box>
            {fault && (
              <Typography role="alert" sx={{ color: 'var(--mui-palette-out)', fontWeight: 650 }}>
                {fault}
              </Typography>
            )}
            <Button type="submit" variant="contained" sx={{ justifySelf: 'start', alignSelf: 'start' }}>
              Begin
            </Button>
          </Stack>
        </form>
      </Paper>
    </Box>
  );
}

/** The person that was there takes the lead's name; a second one drives. Sent again after a failure, nobody comes twice. */
async function keepPeople(crew: readonly CrewRow[], lead: string, driver: string): Promise<void> {
  const [me, second] = crew;
  const person = (name: string, skills: CrewMember['skills']): CrewMember => ({
    id: newId(name),
    name,
    skills,
    shift: { from: '07:00', to: '20:00' },
  });
  if (me)
    await call('PUT', `/crew/${me.data.id}`, { revision: me.revision, data: { ...me.data, name: lead } });
  else await call('POST', '/crew', person(lead, ['lead', 'driver', 'ladder', 'tying']));
  if (second)
    await call('PUT', `/crew/${second.data.id}`, {
      revision: second.revision,
      data: { ...second.data, name: driver },
    });
  else await call('POST', '/crew', person(driver, ['driver', 'ladder', 'tying']));
}
