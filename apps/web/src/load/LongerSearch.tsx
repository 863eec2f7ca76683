import type { Fits } from '@early-lantern/contract';
import { type LongerLoad, plural } from '@early-lantern/core';
import { Alert, Button, LinearProgress, Stack, Typography } from '@mui/material';
import { useEffect, useRef, useState } from 'react';
import { useHead } from '../brief/use-head.ts';
import { useJob } from '../job/context.ts';
import { searchLoadLonger } from '../workers/planner.ts';

type Found = NonNullable<LongerLoad['better']>;

/** A load that is not as it should be is searched for longer, while one looks on or works at something else. */
export function LongerSearch({ fits }: { fits: Fits }) {
  const { file } = useJob();
  const { change } = useHead();
  const [going, setGoing] = useState<LongerLoad>();
  const [found, setFound] = useState<{ fits: Fits; better: Found | undefined }>();
  const isWanted = useRef(true);
  useEffect(
    () => () => {
      isWanted.current = false;
    },
    [],
  );
  if (fits.unplaced.length === 0 && fits.squeeze === 0 && fits.firstAtDoor) return null;
  const search = async () => {
    isWanted.current = true;
    let last: LongerLoad = { done: 0, of: 1 };
    setFound(undefined);
    setGoing(last);
    await searchLoadLonger(file, (load) => {
      last = load;
      if (isWanted.current) setGoing(load);
      return isWanted.current;
    });
    setGoing(undefined);
    setFound({ fits, better: last.better });
  };
  if (going)
    return (
      <Stack direction="row" className="no-print" sx={{ gap: 2, alignItems: 'center', flexWrap: 'wrap' }}>
        <LinearProgress
          variant="determinate"
          value={(going.done / going.of) * 100}
          aria-label="Loads searched"
          sx={{ width: 200 }}
        />
        <Typography>
          {going.done} of {going.of} {going.better ? `· ${words(going.better)}` : ''}
        </Typography>
        <Button
          onClick={() => {
            isWanted.current = false;
          }}
        >
          Stop here
        </Button>
      </Stack>
    );
  const better = found?.fits === fits ? found.better : undefined;
  return (
    <Stack direction="row" className="no-print" sx={{ gap: 1.5, alignItems: 'center', flexWrap: 'wrap' }}>
      {better && (
        <Alert
          severity="success"
          variant="outlined"
          data-testid="better-load"
          action={<Button onClick={() => change({ loadSeed: better.seed })}>Use this load</Button>}
        >
          {words(better)}
        </Alert>
      )}
      {found?.fits === fits && !better && (
        <Typography>
          No better load was found.{fits.unplaced.length > 0 ? ' Press the lantern Fits for ways out.' : ''}
        </Typography>
      )}
      <Button size="small" variant="outlined" onClick={() => void search()}>
        Search longer for a load
      </Button>
    </Stack>
  );
}

const words = ({ unplaced, squeeze, firstAtDoor }: Found): string =>
  [
    unplaced.length > 0
      ? `A load that leaves ${plural(unplaced.length, 'thing')} behind`
      : 'A load with everything in',
    squeeze > 0 ? `bags squeezed by ${Math.round(squeeze * 100)} %` : '',
    firstAtDoor ? '' : 'what is needed first not at the door',
  ]
    .filter(Boolean)
    .join(', ');
