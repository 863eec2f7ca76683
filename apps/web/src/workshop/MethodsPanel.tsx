import {
  type Methods,
  StepId,
  type StepStage,
  type WorkshopRow,
  type WorkshopSettings,
} from '@early-lantern/contract';
import { Box, Button, FormControlLabel, Paper, Switch, Typography } from '@mui/material';
import { keys } from '../api/queries.ts';
import { CommitField, wholeNumber } from '../parts/CommitField.tsx';
import { newId } from '../parts/ids.ts';
import { useRowSave } from '../parts/useRowSave.ts';
import { choiceColumn, nameColumn, RowList, wholeColumn } from './RowList.tsx';

type OwnStep = Methods['own'][number];

const NONE: Methods = { changes: [], own: [] };

const stepWords: Record<StepId, string> = {
  'sign-in': 'Park and sign in',
  'unload-first': 'Unload what is needed first',
  'protect-floor': 'Protect floor and edges, set out tools',
  'photograph-before': 'Photograph every place to be fixed to',
  'step-back': 'Step back, look through a camera',
  'touch-up': 'Close gaps, hide mechanics, clear the floor',
  'look-again': 'Look again with fresh eyes',
  'load-out': 'Load out: ladders, tools and empty bags',
  'look-over': "Compare every fixing's place after the strike",
  'carry-out': 'Carry everything out after the strike',
};

const stages: { id: StepStage; label: string }[] = [
  { id: 'bench', label: 'in the workshop' },
  { id: 'on-arrival', label: 'on arrival' },
  { id: 'each-piece', label: 'after each piece' },
  { id: 'before-sign-off', label: 'before sign-off' },
  { id: 'strike', label: 'after the strike' },
];

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
      {StepId.options.map((step) => {
        const one = changes.find((changed) => changed.step === step);
        return (
          <Box
            key={step}
            sx={{
              display: 'grid',
              gap: 1,
              gridTemplateColumns: { xs: '1fr auto', sm: 'minmax(0, 1fr) 132px 96px' },
            }}
          >
            <CommitField
              label="Step"
              multiline
              value={one?.label ?? stepWords[step]}
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
              label="done"
              control={
                <Switch
                  checked={!one?.isLeftOut}
                  slotProps={{ input: { 'aria-label': `${stepWords[step]}: done` } }}
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
