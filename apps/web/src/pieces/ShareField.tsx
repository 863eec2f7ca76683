import { readNumber } from '@early-lantern/contract';
import { CommitField } from '../parts/CommitField.tsx';

interface ShareFieldProps {
  /** Of what, for those who hear it. */
  label: string;
  sharePct: number;
  disabled?: boolean;
  onCommit: (sharePct: number) => void;
}

/** A share typed in per cent; the others keep their proportion. */
export function ShareField({ label, sharePct, disabled = false, onCommit }: ShareFieldProps) {
  return (
    <CommitField
      variant="standard"
      disabled={disabled}
      value={`${Math.round(sharePct)} %`}
      onCommit={(text) => {
        const typed = readNumber(text.replace('%', ''));
        if (typed === undefined || typed < 0 || typed > 100) return '0 to 100';
        onCommit(Math.round(typed));
        return undefined;
      }}
      slotProps={{ htmlInput: { 'aria-label': `${label}, per cent`, style: { textAlign: 'right' } } }}
    />
  );
}
