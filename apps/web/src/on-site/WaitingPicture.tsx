import { Box } from '@mui/material';
import { useEffect, useState } from 'react';

/** A photo that is on this phone alone. */
export function WaitingPicture({ content }: { content: Blob }) {
  const [src, setSrc] = useState<string>();
  useEffect(() => {
    const made = URL.createObjectURL(content);
    setSrc(made);
    return () => URL.revokeObjectURL(made);
  }, [content]);
  return (
    <Box
      component="img"
      src={src}
      alt=""
      sx={{ width: '100%', maxHeight: 260, objectFit: 'cover', borderRadius: 1, display: 'block' }}
    />
  );
}
