import type { JobHead, Piece, Version, WholeVersion } from '@early-lantern/contract';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { call } from '../api/client.ts';
import { keys } from '../api/queries.ts';
import { useNotice } from '../parts/notices.tsx';
import { clockTime } from '../parts/time.ts';
import { VersionList } from '../parts/VersionList.tsx';
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
  return (
    <VersionList
      title="Earlier versions"
      versions={data}
      trouble={trouble ?? error?.message}
      zone={zone}
      nameOf={(version) => (version.what === 'job' ? 'the brief' : version.name)}
      onBringBack={(version) => void bringBack(version)}
      onClose={onClose}
    />
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
