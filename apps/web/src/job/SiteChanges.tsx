import type { Site } from '@early-lantern/contract';
import { Alert, Button } from '@mui/material';
import { useJob } from './context.ts';
import { differences } from './document.ts';

/** Said at most; a place rebuilt from the ground is not told wall by wall. */
const MOST = 4;

/** What changed at the place since somebody last looked at it for this job, until it is noted. */
export function SiteChanges() {
  const { document, file, store } = useJob();
  const { siteSeen } = document.head;
  if (!siteSeen) return null;
  // A place taken over under another id is still the same place.
  const before: Site = { ...siteSeen, id: file.site.id };
  const found = differences(file.site, before);
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
      The place was changed since this job was planned:{' '}
      {found.slice(0, MOST).map(inWords(file.site)).join('; ')}
      {more}.
    </Alert>
  );
}

/** `North wall, heightM: was 3, is 3.4`. */
const inWords =
  (site: Site) =>
  ({ path, mine, theirs }: { path: string; mine: unknown; theirs: unknown }) => {
    const spot = /^spots\.(\d+)\.(.*)$/.exec(path);
    const where = spot ? `${site.spots[Number(spot[1])]?.name ?? 'a spot'}, ${spot[2]}` : path;
    return `${where.replaceAll('.', ' ')}: was ${short(theirs)}, is ${short(mine)}`;
  };

function short(value: unknown): string {
  if (value === undefined) return 'unknown';
  if (typeof value === 'number') return String(Number(value.toFixed(2)));
  if (Array.isArray(value)) return `${value.length} of them`;
  return typeof value === 'object' && value !== null ? 'something' : `“${String(value).slice(0, 60)}”`;
}
