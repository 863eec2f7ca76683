import type { Piece } from '@early-lantern/contract';
import { Button, Dialog, DialogActions, DialogContent, DialogTitle, Typography } from '@mui/material';

interface CarriedQuestionProps {
  doing: 'copy' | 'delete';
  piece: Piece;
  /** What hangs on it, near and far. */
  carried: readonly Piece[];
  onAll: () => void;
  onAlone: () => void;
  onClose: () => void;
}

const words = {
  copy: { title: 'Copy what hangs on it as well?', all: 'Copy all', alone: 'Only this piece' },
  delete: { title: 'Delete what hangs on it as well?', all: 'Delete all', alone: 'Only this piece' },
};

/** A piece that carries others is copied or deleted: with them, or alone. */
export function CarriedQuestion({ doing, piece, carried, onAll, onAlone, onClose }: CarriedQuestionProps) {
  const { title, all, alone } = words[doing];
  const one = carried.length === 1;
  return (
    <Dialog open onClose={onClose} maxWidth="xs" fullWidth>
      <DialogTitle>{title}</DialogTitle>
      <DialogContent>
        <Typography>
          {piece.name} carries {carried.map(({ name }) => name).join(', ')}.
          {doing === 'delete' &&
            ` Alone, ${one ? 'it stays' : 'they stay'} where ${one ? 'it is' : 'they are'} and ${one ? 'has' : 'have'} nothing to hang on. Undo brings everything back.`}
        </Typography>
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Cancel</Button>
        <Button onClick={onAlone}>{alone}</Button>
        <Button variant="contained" onClick={onAll} autoFocus>
          {all}
        </Button>
      </DialogActions>
    </Dialog>
  );
}
