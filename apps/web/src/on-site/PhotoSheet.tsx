import type { PhotoMark } from '@early-lantern/contract';
import { Box, Typography } from '@mui/material';
import { useState } from 'react';
import { MarkedPhoto } from '../looks/photo/MarkedPhoto.tsx';
import { LARGER, marksInWords, markWords, moved, scaled, withNew, without } from '../looks/photo/marking.ts';
import { newId } from '../parts/ids.ts';
import { BigButton } from './BigButton.tsx';
import { BottomSheet } from './BottomSheet.tsx';

interface PhotoSheetProps {
  name: string;
  src: string;
  widthPx: number;
  heightPx: number;
  marks: readonly PhotoMark[];
  onKeep: (marks: PhotoMark[]) => void;
  onClose: () => void;
}

const kinds = Object.keys(markWords) as PhotoMark['kind'][];

/** A photo on the whole phone: pressed it takes a mark, of the kind that is chosen. */
export function PhotoSheet({ name, src, widthPx, heightPx, marks: first, onKeep, onClose }: PhotoSheetProps) {
  const [marks, setMarks] = useState([...first]);
  const [kind, setKind] = useState<PhotoMark['kind']>('gap');
  const [chosenId, setChosenId] = useState<string>();
  const change = (edit: (photo: { marks: PhotoMark[] }) => { marks: PhotoMark[] }) =>
    setMarks((now) => edit({ marks: now }).marks);
  const put = (x: number, y: number) => {
    const id = newId('');
    change(withNew(id, kind, x, y));
    setChosenId(id);
  };
  const chosen = marks.find(({ id }) => id === chosenId);
  return (
    <BottomSheet title={`Photo: ${name}`} onClose={onClose} closeWords="Do not keep it">
      <Box sx={{ minWidth: 0 }}>
        <MarkedPhoto
          photo={{ widthPx, heightPx, marks }}
          src={src}
          name={name}
          chosen={chosenId}
          onChoose={setChosenId}
          onAdd={put}
          onMove={(id, dx, dy) => change(moved(id, dx, dy))}
          onScale={(id, by) => change(scaled(id, by))}
          onRemove={(id) => change(without(id))}
        />
      </Box>
      <Typography sx={{ fontSize: '1.0625rem' }} data-testid="marked">
        {marks.length === 0 ? 'Press a place on the photo to mark it.' : `${marksInWords(marks)} marked.`}
      </Typography>
      <Box
        role="group"
        aria-label="Marks"
        sx={{ display: 'grid', gridTemplateColumns: 'repeat(auto-fit, minmax(140px, 1fr))', gap: 1 }}
      >
        {kinds.map((one) => (
          <BigButton
            key={one}
            variant={one === kind ? 'contained' : 'outlined'}
            aria-pressed={one === kind}
            onClick={() => setKind(one)}
          >
            {markWords[one]}
          </BigButton>
        ))}
      </Box>
      {chosen ? (
        <Box sx={{ display: 'grid', gridTemplateColumns: 'repeat(3, 1fr)', gap: 1 }}>
          <BigButton onClick={() => change(scaled(chosen.id, 1 / LARGER))}>Smaller</BigButton>
          <BigButton onClick={() => change(scaled(chosen.id, LARGER))}>Larger</BigButton>
          <BigButton onClick={() => change(without(chosen.id))}>Delete mark</BigButton>
        </Box>
      ) : (
        <BigButton onClick={() => put(0.5, 0.5)}>Mark the middle</BigButton>
      )}
      <BigButton variant="contained" onClick={() => onKeep(marks)}>
        Keep the photo
      </BigButton>
    </BottomSheet>
  );
}
