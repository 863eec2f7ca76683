import type { CrewMember } from '@early-lantern/contract';
import { Alert, Box, Typography } from '@mui/material';
import { useState } from 'react';
import { clockTime } from '../parts/time.ts';
import { BigButton } from './BigButton.tsx';
import type { TakenJob } from './kept-on-device.ts';
import type { SiteLogHere } from './use-log.ts';
import { crewOf } from './use-who.ts';
import { WordsSheet } from './WordsSheet.tsx';

interface MessagesProps {
  who: CrewMember;
  taken: TakenJob;
  log: SiteLogHere;
}

/** What somebody has written to everybody, until whoever holds this phone has read it. */
export function UnreadMessages({ who, taken, log }: MessagesProps) {
  const { file, plan } = taken;
  return log.happened.messages
    .filter(({ entry, readBy }) => entry.by !== who.id && !readBy.includes(who.id))
    .map(({ entry: { id, by, at, event } }) => (
      <Alert
        key={id}
        severity="info"
        icon={false}
        variant="outlined"
        sx={{ fontSize: '1.125rem', '& .MuiAlert-message': { width: '100%', display: 'grid', gap: 1 } }}
      >
        <span>
          <strong>{firstName(file.workshop.crew, by)}:</strong> {event.text}
          <Box component="span" sx={{ display: 'block', fontSize: '0.9375rem' }}>
            {clockTime(at, plan.timeZone)}
          </Box>
        </span>
        <BigButton onClick={() => void log.write(who.id, { kind: 'message-read', message: id })}>
          I have read it
        </BigButton>
      </Alert>
    ));
}

/** Words to everybody on the job, from whoever has something to say; and who has read what was said before. */
export function WriteToAll({ who, taken, log }: MessagesProps) {
  const { file, plan } = taken;
  const [isWriting, setWriting] = useState(false);
  const crew = crewOf(file);
  return (
    <Box component="section" aria-label="Messages" sx={{ display: 'grid', gap: 1 }}>
      <BigButton onClick={() => setWriting(true)}>Write to everybody</BigButton>
      {[...log.happened.messages].reverse().map(({ entry: { id, by, at, event }, readBy }) => {
        const open = crew.filter((one) => one.id !== by && !readBy.includes(one.id));
        return (
          <Box key={id} sx={{ borderTop: 1, borderColor: 'divider', pt: 1 }}>
            <Typography sx={{ fontSize: '1.0625rem', overflowWrap: 'anywhere' }}>
              <strong>{firstName(file.workshop.crew, by)}:</strong> {event.text}
            </Typography>
            <Typography sx={{ fontSize: '0.9375rem', color: 'text.secondary' }}>
              {clockTime(at, plan.timeZone)} ·{' '}
              {open.length === 0
                ? 'read by everybody'
                : `not read by ${open.map(({ name }) => name.split(' ')[0]).join(', ')}`}
            </Typography>
          </Box>
        );
      })}
      {isWriting && (
        <WordsSheet
          title="Write to everybody"
          label="Message"
          usual={['Call me', 'Come to the van', 'Stop work until I am there', 'Well done']}
          onClose={() => setWriting(false)}
          onSay={(text) => {
            void log.write(who.id, { kind: 'message', text });
            setWriting(false);
          }}
        />
      )}
    </Box>
  );
}

const firstName = (crew: readonly CrewMember[], id: string): string =>
  crew.find((one) => one.id === id)?.name.split(' ')[0] ?? id;
