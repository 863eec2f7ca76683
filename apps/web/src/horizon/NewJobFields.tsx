import type { NewJob, Site, Template, Workshop } from '@early-lantern/contract';
import { FormHelperText, MenuItem, TextField, Typography } from '@mui/material';
import type { ReactElement } from 'react';
import { Controller, type UseFormReturn } from 'react-hook-form';
import { CrewPicker } from '../parts/CrewPicker.tsx';
import { DateTimeField } from '../parts/DateTimeField.tsx';

interface NewJobFieldsProps {
  form: UseFormReturn<NewJob>;
  workshop: Workshop;
  sites: readonly Site[];
  templates: readonly { data: Template }[];
}

/** Of menus that have one line for none of them: an id is never empty. */
const NONE = '';

/** Name, beginning, place, doors and people of a new job. */
export function NewJobFields({ form, workshop, sites, templates }: NewJobFieldsProps) {
  const { control, register, formState } = form;
  const { errors } = formState;
  const choice = (
    name: 'siteId' | 'templateId',
    label: string,
    none: ReactElement,
    lines: ReactElement[],
  ) => (
    <Controller
      control={control}
      name={name}
      render={({ field }) => (
        <TextField
          select
          label={label}
          value={field.value ?? NONE}
          onChange={({ target }) => field.onChange(target.value === NONE ? null : target.value)}
          slotProps={{ select: { displayEmpty: true }, inputLabel: { shrink: true } }}
        >
          {name === 'siteId' ? [...lines, none] : [none, ...lines]}
        </TextField>
      )}
    />
  );
  return (
    <>
      <TextField
        label="Job name"
        autoFocus
        error={errors.name !== undefined}
        helperText={errors.name?.message}
        {...register('name')}
      />
      {templates.length > 0 &&
        choice(
          'templateId',
          'Start from',
          <MenuItem key={NONE} value={NONE}>
            a blank job
          </MenuItem>,
          templates.map(({ data }) => (
            <MenuItem key={data.id} value={data.id}>
              {data.name}
            </MenuItem>
          )),
        )}
      {choice(
        'siteId',
        'Site',
        <MenuItem key={NONE} value={NONE}>
          A new place…
        </MenuItem>,
        sites.map((site) => (
          <MenuItem key={site.id} value={site.id}>
            {site.name}
          </MenuItem>
        )),
      )}
      <Controller
        control={control}
        name="doors"
        render={({ field }) => (
          <DateTimeField
            label="Doors"
            value={field.value}
            zone={workshop.timeZone}
            onCommit={(iso) => void field.onChange(iso) as undefined}
          />
        )}
      />
      <Controller
        control={control}
        name="crew"
        render={({ field }) => (
          <div>
            <Typography sx={{ fontSize: 14, color: 'text.secondary', mb: 0.75 }}>Crew</Typography>
            <CrewPicker crew={workshop.crew} chosen={field.value} onChange={field.onChange} />
            {errors.crew && <FormHelperText error>{errors.crew.message}</FormHelperText>}
          </div>
        )}
      />
    </>
  );
}
