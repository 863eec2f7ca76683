import type { Site } from '@early-lantern/contract';
import { Typography } from '@mui/material';
import { CommitField, wholeNumber } from '../parts/CommitField.tsx';
import { HoursField } from '../parts/HoursField.tsx';

interface KerbFieldsProps {
  loadIn: Site['loadIn'];
  onChange: (edit: Partial<Site['loadIn']>) => void;
}

/** When the van may stand at the door, and for how long. */
export function KerbFields({ loadIn, onChange }: KerbFieldsProps) {
  return (
    <>
      <Typography sx={{ fontSize: 14, color: 'text.secondary' }}>
        The van may stand there: {loadIn.kerb ? `${loadIn.kerb.from} to ${loadIn.kerb.to}` : 'at any hour'}
      </Typography>
      <HoursField
        key={JSON.stringify(loadIn.kerb)}
        none="Any hour"
        value={loadIn.kerb}
        onNone={() => onChange({ kerb: undefined })}
        onHours={(kerb) => onChange({ kerb })}
      />
      <CommitField
        label="For how many minutes at a time"
        helperText="Blank = as long as it takes"
        value={loadIn.kerbMin === undefined ? '' : String(loadIn.kerbMin)}
        onCommit={(text) =>
          text.trim() === ''
            ? void onChange({ kerbMin: undefined })
            : wholeNumber(text, 5, 600, (kerbMin) => void onChange({ kerbMin }))
        }
      />
    </>
  );
}
