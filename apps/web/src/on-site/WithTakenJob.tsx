import { LinearProgress } from '@mui/material';
import type { ReactNode } from 'react';
import { useParams } from 'react-router';
import { isPassing } from '../api/client.ts';
import { EmptyState } from '../parts/EmptyState.tsx';
import { lastMe, useMe } from '../people/me.ts';
import { SignIn } from '../people/SignIn.tsx';
import { BigButton } from './BigButton.tsx';
import type { TakenJob } from './kept-on-device.ts';
import { useTakenJob } from './use-taken-job.ts';

interface WithTakenJobProps {
  children: (taken: TakenJob) => ReactNode;
}

/** The job of the address, from this device or from the server, for whoever is signed in. */
export function WithTakenJob({ children }: WithTakenJobProps) {
  const { jobId = '' } = useParams();
  const { data: me } = useMe();
  if (me && !me.account) return <SignIn me={me} />;
  // What is on this phone is kept by workshop: of which, is known first, by what the server said last.
  if (!me && !lastMe()) return <LinearProgress aria-label="Opening the job" />;
  return <Taken jobId={jobId}>{children}</Taken>;
}

function Taken({ jobId, children }: WithTakenJobProps & { jobId: string }) {
  const { taken, isLooking, error, isReading, again } = useTakenJob(jobId);
  if (taken) return children(taken);
  if (isLooking) return <LinearProgress aria-label="Opening the job" />;
  // What the server refuses it refuses again; where it is not reached that may change any moment.
  if (error && !isPassing(error)) throw error;
  return (
    <EmptyState
      title="This job is not on this phone yet"
      action={
        <BigButton disabled={isReading} onClick={() => void again()}>
          {isReading ? 'Trying…' : 'Try now'}
        </BigButton>
      }
    >
      {error?.message} It opens by itself once there is a signal: this phone asks again every 15 seconds.
    </EmptyState>
  );
}
