import type { Fix, Lamp, LampName } from '@early-lantern/contract';
import { Button, Dialog, DialogActions, DialogContent, DialogTitle, Typography } from '@mui/material';
import { useContext } from 'react';
import { JobContext } from '../job/context.ts';
import { SurveyGaps } from '../job/SurveyGaps.tsx';
import { LampAnswer } from './LampAnswer.tsx';
import { Lantern, stateWord } from './Lantern.tsx';
import { lampWords } from './lamp-words.ts';

interface LampDialogProps {
  name: LampName;
  lamp: Lamp;
  onApply: ((fix: Fix) => void) | undefined;
  onClose: () => void;
  /** Whether the working is asked for. */
  showsWorking?: boolean;
}

/** One lamp opened: its question, its answer, fixes, working. */
export function LampDialog({ name, lamp, onApply, onClose, showsWorking = false }: LampDialogProps) {
  // On a job's own pages the open questions of its survey are a click away.
  const file = useContext(JobContext)?.file;
  const apply = (fix: Fix) => {
    onApply?.(fix);
    onClose();
  };
  return (
    <Dialog open onClose={onClose} maxWidth="sm" fullWidth aria-labelledby="lamp-title">
      <DialogTitle component="div" sx={{ display: 'flex', gap: 2, alignItems: 'center', pb: 1 }}>
        <Lantern state={lamp.state} size={56} />
        <div>
          <Typography id="lamp-title" variant="h2">
            {lampWords[name].word}: {stateWord[lamp.state]}
          </Typography>
          <Typography sx={{ color: 'text.secondary' }}>{lampWords[name].question}</Typography>
        </div>
      </DialogTitle>
      <DialogContent>
        <LampAnswer name={name} lamp={lamp} onApply={onApply && apply} isOpen={showsWorking} />
        {file && <SurveyGaps file={file} lamp={name} />}
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Close</Button>
      </DialogActions>
    </Dialog>
  );
}
