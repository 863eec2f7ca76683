import type { DaySpan, OpenDays } from '@early-lantern/contract';
import DeleteIcon from '@mui/icons-material/DeleteOutlined';
import {
  Box,
  Button,
  IconButton,
  TextField,
  ToggleButton,
  ToggleButtonGroup,
  Typography,
} from '@mui/material';
import { DateTime } from 'luxon';

const days = [1, 2, 3, 4, 5, 6, 7].map((weekday) => ({
  weekday,
  name: DateTime.fromObject({ weekday: weekday as 1 }).toFormat('ccc', { locale: 'en' }),
}));

interface OpenDaysFieldsProps {
  /** Whose days they are, read out: "Ferry Lane Supply". */
  name: string;
  value: OpenDays;
  onChange: (value: OpenDays) => void;
}

/** On which days of the week a business is open, and on which days it is shut. */
export function OpenDaysFields({ name, value, onChange }: OpenDaysFieldsProps) {
  const { workdays = days.map(({ weekday }) => weekday), closed = [] } = value;
  const setClosed = (spans: DaySpan[]) => onChange({ ...value, closed: spans });
  const today = DateTime.now().toISODate() as string;
  return (
    <Box sx={{ display: 'grid', gap: 1, justifyItems: 'start' }}>
      <ToggleButtonGroup
        size="small"
        value={workdays}
        aria-label={`${name}: open on`}
        onChange={(_, chosen: number[]) => {
          // Never open is no business.
          if (chosen.length > 0) onChange({ ...value, workdays: [...chosen].sort() });
        }}
      >
        {days.map(({ weekday, name: word }) => (
          <ToggleButton key={weekday} value={weekday} sx={{ px: 1.25, minHeight: 36 }}>
            {word}
          </ToggleButton>
        ))}
      </ToggleButtonGroup>
      {closed.map((span, i) => {
        const set = (edit: Partial<DaySpan>) =>
          setClosed(
            closed.map((one, k) => {
              if (k !== i) return one;
              const next = { ...one, ...edit };
              return next.until < next.from ? { from: next.from, until: next.from } : next;
            }),
          );
        return (
          // biome-ignore lint/suspicious/noArrayIndexKey: spans have no id and keep their places
          <Box key={i} sx={{ display: 'flex', gap: 1, alignItems: 'center', flexWrap: 'wrap' }}>
            {(['from', 'until'] as const).map((end) => (
              <TextField
                key={end}
                type="date"
                label={end === 'from' ? 'Closed from' : 'until'}
                value={span[end]}
                onChange={({ target }) => target.value && set({ [end]: target.value })}
                slotProps={{ inputLabel: { shrink: true } }}
                sx={{ width: 150 }}
              />
            ))}
            <IconButton
              aria-label={`${name}: remove closed days ${i + 1}`}
              onClick={() => setClosed(closed.filter((_, k) => k !== i))}
            >
              <DeleteIcon />
            </IconButton>
          </Box>
        );
      })}
      <Button size="small" onClick={() => setClosed([...closed, { from: today, until: today }])}>
        Add closed days
      </Button>
      {closed.length === 0 && (
        <Typography sx={{ fontSize: 13, color: 'text.secondary' }}>No holidays yet.</Typography>
      )}
    </Box>
  );
}
