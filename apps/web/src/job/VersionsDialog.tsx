import type { JobHead, Piece, Version, WholeVersion } from '@early-lantern/contract';
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
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { call } from '../api/client.ts';
import { keys } from '../api/queries.ts';
import { ActionLine } from '../parts/ActionLine.tsx';
import { useNotice } from '../parts/notices.tsx';
import { clockTime, dayName } from '../parts/time.ts';
import { useJob } from './context.ts';
import type { JobDocument } from './document.ts';

/** What the job and its pieces were earlier; one is brought back as a change like any other, which undo takes back. */
export function VersionsDialog({ onClose }: { onClose: () => void }) {
  const { store, document, file } = useJob();
  const notify = useNotice();
  const [trouble, setTrouble] = useState<string>();
  const jobId = document.head.id;
  const { data, error } = useQuery({
    queryKey: keys.versions(jobId),
    queryFn: () => call<Version[]>('GET', `/jobs/${jobId}/versions`),
    staleTime: 0,
  });
  const zone = file.workshop.timeZone;
  const bringBack = async (version: Version) => {
    try {
      const whole = await call<WholeVersion>('GET', `/jobs/${jobId}/versions/${version.id}`);
      store.change((before) => withVersion(before, whole));
      notify({
        text: `“${version.name}” is as it was until ${clockTime(version.at, zone)}.`,
        undo: store.undo,
      });
      onClose();
    } catch (failed) {
      setTrouble((failed as Error).message);
    }
  };
  const byDay = Map.groupBy(data ?? [], ({ at }) => dayName(at, zone));
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="sm" aria-labelledby="versions-title">
      <DialogTitle id="versions-title">Earlier versions</DialogTitle>
      <DialogContent sx={{ display: 'grid', gap: 1.5 }}>
        {(error || trouble) && (
          <Alert severity="warning">That could not be read. {trouble ?? error?.message}</Alert>
        )}
        {!data && !error && <LinearProgress aria-label="Reading" />}
        {data?.length === 0 && (
          <Typography>
            Nothing was changed yet. What is changed from now on can be brought back here.
          </Typography>
        )}
        {[...byDay].map(([day, own]) => (
          <Box component="section" key={day} aria-label={day}>
            <Typography variant="h3">{day}</Typography>
            {own.map((version) => {
              const name = version.what === 'job' ? 'the brief' : version.name;
              const time = clockTime(version.at, zone);
              return (
                <ActionLine
                  key={version.id}
                  does="Bring back"
                  label={`Bring back ${name}, ${time}`}
                  onDo={() => void bringBack(version)}
                >
                  {version.isDeleted ? 'Deleted' : 'As it was until'} {time}: {name}
                  {version.by && !version.isDeleted && `, then changed by ${version.by}`}
                  {version.by && version.isDeleted && `, by ${version.by}`}
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

/** The document with one row as it was; a piece that is gone comes last. */
function withVersion({ head, pieces }: JobDocument, { what, rowId, data }: WholeVersion): JobDocument {
  if (what === 'job') return { head: data as JobHead, pieces };
  const piece = data as Piece;
  const isThere = pieces.some(({ id }) => id === rowId);
  return {
    head,
    pieces: isThere ? pieces.map((one) => (one.id === rowId ? piece : one)) : [...pieces, piece],
  };
}
