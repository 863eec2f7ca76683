import type { CrewMember } from '@early-lantern/contract';
import { Box, Typography } from '@mui/material';
import { useState } from 'react';
import { clockTime } from '../parts/time.ts';
import { BigButton } from './BigButton.tsx';
import type { TakenJob } from './kept-on-device.ts';
import { taskWords } from './task-words.ts';
import type { SiteLogHere } from './use-log.ts';
import { WordsSheet } from './WordsSheet.tsx';

interface NotesViewProps {
  who: CrewMember;
  taken: TakenJob;
  log: SiteLogHere;
}

/** Notes and near misses of the day, the newest first. */
export function NotesView({ who, taken, log }: NotesViewProps) {
  const { file, plan } = taken;
  const [sheet, setSheet] = useState<'note' | 'near-miss'>();
  const { notes, nearMisses } = log.happened;
  const all = [...notes, ...nearMisses].sort((one, other) => Date.parse(other.at) - Date.parse(one.at));
  return (
    <Box sx={{ display: 'grid', gap: 1.5 }}>
      <Typography variant="h1" sx={{ fontSize: '1.75rem' }}>
        Notes
      </Typography>
      <BigButton variant="contained" onClick={() => setSheet('note')}>
        Write a note
      </BigButton>
      <BigButton onClick={() => setSheet('near-miss')}>Report a near miss</BigButton>
      {all.length === 0 && (
        <Typography sx={{ fontSize: '1.0625rem', color: 'text.secondary' }}>
          Nothing written yet. Write down what the next crew here should know.
        </Typography>
      )}
      {all.map(({ id, at, by, event }) => {
        const task = plan.tasks.find((one) => one.id === event.task);
        return (
          <Box key={id} component="article" sx={{ borderTop: 1, borderColor: 'divider', pt: 1 }}>
            <Typography sx={{ fontSize: '0.9375rem', color: 'text.secondary' }}>
              {file.workshop.crew.find((one) => one.id === by)?.name ?? by}, {clockTime(at, plan.timeZone)}
              {event.kind === 'near-miss' && ' · near miss'}
              {task && ` · ${taskWords(task, plan)}`}
            </Typography>
            <Typography sx={{ fontSize: '1.125rem', overflowWrap: 'anywhere' }}>{event.text}</Typography>
          </Box>
        );
      })}
      {sheet && (
        <WordsSheet
          title={sheet === 'note' ? 'Write a note' : 'What nearly happened?'}
          label={sheet === 'note' ? 'Note' : 'In your own words'}
          usual={[]}
          onClose={() => setSheet(undefined)}
          onSay={(text) => {
            void log.write(who.id, { kind: sheet, text });
            setSheet(undefined);
          }}
        />
      )}
    </Box>
  );
}
