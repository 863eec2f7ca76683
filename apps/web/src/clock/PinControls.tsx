import type { CrewMember, Task } from '@early-lantern/contract';
import { canFollow, whyNotFollow } from '@early-lantern/core';
import { Alert, Button, Menu, MenuItem, Stack, Typography } from '@mui/material';
import { useEffect, useState } from 'react';
import { useJob } from '../job/context.ts';
import { pinCost } from '../workers/planner.ts';
import { LeaveOutButton } from './LeaveOut.tsx';
import { chosenOf, keptOff, letGo, lockedUpTo, ordered, pinned, split, withChoices } from './pins.ts';

interface PinControlsProps {
  task: Task;
  tasks: readonly Task[];
  crew: readonly CrewMember[];
}

/** Of the tasks that could come first, those are offered that begin at most so long after this one, ms. */
const NEAR_MS = 4 * 3_600_000;

/** What somebody may choose about a task: its time, its people, who not, in how many goes, after what; what that costs. */
export function PinControls({ task, tasks, crew }: PinControlsProps) {
  const { store, file } = useJob();
  const chosen = chosenOf(file.job.clock, task.id);
  const whole = task.id.split('~')[0] as string;
  const choose = (change: Parameters<typeof withChoices>[1]) =>
    store.change((before) => ({ ...before, head: withChoices(before.head, change) }));
  const isChosen =
    chosen.pin !== undefined ||
    chosen.keptOff.length > 0 ||
    chosen.parts !== undefined ||
    chosen.after.length > 0;
  const [refused, setRefused] = useState<readonly Task[]>([]);
  // Those that cannot come first are offered as well: whoever asks is told why not.
  const before = tasks.filter(
    ({ id, start, trip }) =>
      id !== task.id &&
      trip === task.trip &&
      !task.after.includes(id) &&
      Date.parse(start) < Date.parse(task.end) + NEAR_MS,
  );
  const putAfter = (first: string) => {
    const isPossible = canFollow(tasks, first, task.id);
    setRefused(isPossible ? [] : whyNotFollow(tasks, first, task.id));
    if (isPossible) choose((all) => ordered(all, first, task.id));
  };
  const nameOf = (id: string) => crew.find((one) => one.id === id)?.name.split(' ')[0] ?? id;
  return (
    <Stack spacing={1}>
      <Stack direction="row" sx={{ gap: 1, flexWrap: 'wrap' }}>
        <Button
          size="small"
          variant="outlined"
          onClick={() => choose((all) => pinned(all, task.id, { start: task.start }))}
        >
          Keep at this time
        </Button>
        {task.crew.length > 0 && (
          <Button
            size="small"
            variant="outlined"
            onClick={() => choose((all) => pinned(all, task.id, { crew: task.crew }))}
          >
            Keep with these people
          </Button>
        )}
        {task.crew.length > 0 && task.place !== 'road' && (
          <ChoiceMenu
            label="Not by …"
            choices={task.crew.map((id) => ({ id, name: nameOf(id) }))}
            onPick={(person) => choose((all) => keptOff(all, task.id, person))}
          />
        )}
        {task.crew.length > 0 && task.place !== 'road' && (
          <Button
            size="small"
            variant="outlined"
            onClick={() => choose((all) => split(all, whole, (chosen.parts ?? 1) + 1))}
            disabled={(chosen.parts ?? 1) >= 6}
          >
            {chosen.parts ? `Split in ${chosen.parts + 1}` : 'Split in two'}
          </Button>
        )}
        {before.length > 0 && (
          <ChoiceMenu
            label="First do …"
            choices={before.map(({ id, label }) => ({ id, name: label }))}
            onPick={putAfter}
          />
        )}
        <Button
          size="small"
          variant="outlined"
          onClick={() => choose((all) => lockedUpTo(all, tasks, task.start))}
        >
          Lock all up to here
        </Button>
        <LeaveOutButton task={task} />
        {isChosen && (
          <Button size="small" onClick={() => choose((all) => letGo(letGo(all, task.id), whole))}>
            Remove pin
          </Button>
        )}
      </Stack>
      {refused.length > 0 && (
        <Alert severity="warning" variant="outlined" onClose={() => setRefused([])}>
          {refusalWords(refused)}
        </Alert>
      )}
      {isChosen && <CostNote taskId={task.id} />}
    </Stack>
  );
}

/** "A cannot come before B: A waits for X, X waits for B." */
function refusalWords(chain: readonly Task[]): string {
  const [first, last] = [chain[0], chain.at(-1)];
  const steps = chain.slice(0, -1).map((one, i) => `“${one.label}” waits for “${chain[i + 1]?.label}”`);
  return `Not possible: “${first?.label}” cannot come before “${last?.label}”. ${steps.join('; ')}.`;
}

interface ChoiceMenuProps {
  label: string;
  choices: readonly { id: string; name: string }[];
  onPick: (id: string) => void;
}

function ChoiceMenu({ label, choices, onPick }: ChoiceMenuProps) {
  const [anchor, setAnchor] = useState<HTMLElement>();
  return (
    <>
      <Button
        size="small"
        variant="outlined"
        aria-haspopup="menu"
        onClick={(event) => setAnchor(event.currentTarget)}
      >
        {label}
      </Button>
      <Menu open={anchor !== undefined} anchorEl={anchor ?? null} onClose={() => setAnchor(undefined)}>
        {choices.map(({ id, name }) => (
          <MenuItem
            key={id}
            onClick={() => {
              setAnchor(undefined);
              onPick(id);
            }}
          >
            {name}
          </MenuItem>
        ))}
      </Menu>
    </>
  );
}

/** Minutes in hand with the choice and without it. */
function CostNote({ taskId }: { taskId: string }) {
  const { file } = useJob();
  const [cost, setCost] = useState<{ file: typeof file; minutes: number | null }>();
  useEffect(() => {
    let isWanted = true;
    void pinCost(file, taskId).then((minutes) => {
      if (isWanted) setCost({ file, minutes });
    });
    return () => {
      isWanted = false;
    };
  }, [file, taskId]);
  if (cost?.file !== file) return null;
  return (
    <Typography sx={{ fontSize: 14 }} data-testid="pin-cost">
      {cost.minutes === null
        ? 'With what is chosen here there is no plan.'
        : cost.minutes > 0
          ? `Chosen by hand: it costs ${cost.minutes} min of the time to spare.`
          : 'Chosen by hand: it costs no time.'}
    </Typography>
  );
}
