import type { Task } from '@early-lantern/contract';
import { Box } from '@mui/material';
import { memo } from 'react';
import { BeforeAfter } from './BeforeAfter.tsx';
import { HowCard } from './HowCard.tsx';
import type { TakenJob } from './kept-on-device.ts';
import { TaskPictures } from './TaskPictures.tsx';
import type { SitePhotos } from './use-site-photos.ts';

/** When everything stands and one looks at it. */
const LOOKING = new Set(['step-back', 'touch-up', 'look-again']);
/** When all is down, and every place is held against its photo. */
const COMPARING = 'look-over';

interface TaskHowProps {
  task: Task;
  taken: TakenJob;
  photos: SitePhotos;
}

/**
 * How a piece is made, how it will look, and what to look at when one steps back: opened where it is wanted. It stays as it is while a tick
 * changes nothing of it.
 */
export const TaskHow = memo(function TaskHow({ task, taken, photos }: TaskHowProps) {
  const { plan } = taken;
  const pieces = LOOKING.has(task.id) ? plan.pieces : plan.pieces.filter(({ id }) => id === task.pieceId);
  const cards = pieces.flatMap(({ id, name, steps, notes }) => {
    const lookOver = plan.full.pieces.find((one) => one.id === id)?.lookOver ?? [];
    return LOOKING.has(task.id)
      ? [{ title: `Look at: ${name}`, lines: lookOver }]
      : [
          { title: 'How it is made', lines: [...steps, ...notes] },
          { title: 'What to look at', lines: lookOver },
        ];
  });
  return (
    <Box>
      {task.id === COMPARING && <BeforeAfter taken={taken} photos={photos} />}
      <TaskPictures task={task} taken={taken} />
      {cards
        .filter(({ lines }) => lines.length > 0)
        .map(({ title, lines }) => (
          // What is looked at now stands open.
          <HowCard key={title} title={title} isOpen={LOOKING.has(task.id)}>
            <Box component="ol" sx={{ m: 0, pl: 3, fontSize: '1.0625rem', display: 'grid', gap: 0.75 }}>
              {lines.map((line) => (
                <li key={line}>{line}</li>
              ))}
            </Box>
          </HowCard>
        ))}
    </Box>
  );
});
