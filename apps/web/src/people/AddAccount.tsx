import { type Account, type CrewMember, Name, roles } from '@early-lantern/contract';
import { zodResolver } from '@hookform/resolvers/zod';
import { Autocomplete, Box, Button, MenuItem, TextField, Typography } from '@mui/material';
import { Controller, useForm } from 'react-hook-form';
import { z } from 'zod';
import { roleWords } from './role-words.ts';

const Form = z.object({ name: Name, role: z.enum(roles) });

interface AddAccountProps {
  /** Those of the crew who may not come in yet. */
  crew: readonly CrewMember[];
  onAdd: (account: Omit<Account, 'id'>) => void;
}

/** Lets somebody in: of the crew as a rule, as what they do there. */
export function AddAccount({ crew, onAdd }: AddAccountProps) {
  const { control, handleSubmit, watch, reset } = useForm<z.infer<typeof Form>>({
    resolver: zodResolver(Form),
    defaultValues: { name: '', role: 'helper' },
  });
  const send = handleSubmit(({ name, role }) => {
    const member = crew.find((one) => one.name === name.trim());
    onAdd({ name: name.trim(), role, ...(member ? { crewId: member.id } : {}) });
    reset();
  });
  return (
    <form noValidate onSubmit={(event) => void send(event)}>
      <Typography variant="h3" sx={{ mb: 1 }}>
        Invite someone
      </Typography>
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1, alignItems: 'start' }}>
        <Controller
          control={control}
          name="name"
          render={({ field, fieldState }) => (
            <Autocomplete
              freeSolo
              options={crew.map(({ name }) => name)}
              inputValue={field.value}
              onInputChange={(_, name) => field.onChange(name)}
              sx={{ flex: '1 1 200px' }}
              renderInput={(props) => (
                <TextField
                  {...props}
                  size="small"
                  label="Name"
                  error={fieldState.invalid}
                  helperText={fieldState.invalid && 'Type a name.'}
                  onBlur={field.onBlur}
                />
              )}
            />
          )}
        />
        <Controller
          control={control}
          name="role"
          render={({ field }) => (
            <TextField {...field} select size="small" label="Role" sx={{ width: 130 }}>
              {roles.map((role) => (
                <MenuItem key={role} value={role}>
                  {roleWords[role].name}
                </MenuItem>
              ))}
            </TextField>
          )}
        />
        <Button type="submit" variant="contained">
          Make a link
        </Button>
      </Box>
      <Typography sx={{ fontSize: 14, color: 'text.secondary', mt: 1 }}>
        {roleWords[watch('role')].may}
      </Typography>
    </form>
  );
}
