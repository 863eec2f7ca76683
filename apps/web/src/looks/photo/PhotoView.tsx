import type { FullPiece, Photo, PhotoMark, PhotoRow } from '@early-lantern/contract';
import { formatLength, plural } from '@early-lantern/core';
import AddPhotoIcon from '@mui/icons-material/AddPhotoAlternateOutlined';
import { Alert, Box, Button, Stack, ToggleButton, ToggleButtonGroup, Typography } from '@mui/material';
import { type ReactNode, useRef, useState } from 'react';
import { keys, queryClient } from '../../api/queries.ts';
import { newId } from '../../parts/ids.ts';
import { useRowSave } from '../../parts/useRowSave.ts';
import { useUnits } from '../../preferences.tsx';
import { MarkedPhoto } from './MarkedPhoto.tsx';
import { LARGER, marksInWords, markWords, moved, scaled, withNew, without } from './marking.ts';
import { usePhotos } from './use-photos.ts';

interface PhotoViewProps {
  jobId: string;
  pieceId: string;
  name: string;
  look: FullPiece | undefined;
  /** The piece as it is planned, to lay beside the photo. */
  children: ReactNode;
}

/** Photos of the piece as it was built beside its picture, with what the eye stops at marked on them. */
export function PhotoView({ jobId, pieceId, name, look, children }: PhotoViewProps) {
  const { photos, error, add, isAdding, remove, deleted, bringBack } = usePhotos(jobId, pieceId);
  const { units } = useUnits();
  const [shownId, setShownId] = useState<string>();
  const input = useRef<HTMLInputElement>(null);
  const at = photos?.findIndex(({ data }) => data.id === shownId) ?? -1;
  const shown = photos?.[at] ?? photos?.at(-1);
  return (
    <Stack spacing={1.5}>
      <Stack direction="row" sx={{ gap: 1, flexWrap: 'wrap', alignItems: 'center' }}>
        <Button
          variant="outlined"
          size="small"
          startIcon={<AddPhotoIcon />}
          disabled={isAdding}
          onClick={() => input.current?.click()}
        >
          {isAdding ? 'Keeping it…' : 'Add a photo'}
        </Button>
        <input
          ref={input}
          type="file"
          hidden
          accept="image/*"
          aria-label="Photo file"
          onChange={({ target }) => {
            const file = target.files?.[0];
            target.value = '';
            setShownId(undefined);
            if (file) add(file);
          }}
        />
        {photos && photos.length > 1 && (
          <ToggleButtonGroup
            exclusive
            size="small"
            value={shown?.data.id}
            aria-label="Photos"
            onChange={(_, id: string | null) => id && setShownId(id)}
          >
            {photos.map(({ data }, i) => (
              <ToggleButton key={data.id} value={data.id} aria-label={`Photo ${i + 1}`}>
                {i + 1}
              </ToggleButton>
            ))}
          </ToggleButtonGroup>
        )}
        {shown && (
          <Button size="small" onClick={() => remove(shown.data.id)}>
            Delete this photo
          </Button>
        )}
      </Stack>
      {error && <Alert severity="warning">The photos could not be read. {error.message}</Alert>}
      {deleted && (
        // Here, since whatever lies behind a dialog cannot be reached by keyboard.
        <Alert
          severity="info"
          action={
            <Button color="inherit" onClick={() => bringBack(deleted)}>
              Undo
            </Button>
          }
        >
          Photo deleted.
        </Alert>
      )}
      {photos?.length === 0 && (
        <Typography sx={{ color: 'text.secondary' }}>
          No photo yet. Add one when {name} hangs, and mark what the eye stops at: next time you know what to
          look for.
        </Typography>
      )}
      <Box sx={{ display: 'grid', gridTemplateColumns: { md: shown ? '1fr 1fr' : '1fr' }, gap: 2 }}>
        <Box sx={{ minWidth: 0 }}>
          <Caption>As planned: {plannedWords(look, units)}</Caption>
          {children}
        </Box>
        {shown && <Marking key={shown.data.id} jobId={jobId} name={name} row={shown} />}
      </Box>
    </Stack>
  );
}

const Caption = ({ children }: { children: ReactNode }) => (
  <Typography component="div" sx={{ fontSize: 15, fontWeight: 600, mb: 0.75 }}>
    {children}
  </Typography>
);

function plannedWords(look: FullPiece | undefined, units: 'imperial' | 'metric'): string {
  if (!look) return 'not looked at before it stands';
  const { gaps, clumps, limits } = look;
  return `${gaps.length === 0 ? 'no gap' : plural(gaps.length, 'gap')} of ${formatLength(limits.gapM, units)} and more, ${clumps.length === 0 ? 'no clump' : plural(clumps.length, 'clump')}`;
}

/** One photo, with its marks and what is done with them. */
function Marking({ jobId, name, row }: { jobId: string; name: string; row: PhotoRow }) {
  const { data } = row;
  const [kind, setKind] = useState<PhotoMark['kind']>('gap');
  const [chosenId, setChosenId] = useState<string>();
  const queryKey = keys.photos(jobId);
  const path = `/jobs/${jobId}/photos/${data.id}`;
  const save = useRowSave<Photo>(queryKey, path, row);
  const change = (edit: (photo: Photo) => Pick<Photo, 'marks'>) => {
    // Shown at once; what the server keeps is read again afterwards.
    queryClient.setQueryData<PhotoRow[]>(queryKey, (rows) =>
      rows?.map((one) =>
        one.data.id === data.id ? { ...one, data: { ...one.data, ...edit(one.data) } } : one,
      ),
    );
    save(edit);
  };
  const put = (x: number, y: number) => {
    const id = newId('');
    change(withNew(id, kind, x, y));
    setChosenId(id);
  };
  const chosen = data.marks.find(({ id }) => id === chosenId);
  return (
    <Box sx={{ minWidth: 0 }}>
      <Caption>
        <span data-testid="marked">As built: {marksInWords(data.marks)} marked</span>
      </Caption>
      <MarkedPhoto
        photo={data}
        src={`/api/v1${path}/picture`}
        name={name}
        chosen={chosenId}
        onChoose={setChosenId}
        onAdd={put}
        onMove={(id, dx, dy) => change(moved(id, dx, dy))}
        onScale={(id, by) => change(scaled(id, by))}
        onRemove={(id) => change(without(id))}
      />
      <Stack direction="row" sx={{ gap: 1, flexWrap: 'wrap', alignItems: 'center', mt: 1 }}>
        <ToggleButtonGroup
          exclusive
          size="small"
          value={kind}
          aria-label="Marks"
          onChange={(_, next: PhotoMark['kind'] | null) => next && setKind(next)}
          sx={{ '& .MuiToggleButton-root': { textTransform: 'none', minHeight: 40 } }}
        >
          {(Object.keys(markWords) as PhotoMark['kind'][]).map((one) => (
            <ToggleButton key={one} value={one}>
              {markWords[one]}
            </ToggleButton>
          ))}
        </ToggleButtonGroup>
        <Button size="small" onClick={() => put(0.5, 0.5)}>
          Mark the middle
        </Button>
      </Stack>
      <Stack direction="row" sx={{ gap: 1, flexWrap: 'wrap', alignItems: 'center', minHeight: 40 }}>
        {chosen ? (
          <>
            <Typography sx={{ fontSize: 15 }}>
              {data.marks.indexOf(chosen) + 1}: {markWords[chosen.kind]}
            </Typography>
            <Button size="small" onClick={() => change(scaled(chosen.id, 1 / LARGER))}>
              Smaller
            </Button>
            <Button size="small" onClick={() => change(scaled(chosen.id, LARGER))}>
              Larger
            </Button>
            <Button size="small" onClick={() => change(without(chosen.id))}>
              Delete mark
            </Button>
          </>
        ) : (
          <Typography sx={{ fontSize: 15, color: 'text.secondary' }}>
            Press a place on the photo to mark it; drag a mark to move it.
          </Typography>
        )}
      </Stack>
    </Box>
  );
}
