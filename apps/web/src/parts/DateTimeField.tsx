import { DateTimePicker, LocalizationProvider } from '@mui/x-date-pickers';
import { AdapterLuxon } from '@mui/x-date-pickers/AdapterLuxon';
import { DateTime } from 'luxon';

interface DateTimeFieldProps {
  label: string;
  /** ISO 8601; shown and changed by the zone's clock. */
  value: string;
  zone: string;
  /** Called with a whole, valid moment only. */
  onCommit: (iso: string) => void;
}

/** A day and an hour, typed or picked. */
export function DateTimeField({ label, value, zone, onCommit }: DateTimeFieldProps) {
  const take = (picked: DateTime | null) => {
    const iso = picked?.isValid ? picked.toISO({ suppressMilliseconds: true }) : null;
    if (iso) onCommit(iso);
  };
  return (
    <LocalizationProvider dateAdapter={AdapterLuxon} adapterLocale="en-GB">
      <DateTimePicker
        label={label}
        value={DateTime.fromISO(value, { zone })}
        timezone={zone}
        ampm={false}
        format="d LLL yyyy HH:mm"
        onAccept={take}
        slotProps={{ textField: { size: 'small', fullWidth: true } }}
      />
    </LocalizationProvider>
  );
}
