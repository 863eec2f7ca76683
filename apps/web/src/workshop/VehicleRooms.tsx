import type { CargoRoom, PersonId, Vehicle, WorkshopRow, WorkshopSettings } from '@early-lantern/contract';
import { vehicleTypes } from '@early-lantern/core';
import { Box, FormControlLabel, MenuItem, Paper, Stack, Switch, TextField, Typography } from '@mui/material';
import { keys, useCrew } from '../api/queries.ts';
import { CrewPicker } from '../parts/CrewPicker.tsx';
import { LengthField } from '../parts/LengthField.tsx';
import { UnitField } from '../parts/UnitField.tsx';
import { useRowSave } from '../parts/useRowSave.ts';
import { useUnits } from '../preferences.tsx';

/** The room of each vehicle for its load: measured, or copied from a kind of vehicle to begin with. */
export function VehicleRooms({ row }: { row: WorkshopRow }) {
  const save = useRowSave<WorkshopSettings>(keys.workshop, '/workshop', row);
  const change = (id: string, edit: (vehicle: Vehicle) => Vehicle) =>
    save(({ vehicles }) => ({ vehicles: vehicles.map((one) => (one.id === id ? edit(one) : one)) }));
  return (
    <Paper variant="outlined" sx={{ p: 2, mt: 2 }}>
      <Typography variant="h2">Room for the load</Typography>
      <Typography sx={{ color: 'text.secondary', mb: 1.5 }}>
        Inside, with every seat folded that folds: from the wall behind the front seats to the door.
      </Typography>
      <Stack spacing={3}>
        {row.data.vehicles.map((vehicle) => (
          <OneVehicle key={vehicle.id} vehicle={vehicle} onChange={(edit) => change(vehicle.id, edit)} />
        ))}
      </Stack>
    </Paper>
  );
}

/** What a trailer measures until somebody measures it. */
const TRAILER = 'trailer';
const usualTrailer = vehicleTypes.find(({ id }) => id === TRAILER)?.cargo;

interface OneVehicleProps {
  vehicle: Vehicle;
  onChange: (edit: (vehicle: Vehicle) => Vehicle) => void;
}

/** One vehicle: its room, and who may drive it. */
function OneVehicle({
  vehicle: { id: vehicleId, name, cargo, trailer, drivers },
  onChange,
}: OneVehicleProps) {
  const { long } = useUnits();
  const crew = (useCrew().data ?? [])
    .map(({ data }) => data)
    .filter(({ skills }) => skills.includes('driver'));
  const setRoom = (room: CargoRoom) => onChange((one) => ({ ...one, cargo: room }));
  const setTrailer = (room: CargoRoom | undefined) =>
    onChange(({ trailer: _, ...one }) => (room ? { ...one, trailer: room } : one));
  const setDrivers = (ids: string[]) =>
    onChange(({ drivers: _, ...one }) => (ids.length > 0 ? { ...one, drivers: ids as PersonId[] } : one));
  const built = [...(cargo?.builtIn ?? []), ...(cargo?.foldingSeats ?? [])];
  return (
    <Box data-testid={`room-${vehicleId}`}>
      <Stack direction="row" sx={{ alignItems: 'center', flexWrap: 'wrap', gap: 1.5, mb: 1 }}>
        <Typography variant="h3" sx={{ flex: '1 1 160px' }}>
          {name}
        </Typography>
        <TextField
          select
          label="Copy from"
          value=""
          sx={{ minWidth: 230 }}
          onChange={(event) => {
            const type = vehicleTypes.find(({ id }) => id === event.target.value);
            if (type) setRoom(type.cargo);
          }}
        >
          {vehicleTypes
            .filter(({ id }) => id !== TRAILER)
            .map(({ id, label, cargo: room }) => (
              <MenuItem key={id} value={id}>
                {label}, {long(room.lengthM)} long
              </MenuItem>
            ))}
        </TextField>
      </Stack>
      {cargo ? (
        <>
          <RoomFields cargo={cargo} onChange={setRoom} />
          {built.length > 0 && (
            <Typography sx={{ fontSize: 14, color: 'text.secondary', mt: 1 }}>
              Takes room: {built.map(({ label, lengthM }) => `${label} (${long(lengthM)} long)`).join(', ')}.
            </Typography>
          )}
        </>
      ) : (
        <Typography sx={{ color: 'text.secondary' }}>
          Not measured yet: Fits cannot say whether a load goes in.
        </Typography>
      )}
      <FormControlLabel
        label={`A trailer behind ${name}`}
        control={
          <Switch
            checked={trailer !== undefined}
            onChange={(_, has) => setTrailer(has ? usualTrailer : undefined)}
          />
        }
      />
      {trailer && (
        <Box role="group" aria-label={`Trailer of ${name}`}>
          <RoomFields cargo={trailer} onChange={setTrailer} isTrailer />
        </Box>
      )}
      <Stack direction="row" sx={{ alignItems: 'center', flexWrap: 'wrap', gap: 1.5, mt: 1 }}>
        <Typography sx={{ fontSize: 14 }}>Who may drive it:</Typography>
        <CrewPicker crew={crew} chosen={drivers ?? []} onChange={setDrivers} />
        {!drivers && (
          <Typography sx={{ fontSize: 14, color: 'text.secondary' }}>everybody who drives</Typography>
        )}
      </Stack>
    </Box>
  );
}

const lengths = [
  { key: 'lengthM', label: 'Length', max: 20 },
  { key: 'widthM', label: 'Width', max: 6 },
  { key: 'heightM', label: 'Height', max: 6 },
  { key: 'doorWidthM', label: 'Door width', max: 6 },
  { key: 'doorHeightM', label: 'Door height', max: 6 },
] as const;

interface RoomFieldsProps {
  cargo: CargoRoom;
  onChange: (cargo: CargoRoom) => void;
  /** Nothing rides on its roof. */
  isTrailer?: boolean;
}

function RoomFields({ cargo, onChange, isTrailer = false }: RoomFieldsProps) {
  const { roofRack, ...bare } = cargo;
  return (
    <Box
      sx={{
        display: 'grid',
        gap: 1,
        gridTemplateColumns: { xs: 'repeat(2, minmax(0, 1fr))', sm: 'repeat(auto-fill, minmax(130px, 1fr))' },
      }}
    >
      {lengths.map(({ key, label, max }) => (
        <LengthField
          key={key}
          label={label}
          valueM={cargo[key]}
          min={0.2}
          max={max}
          onCommit={(metres) => onChange({ ...cargo, [key]: metres })}
        />
      ))}
      <UnitField
        label="Payload"
        quantity="mass"
        value={cargo.payloadKg}
        min={1}
        max={40_000}
        onCommit={(kg) => kg !== undefined && onChange({ ...cargo, payloadKg: kg })}
      />
      <FormControlLabel
        label="Open bed"
        sx={{ whiteSpace: 'nowrap' }}
        control={
          <Switch checked={cargo.isOpen ?? false} onChange={(_, isOpen) => onChange({ ...cargo, isOpen })} />
        }
      />
      {!isTrailer && (
        <FormControlLabel
          label="Roof rack"
          sx={{ whiteSpace: 'nowrap' }}
          control={
            <Switch
              checked={roofRack !== undefined}
              onChange={(_, has) =>
                onChange(
                  has
                    ? {
                        ...bare,
                        roofRack: {
                          lengthM: Math.min(10, cargo.lengthM),
                          widthM: Math.min(4, Math.max(0.6, cargo.widthM - 0.3)),
                          payloadKg: 75,
                        },
                      }
                    : bare,
                )
              }
            />
          }
        />
      )}
    </Box>
  );
}
