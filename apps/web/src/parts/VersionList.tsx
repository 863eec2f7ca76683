import type { Version } from '@early-lantern/contract';
import {
  Alert,
  Box,
  Button,
  Dialog,
  DialogActions,
  DialogContent,
  DialogTitle,
  LinearProgress,
  Typography,
} from '@mui/material';
import { ActionLine } from './ActionLine.tsx';
import { clockTime, dayName } from './time.ts';

interface VersionListProps {
  title: string;
  versions: readonly Version[] | undefined;
  trouble: string | undefined;
  zone: string;
  nameOf: (version: Version) => string;
  onBringBack: (version: Version) => void;
  onClose: () => void;
}

/** What something was earlier, day by day, who changed it then, and the way back to each. */
export function VersionList({
  title,
  versions,
  trouble,
  zone,
  nameOf,
  onBringBack,
  onClose,
}: VersionListProps) {
  const byDay = Map.groupBy(versions ?? [], ({ at }) => dayName(at, zone));
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="sm" aria-labelledby="versions-title">
      <DialogTitle id="versions-title">{title}</DialogTitle>
      <DialogContent sx={{ display: 'grid', gap: 1.5 }}>
        {trouble && <Alert severity="warning">That could not be read. {trouble}</Alert>}
        {!versions && !trouble && <LinearProgress aria-label="Reading" />}
        {versions?.length === 0 && (
          <Typography>
            Nothing was changed yet. What is changed from now on can be brought back here.
          </Typography>
        )}
        {[...byDay].map(([day, own]) => (
          <Box component="section" key={day} aria-label={day}>
            <Typography variant="h3">{day}</Typography>
            {own.map((version) => {
              const name = nameOf(version);
              const time = clockTime(version.at, zone);
              return (
                <ActionLine
                  key={version.id}
                  does="Bring back"
                  label={`Bring back ${name}, ${time}`}
                  onDo={() => onBringBack(version)}
                >
                  {version.isDeleted ? 'Deleted' : 'As it was until'} {time}: {name}
                  {version.by &&
                    (version.isDeleted ? `, by ${version.by}` : `, then changed by ${version.by}`)}
                </ActionLine>
              );
            })}
          </Box>
        ))}
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Close</Button>
      </DialogActions>
    </Dialog>
  );
}
