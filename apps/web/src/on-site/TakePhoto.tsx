import type { PhotoMoment, PieceId } from '@early-lantern/contract';
import { Box } from '@mui/material';
import { useEffect, useRef, useState } from 'react';
import { shrunk } from '../looks/photo/shrunk.ts';
import { useNotice } from '../parts/notices.tsx';
import { BigButton } from './BigButton.tsx';
import { BottomSheet } from './BottomSheet.tsx';
import type { TakenJob } from './kept-on-device.ts';
import { PhotoSheet } from './PhotoSheet.tsx';
import type { SitePhotos } from './use-site-photos.ts';

interface TakePhotoProps {
  taken: TakenJob;
  photos: SitePhotos;
  /** The piece that is being worked on; without it one is asked which. */
  pieceId?: string | undefined;
  words: string;
  moment: PhotoMoment;
}

interface Shot {
  content: Blob;
  src: string;
  widthPx: number;
  heightPx: number;
}

/** A photo by the camera of the phone or from its album: of which piece, what the eye stops at, kept. */
export function TakePhoto({ taken, photos, pieceId, words, moment }: TakePhotoProps) {
  const notify = useNotice();
  const input = useRef<HTMLInputElement>(null);
  const [shot, setShot] = useState<Shot>();
  const [chosen, setChosen] = useState<string>();
  const src = shot?.src;
  useEffect(() => () => URL.revokeObjectURL(src ?? ''), [src]);
  const pieces = taken.file.job.pieces;
  const [only] = pieces;
  const of = pieces.find(({ id }) => id === (chosen ?? pieceId)) ?? (pieces.length === 1 ? only : undefined);
  const leave = () => {
    setShot(undefined);
    setChosen(undefined);
  };
  const look = async (file: Blob) => {
    try {
      const content = await shrunk(file);
      const { width, height } = await createImageBitmap(content);
      setShot({ content, src: URL.createObjectURL(content), widthPx: width, heightPx: height });
    } catch (error) {
      notify({ text: (error as Error).message });
    }
  };
  return (
    <>
      <BigButton onClick={() => input.current?.click()}>{words}</BigButton>
      <input
        ref={input}
        type="file"
        hidden
        accept="image/*"
        capture="environment"
        aria-label="Photo file"
        onChange={({ target }) => {
          const file = target.files?.[0];
          target.value = '';
          if (file) void look(file);
        }}
      />
      {shot && !of && (
        <BottomSheet title="Of which piece?" onClose={leave}>
          <Box sx={{ display: 'grid', gap: 1 }}>
            {pieces.map(({ id, name }) => (
              <BigButton key={id} onClick={() => setChosen(id)}>
                {name}
              </BigButton>
            ))}
          </Box>
        </BottomSheet>
      )}
      {shot && of && (
        <PhotoSheet
          {...shot}
          name={of.name}
          marks={[]}
          onClose={leave}
          onKeep={(marks) => {
            void photos.add({ pieceId: of.id as PieceId, content: shot.content, marks, moment });
            leave();
          }}
        />
      )}
    </>
  );
}
