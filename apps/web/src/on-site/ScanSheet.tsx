import { Alert, Box, Typography } from '@mui/material';
import { type ReactNode, useEffect, useRef, useState } from 'react';
import { BottomSheet } from './BottomSheet.tsx';
import { buzz } from './stay-awake.ts';

interface ScanSheetProps {
  title: string;
  /** What was read; the same is not told again while it stays in sight. @returns what came of it, in words */
  onRead: (text: string) => string;
  onClose: () => void;
  /** Stands above the picture. */
  children?: ReactNode;
  /** Where it is another than before, what is in sight is read anew. */
  meaning?: string;
}

/** The same label in sight for so long is read once, ms. */
const SAME_MS = 3_000;

/** The camera, reading one label after the other until it is closed. */
export function ScanSheet({ title, onRead, onClose, children, meaning }: ScanSheetProps) {
  const last = useRef({ text: '', at: 0 });
  const meant = useRef(meaning);
  if (meant.current !== meaning) {
    meant.current = meaning;
    last.current = { text: '', at: 0 };
  }
  const picture = useRef<HTMLVideoElement>(null);
  const read = useRef(onRead);
  read.current = onRead;
  const [said, setSaid] = useState('Hold a label in front of the camera.');
  const [trouble, setTrouble] = useState<string>();
  useEffect(() => {
    let isOver = false;
    let stop = () => {};
    const heard = (text: string) => {
      const at = Date.now();
      const isSame = text === last.current.text && at - last.current.at < SAME_MS;
      last.current = { text, at };
      if (isSame) return;
      buzz();
      setSaid(read.current(text));
    };
    const open = async () => {
      // Weighs as much as all else on site, and is wanted when gear comes home.
      const { readCodes } = await import('./code-reader.ts');
      stop = await readCodes(picture.current ?? undefined, heard);
      if (isOver) stop();
    };
    open().catch(() =>
      setTrouble('The camera cannot be used here. Close this and type the five signs under the code.'),
    );
    return () => {
      isOver = true;
      stop();
    };
  }, []);
  return (
    <BottomSheet title={title} onClose={onClose}>
      {trouble ? (
        <Alert severity="warning" icon={false} variant="outlined" sx={{ fontSize: '1rem' }}>
          {trouble}
        </Alert>
      ) : (
        <>
          {children}
          <Box
            component="video"
            ref={picture}
            muted
            playsInline
            aria-label="What the camera sees"
            sx={{ width: '100%', maxHeight: '48vh', bgcolor: '#000', borderRadius: 1, objectFit: 'cover' }}
          />
          <Typography role="status" sx={{ fontSize: '1.25rem', fontWeight: 650, minHeight: '3em' }}>
            {said}
          </Typography>
        </>
      )}
    </BottomSheet>
  );
}
