import { type CrewMember, type CrewRow, Skill, TimeOfDay } from '@early-lantern/contract';
import AddIcon from '@mui/icons-material/Add';
import ArchiveIcon from '@mui/icons-material/ArchiveOutlined';
import DeleteIcon from '@mui/icons-material/DeleteOutlined';
import {
  Box,
  Button,
  IconButton,
  MenuItem,
  Paper,
  Stack,
  TextField,
  Tooltip,
  Typography,
} from '@mui/material';
import { call } from '../api/client.ts';
import { keys, queryClient } from '../api/queries.ts';
import { ActionLine } from '../parts/ActionLine.tsx';
import { CommitField, someName, someNumber, wholeNumber } from '../parts/CommitField.tsx';
import { HistoryButton } from '../parts/HistoryButton.tsx';
import { newId } from '../parts/ids.ts';
import { useNotice } from '../parts/notices.tsx';
import { useRowDelete } from '../parts/useRowDelete.ts';
import { useRowSave } from '../parts/useRowSave.ts';
import { BusyTimes } from './BusyTimes.tsx';

const refresh = () => queryClient.invalidateQueries({ queryKey: keys.crew });

export function CrewPanel({ rows }: { rows: CrewRow[] }) {
  const notify = useNotice();
  const add = async () => {
    const member: CrewMember = {
      id: newId('crew'),
      name: 'New person',
      skills: ['tying'],
      shift: { from: '08:00', to: '18:00' },
    };
    await call('POST', '/crew', member).catch((error: Error) =>
      notify({ text: `Not added. ${error.message}` }),
    );
    await refresh();
  };
  const gone = rows.filter(({ data }) => data.isArchived);
  const active = rows.filter(({ data }) => !data.isArchived);
  return (
    <Paper variant="outlined" sx={{ p: 2 }}>
      <Typography variant="h2" sx={{ mb: 1.5 }}>
        Crew
      </Typography>
      <Stack spacing={1.5}>
        {active.map((row) => (
          <Person key={row.data.id} row={row} isLast={active.length === 1} />
        ))}
        <Button startIcon={<AddIcon />} onClick={() => void add()} sx={{ alignSelf: 'start' }}>
          Add a person
        </Button>
        {gone.length > 0 && <Typography variant="h3">No longer here</Typography>}
        {gone.map((row) => (
          <ArchivedPerson key={row.data.id} row={row} />
        ))}
        <HistoryButton what="crew" isWide />
      </Stack>
    </Paper>
  );
}

/** Their past jobs keep them; new ones are not offered them. */
function ArchivedPerson({ row }: { row: CrewRow }) {
  const { id, name } = row.data;
  const save = useRowSave<CrewMember>(keys.crew, `/crew/${id}`, row);
  return (
    <ActionLine
      does="Bring back"
      label={`Bring back ${name}`}
      onDo={() => save(() => ({ isArchived: undefined }) as Partial<CrewMember>)}
    >
      {name}
    </ActionLine>
  );
}

function Person({ row, isLast }: { row: CrewRow; isLast: boolean }) {
  const member = row.data;
  const save = useRowSave<CrewMember>(keys.crew, `/crew/${member.id}`, row);
  const change = (edit: Partial<CrewMember>) => save(() => edit);
  const time = (label: string, edge: 'from' | 'to') => (
    <CommitField
      label={label}
      value={member.shift[edge]}
      onCommit={(text) => {
        const read = TimeOfDay.safeParse(text.trim());
        const shift = { ...member.shift, [edge]: text.trim() };
        if (!read.success) return 'Like 07:30';
        if (shift.from === shift.to) return 'Not the same as the other';
        change({ shift });
        return undefined;
      }}
    />
  );
  const remove = useRowDelete<CrewMember>(keys.crew, '/crew');
  return (
    <Box
      sx={{
        display: 'grid',
        gap: 1,
        gridTemplateColumns: 'minmax(0, 1.2fr) minmax(0, 1fr) auto',
        alignItems: 'start',
      }}
    >
      <CommitField
        label="Name"
        value={member.name}
        onCommit={(text) => someName(text, (name) => change({ name }))}
      />
      <TextField
        select
        label="Skills"
        value={member.skills}
        onChange={(event) => change({ skills: event.target.value as unknown as Skill[] })}
        slotProps={{ select: { multiple: true } }}
      >
        {Skill.options.map((skill) => (
          <MenuItem key={skill} value={skill}>
            {skill}
          </MenuItem>
        ))}
      </TextField>
      <Box>
        <Tooltip title="Archive: kept on past jobs, not offered for new ones">
          <span>
            <IconButton
              aria-label={`Archive ${member.name}`}
              disabled={isLast}
              onClick={() => change({ isArchived: true })}
            >
              <ArchiveIcon />
            </IconButton>
          </span>
        </Tooltip>
        <IconButton aria-label={`Delete ${member.name}`} disabled={isLast} onClick={() => void remove(row)}>
          <DeleteIcon />
        </IconButton>
      </Box>
      <Box
        sx={{
          gridColumn: '1 / -1',
          display: 'grid',
          gap: 1,
          gridTemplateColumns: 'repeat(auto-fit, minmax(112px, 1fr))',
        }}
      >
        {time('From', 'from')}
        {time('To', 'to')}
        <CommitField
          label="Hourly pay"
          value={member.wage === undefined ? '' : String(member.wage)}
          onCommit={(text) => {
            if (text.trim() === '') {
              change({ wage: undefined });
              return undefined;
            }
            return someNumber(text, 0, 10_000, (wage) => change({ wage }));
          }}
        />
        <CommitField
          label="Pace, % of usual"
          value={String(Math.round((member.pace ?? 1) * 100))}
          onCommit={(text) => wholeNumber(text, 40, 200, (pct) => change({ pace: pct / 100 }))}
        />
      </Box>
      <BusyTimes member={member} onChange={(busy) => change({ busy })} />
    </Box>
  );
}
