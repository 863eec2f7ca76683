import { Box } from '@mui/material';
import { DateTimePicker, LocalizationProvider } from '@mui/x-date-pickers';
import { AdapterLuxon } from '@mui/x-date-pickers/AdapterLuxon';
import { DateTime } from 'luxon';
import { useEffect, useRef, useState } from 'react';

interface DateTimeFieldProps {
  label: string;
  /** ISO 8601; shown and changed by the zone's clock. */
  value: string;
  zone: string;
  /** Called with a whole, valid moment, once the field is left or Enter is pressed; answers why it may not be. */
  onCommit: (iso: string) => string | undefined;
}

/** Years that somebody may mean: while one is typed, it passes through the first centuries. */
const YEARS = { first: 2000, last: 2100 };

/**
 * A day and an hour, typed or picked. Half-typed it is nobody's business: it is taken when the field is left or Enter
 * is pressed. What cannot be is kept on the screen with the reason, and never taken; Escape brings the old one back.
 */
export function DateTimeField({ label, value, zone, onCommit }: DateTimeFieldProps) {
  const [draft, setDraft] = useState<DateTime | null>();
  const [fault, setFault] = useState<string>();
  const forget = () => {
    setDraft(undefined);
    setFault(undefined);
  };
  // Moved from elsewhere, by undo or with the doors, what was typed here is of yesterday.
  // biome-ignore lint/correctness/useExhaustiveDependencies: the value is what it is about
  useEffect(forget, [value]);
  const take = (picked: DateTime | null | undefined) => {
    if (picked === undefined) return;
    if (!picked?.isValid) return setFault('A whole date and time, please');
    if (picked.year < YEARS.first || picked.year > YEARS.last)
      return setFault('A year of this century, please');
    const iso = picked.toISO({ suppressMilliseconds: true }) as string;
    const refused = onCommit(iso);
    setFault(refused);
    if (refused === undefined) setDraft(undefined);
  };
  const box = useRef<HTMLDivElement>(null);
  const leave = useRef(() => {});
  leave.current = () => take(draft);
  return (
    <LocalizationProvider dateAdapter={AdapterLuxon} adapterLocale="en-GB">
      <Box
        ref={box}
        // From one part of it to the next the focus is nowhere for a moment: left is left only after that.
        onBlur={() =>
          setTimeout(() => {
            if (!box.current?.contains(window.document.activeElement)) leave.current();
          })
        }
        onKeyDown={({ key }) => {
          if (key === 'Enter') take(draft);
          if (key === 'Escape') forget();
        }}
      >
        <DateTimePicker
          label={label}
          value={draft === undefined ? DateTime.fromISO(value, { zone }) : draft}
          timezone={zone}
          ampm={false}
          format="d LLL yyyy HH:mm"
          onChange={(picked) => setDraft(picked)}
          onAccept={(picked, { source }) => {
            if (source === 'view') take(picked);
          }}
          slotProps={{
            textField: {
              size: 'small',
              fullWidth: true,
              ...(fault ? { error: true, helperText: fault } : {}),
            },
          }}
        />
      </Box>
    </LocalizationProvider>
  );
}
