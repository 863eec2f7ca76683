import type { Site } from '@early-lantern/contract';
import { Alert, Button } from '@mui/material';
import { useUnits } from '../preferences.tsx';
import { useJob } from './context.ts';
import { placeChanges } from './place-changes.ts';

/** Said at most; a place rebuilt from the ground is not told wall by wall. */
const MOST = 4;

/** What changed at the place since somebody last looked at it for this job, until it is noted. */
export function SiteChanges() {
  const { document, file, store } = useJob();
  const { long } = useUnits();
  const { siteSeen } = document.head;
  if (!siteSeen) return null;
  // A place taken over under another id is still the same place.
  const before: Site = { ...siteSeen, id: file.site.id };
  const found = placeChanges(file.site, before, long);
  if (found.length === 0) return null;
  const note = () => store.change((now) => ({ ...now, head: { ...now.head, siteSeen: file.site } }));
  const more = found.length > MOST ? `; and ${found.length - MOST} more` : '';
  return (
    <Alert
      severity="info"
      className="no-print"
      sx={{ mx: { xs: 1.5, sm: 3 }, mb: 1 }}
      action={
        <Button color="inherit" size="small" onClick={note}>
          Noted
        </Button>
      }
    >
      The place was changed since this job was planned: {found.slice(0, MOST).join('; ')}
      {more}.
    </Alert>
  );
}
