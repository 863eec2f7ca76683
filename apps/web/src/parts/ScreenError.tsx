import { Button, Stack, Typography } from '@mui/material';
import { isRouteErrorResponse, Link, useRouteError } from 'react-router';
import { ApiProblem, isPassing } from '../api/client.ts';
import { useWhenBack } from '../api/use-when-back.ts';
import { Lantern } from './Lantern.tsx';

const reload = () => window.location.reload();

/** What stands in for a screen that broke: what was wrong, where, and that nothing was lost. */
export function ScreenError() {
  const error = useRouteError();
  return <ErrorPage error={error} />;
}

export function ErrorPage({ error }: { error: unknown }) {
  const isGone =
    (error instanceof ApiProblem && error.problem.status === 404) ||
    (isRouteErrorResponse(error) && error.status === 404);
  const isAway = isPassing(error);
  // Nothing is lost by it: what was not saved is kept in this browser.
  useWhenBack(isAway, reload);
  return (
    <Stack component="main" spacing={1.5} sx={{ alignItems: 'center', textAlign: 'center', py: 8, px: 2 }}>
      <Lantern state="out" size={84} />
      <Typography variant="h1">
        {isGone ? 'Not here' : isAway ? 'The server does not answer' : 'This page broke'}
      </Typography>
      <Typography sx={{ maxWidth: 520 }}>{messageOf(error)}</Typography>
      <Typography sx={{ maxWidth: 520, color: 'text.secondary' }}>
        Nothing was lost: what you changed is kept on the server, and what it had not taken yet waits in this
        browser.{isAway && ' This page opens by itself when the server is back.'}
      </Typography>
      <Stack direction="row" spacing={1}>
        <Button variant="contained" onClick={reload}>
          Try again
        </Button>
        <Button component={Link} to="/" reloadDocument variant="outlined">
          To the Horizon
        </Button>
      </Stack>
    </Stack>
  );
}

function messageOf(error: unknown): string {
  if (isRouteErrorResponse(error))
    return error.status === 404 ? 'There is no page at this address.' : error.statusText;
  return error instanceof Error ? error.message : String(error);
}
