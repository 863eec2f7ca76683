import {
  type Methods,
  type StepId,
  type StepStage,
  TooLoud,
  type WorkshopRow,
  type WorkshopSettings,
} from '@early-lantern/contract';
import { visitSteps } from '@early-lantern/core';
import { Box, Button, FormControlLabel, Paper, Switch, Typography } from '@mui/material';
import { keys } from '../api/queries.ts';
import { CommitField, wholeNumber } from '../parts/CommitField.tsx';
import { newId } from '../parts/ids.ts';
import { useRowSave } from '../parts/useRowSave.ts';
import { loudWords } from '../sites/words.ts';
import { choiceColumn, nameColumn, RowList, wholeColumn } from './RowList.tsx';

type OwnStep = Methods['own'][number];

const NONE: Methods = { changes: [], own: [] };

const stages: { id: StepStage; label: string }[] = [
  { id: 'bench', label: 'in the workshop' },
  { id: 'on-arrival', label: 'on arrival' },
  { id: 'each-piece', label: 'after each piece' },
  { id: 'before-sign-off', label: 'before sign-off' },
  { id: 'strike', label: 'after the strike' },
];

/** What of a step may be too loud for a venue's quiet hours. */
const noises = [{ id: '', label: 'quiet' }, ...TooLoud.options.map((id) => ({ id, label: loudWords[id] }))];

/** The order of the work as this house has it. */
export function MethodsPanel({ row }: { row: WorkshopRow }) {
  const save = useRowSave<WorkshopSettings>(keys.workshop, '/workshop', row);
  const { changes, own } = row.data.methods ?? NONE;
  const change = (edit: (now: Methods) => Methods) => save((now) => ({ methods: edit(now.methods ?? NONE) }));
  const set = (step: StepId, edit: Partial<Methods['changes'][number]>) =>
    change((now) => ({
      ...now,
      changes: [
        ...now.changes.filter((one) => one.step !== step),
        { ...now.changes.find((one) => one.step === step), ...edit, step },
      ],
    }));
  return (
    <Paper
      variant="outlined"
      component="section"
      aria-label="How the work runs"
      sx={{ p: 2, display: 'grid', gap: 1.5 }}
    >
      <Typography variant="h2">How the work runs</Typography>
      {visitSteps.map(({ step, label, mayBeLeftOut }) => {
        const one = changes.find((changed) => changed.step === step);
        return (
          <Box
            key={step}
            sx={{
              display: 'grid',
              gap: 1,
              gridTemplateColumns: { xs: '1fr auto', sm: 'minmax(0, 1fr) 132px 132px' },
            }}
          >
            <CommitField
              label="Step"
              multiline
              value={one?.label ?? label}
              onCommit={(text) => {
                if (text.trim() === '') return 'A step needs a name';
                set(step, { label: text.trim() });
                return undefined;
              }}
            />
            <CommitField
              label="Wait before, min"
              value={String(one?.waitMin ?? (step === 'look-again' ? 10 : 0))}
              onCommit={(text) => wholeNumber(text, 0, 240, (waitMin) => set(step, { waitMin }))}
            />
            <FormControlLabel
              label={mayBeLeftOut ? 'done' : 'always done'}
              control={
                <Switch
                  checked={!mayBeLeftOut || !one?.isLeftOut}
                  disabled={!mayBeLeftOut}
                  slotProps={{ input: { 'aria-label': `${label}: done` } }}
                  onChange={(_, isDone) => set(step, { isLeftOut: !isDone })}
                />
              }
            />
          </Box>
        );
      })}
      <RowList<OwnStep>
        title="Steps of our own"
        rows={own}
        columns={[
          nameColumn('What is done', 'label'),
          choiceColumn('When', 'stage', stages),
          wholeColumn('Minutes', 'minutes', 1, 480),
          wholeColumn('Hands', 'hands', 1, 6),
          choiceColumn('Noise', 'noise', noises),
        ]}
        nameOf={({ label }) => label}
        onChange={(edit) => change((now) => ({ ...now, own: edit(now.own) }))}
        add={{
          label: 'Add a step',
          row: () => ({
            id: newId('step'),
            label: 'New step',
            stage: 'on-arrival',
            minutes: 10,
            hands: 1,
          }),
        }}
      />
      {(changes.length > 0 || own.length > 0) && (
        <Button sx={{ justifySelf: 'start' }} onClick={() => save(() => ({ methods: NONE }))}>
          Back to the usual order
        </Button>
      )}
    </Paper>
  );
}
