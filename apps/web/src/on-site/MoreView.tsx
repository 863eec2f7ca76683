import type { CrewMember } from '@early-lantern/contract';
import { Box } from '@mui/material';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { BigButton } from './BigButton.tsx';
import { GearHome } from './GearHome.tsx';
import { KeptView } from './KeptView.tsx';
import type { TakenJob } from './kept-on-device.ts';
import { LookOver } from './LookOver.tsx';
import { NotesView } from './NotesView.tsx';
import { PhotosView } from './PhotosView.tsx';
import { SignOffPage } from './SignOffPage.tsx';
import { TopUpsView } from './TopUpsView.tsx';
import type { SiteLogHere } from './use-log.ts';
import { WindPage } from './WindPage.tsx';

interface MoreViewProps {
  who: CrewMember;
  taken: TakenJob;
  log: SiteLogHere;
}

const pages = [
  { id: 'look', label: 'Look over the pieces', Page: LookOver },
  { id: 'sign-off', label: 'Sign-off', Page: SignOffPage },
  { id: 'gear', label: 'Gear back home', Page: GearHome },
  { id: 'kept', label: 'Kept balloons', Page: KeptView },
  { id: 'wind', label: 'Wind', Page: WindPage },
  { id: 'top-ups', label: 'Top-ups', Page: TopUpsView },
  { id: 'photos', label: 'Photos', Page: PhotosView },
  { id: 'notes', label: 'Notes', Page: NotesView },
] as const;

/** What is wanted now and then: look-overs, gear, notes. */
export function MoreView(props: MoreViewProps) {
  const navigate = useNavigate();
  const [page, setPage] = useState<(typeof pages)[number]['id']>();
  const shown = pages.find(({ id }) => id === page);
  if (!shown)
    return (
      <Box sx={{ display: 'grid', gap: 1.5 }}>
        {pages.map(({ id, label }) => (
          <BigButton key={id} onClick={() => setPage(id)} sx={{ minHeight: 72 }}>
            {label}
          </BigButton>
        ))}
        <BigButton
          onClick={() => void navigate(`/on-site/${props.taken.file.job.id}/bench`)}
          sx={{ minHeight: 72 }}
        >
          Bench board, for a tablet
        </BigButton>
      </Box>
    );
  return (
    <Box sx={{ display: 'grid', gap: 2 }}>
      <shown.Page {...props} />
      <BigButton onClick={() => setPage(undefined)}>Go back</BigButton>
    </Box>
  );
}
