import type { CrewMember } from '@early-lantern/contract';
import { faultsOpen, lookKey, type Said } from '@early-lantern/core';
import { Box, Typography } from '@mui/material';
import { useState } from 'react';
import { clockTime } from '../parts/time.ts';
import { BigButton } from './BigButton.tsx';
import { Contradiction } from './Contradiction.tsx';
import type { TakenJob } from './kept-on-device.ts';
import type { SiteLogHere } from './use-log.ts';
import { WordsSheet } from './WordsSheet.tsx';

/** So long one stays away before the second look, minutes. Common practice, no source. */
const AWAY_MIN = 10;

interface LookOverProps {
  who: CrewMember;
  taken: TakenJob;
  log: SiteLogHere;
}

/** Piece by piece what to look at from afar: well, or a fault that stays on the list until it is mended. */
export function LookOver({ who, taken, log }: LookOverProps) {
  const { file, plan } = taken;
  const { happened } = log;
  const [faultAt, setFaultAt] = useState<{ piece: string | undefined }>();
  const nameOf = (id: string) => file.workshop.crew.find((one) => one.id === id)?.name.split(' ')[0] ?? id;
  const look = (piece: string, line: string, isFault: boolean, before: Said<'looked'> | undefined) =>
    void log.write(
      who.id,
      { kind: 'looked', piece, line, isFault },
      before?.entries.map(({ id }) => id),
    );
  const open = faultsOpen(happened);
  const mended = (task: string) => void log.write(who.id, { kind: 'done', task });
  const touchUp = happened.tasks.get('touch-up');
  return (
    <Box sx={{ display: 'grid', gap: 2 }}>
      <Typography variant="h1" sx={{ fontSize: '1.75rem' }}>
        Look over the pieces
      </Typography>
      {touchUp?.untilMs && (
        <Typography sx={{ fontSize: '1.0625rem' }}>
          Look a second time from{' '}
          {clockTime(new Date(touchUp.untilMs + AWAY_MIN * 60_000).toISOString(), plan.timeZone)}, after{' '}
          {AWAY_MIN} minutes away.
        </Typography>
      )}
      {open
        .filter(({ isListed }) => !isListed)
        .map(({ entry: { id, by, at }, piece, text, task }) => (
          <Box
            key={id}
            sx={{
              display: 'flex',
              alignItems: 'center',
              gap: 1,
              borderTop: 1,
              borderColor: 'divider',
              pt: 1,
            }}
          >
            <Typography sx={{ flex: 1, minWidth: 0, fontSize: '1.0625rem', overflowWrap: 'anywhere' }}>
              <strong>To mend:</strong> {text}
              <Box component="span" sx={{ display: 'block', color: 'text.secondary', fontSize: '0.9375rem' }}>
                {plan.pieces.find((one) => one.id === piece)?.name} {nameOf(by)},{' '}
                {clockTime(at, plan.timeZone)}
              </Box>
            </Typography>
            <BigButton fullWidth={false} onClick={() => mended(task)}>
              Mended
            </BigButton>
          </Box>
        ))}
      {plan.full.pieces.map(({ id: piece, lookOver }) => (
        <Box
          key={piece}
          component="section"
          aria-label={plan.pieces.find(({ id }) => id === piece)?.name ?? piece}
        >
          <Typography variant="h2" sx={{ fontSize: '1.375rem' }}>
            {plan.pieces.find(({ id }) => id === piece)?.name}
          </Typography>
          {lookOver.map((line) => {
            const said = happened.looked.get(lookKey(piece, line));
            const fault = open.find(({ entry }) => entry.id === said?.entry.id);
            // What a task has mended is well.
            const isFault = said && fault !== undefined;
            return (
              <Box key={line} sx={{ borderTop: 1, borderColor: 'divider', py: 1, display: 'grid', gap: 1 }}>
                <Typography sx={{ fontSize: '1.0625rem', overflowWrap: 'anywhere' }}>{line}</Typography>
                {said?.isContradicted && (
                  <Contradiction
                    says={said.entries.map(
                      ({ by, event }) => `${nameOf(by)}: ${event.isFault ? 'to mend' : 'well'}`,
                    )}
                  />
                )}
                <Box sx={{ display: 'grid', gridTemplateColumns: '1fr 1fr', gap: 1 }}>
                  <BigButton
                    variant={isFault === false ? 'contained' : 'outlined'}
                    aria-pressed={isFault === false}
                    onClick={() =>
                      fault && !said?.isContradicted ? mended(fault.task) : look(piece, line, false, said)
                    }
                  >
                    {isFault ? 'Mended' : 'Well'}
                  </BigButton>
                  <BigButton
                    variant={isFault ? 'contained' : 'outlined'}
                    color={isFault ? 'error' : 'primary'}
                    aria-pressed={isFault === true}
                    onClick={() => look(piece, line, true, said)}
                  >
                    To mend
                  </BigButton>
                </Box>
              </Box>
            );
          })}
          <BigButton onClick={() => setFaultAt({ piece })}>Something else to mend</BigButton>
        </Box>
      ))}
      {faultAt && (
        <WordsSheet
          title="What is to be mended?"
          label="What and where"
          usual={['A gap', 'Bare string or tape shows', 'A clump of one colour', 'Popped, not replaced']}
          onClose={() => setFaultAt(undefined)}
          onSay={(text) => {
            void log.write(who.id, {
              kind: 'fault',
              text,
              ...(faultAt.piece ? { piece: faultAt.piece } : {}),
            });
            setFaultAt(undefined);
          }}
        />
      )}
    </Box>
  );
}
