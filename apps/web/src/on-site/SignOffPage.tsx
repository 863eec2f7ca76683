import type { CrewMember, Delivery, SiteEvent } from '@early-lantern/contract';
import { deliveryOf } from '@early-lantern/core';
import { Box, TextField, Typography } from '@mui/material';
import { type FormEvent, useRef, useState } from 'react';
import { clockTime, dayName } from '../parts/time.ts';
import { BigButton } from './BigButton.tsx';
import type { TakenJob } from './kept-on-device.ts';
import { type Drawn, SignatureField, SignaturePicture } from './SignatureField.tsx';
import { SignedPhotos } from './SignedPhotos.tsx';
import { saveSignOff } from './save-sign-off.ts';
import type { SiteLogHere } from './use-log.ts';
import { useSitePhotos } from './use-site-photos.ts';

interface SignOffPageProps {
  who: CrewMember;
  taken: TakenJob;
  log: SiteLogHere;
}

/** The house signs on the glass for what it got. Afterwards nothing of it changes; something more may be signed for. */
export function SignOffPage({ who, taken, log }: SignOffPageProps) {
  const { file, plan } = taken;
  const zone = plan.timeZone;
  const photos = useSitePhotos(file.job.id);
  const sent = (photos.sent ?? []).map(({ data }) => data);
  // On its way a photo is at both places for a moment.
  const waiting = photos.waiting.filter(({ id, refused }) => !refused && !sent.some((one) => one.id === id));
  const allPhotos = [...sent, ...waiting];
  const delivery = deliveryOf(file, plan, log.happened, allPhotos);
  const pictures = (shown: Delivery['photos']) => (
    <SignedPhotos shown={shown} jobId={file.job.id} photos={photos} />
  );
  const { signed } = log.happened;
  const [isSigning, setSigning] = useState(false);
  return (
    <Box sx={{ display: 'grid', gap: 2 }}>
      <Typography variant="h1" sx={{ fontSize: '1.75rem' }}>
        Sign-off
      </Typography>
      {signed.map(({ id, at, event }) => (
        <Box
          key={id}
          component="section"
          aria-label={`Signed by ${event.name}`}
          sx={{ border: 2, borderColor: 'divider', borderRadius: 2, p: 2, display: 'grid', gap: 1 }}
        >
          <Typography sx={{ fontSize: '1.25rem', fontWeight: 700 }}>
            Signed by {event.name}, {dayName(at, zone)} {clockTime(at, zone)}
          </Typography>
          <SignaturePicture strokes={event.strokes} name={event.name} />
          <DeliveryLines {...event} zone={zone} />
          {pictures(event.photos)}
          {event.remarks && <Typography sx={{ fontSize: '1.0625rem' }}>Remarks: {event.remarks}</Typography>}
          <BigButton onClick={() => void saveSignOff(file, { at, event }, photos.waiting)}>
            Save as PDF
          </BigButton>
        </Box>
      ))}
      {isSigning || signed.length === 0 ? (
        <Signing
          onSign={(name, remarks, strokes) => {
            void log.write(who.id, { kind: 'signed', name, remarks, strokes, ...delivery });
            setSigning(false);
          }}
        >
          <DeliveryLines {...delivery} zone={zone} />
          {pictures(delivery.photos)}
        </Signing>
      ) : (
        <BigButton onClick={() => setSigning(true)}>Sign for something more</BigButton>
      )}
    </Box>
  );
}

type Signed = Extract<SiteEvent, { kind: 'signed' }>;
type DeliveryLinesProps = Pick<Signed, 'delivered' | 'open' | 'handedOver' | 'strikeFrom'> & { zone: string };

function DeliveryLines({ delivered, open, handedOver, strikeFrom, zone }: DeliveryLinesProps) {
  const lists: [string, readonly string[]][] = [
    ['What was built', delivered],
    ['Still open', open],
    ['Please take care', handedOver],
  ];
  return (
    <>
      {lists
        .filter(([, lines]) => lines.length > 0)
        .map(([title, lines]) => (
          <Box key={title}>
            <Typography variant="h2">{title}</Typography>
            <Box component="ul" sx={{ m: 0, pl: 2.5, fontSize: '1.0625rem' }}>
              {lines.map((line) => (
                <li key={line}>{line}</li>
              ))}
            </Box>
          </Box>
        ))}
      {strikeFrom && (
        <Typography sx={{ fontSize: '1.0625rem' }}>
          We take it down: {dayName(strikeFrom, zone)}, from {clockTime(strikeFrom, zone)}.
        </Typography>
      )}
    </>
  );
}

interface SigningProps {
  children: React.ReactNode;
  onSign: (name: string, remarks: string, strokes: Signed['strokes']) => void;
}

function Signing({ children, onSign }: SigningProps) {
  const [name, setName] = useState('');
  const [remarks, setRemarks] = useState('');
  const [isBlank, setBlank] = useState(false);
  const drawn = useRef<Drawn>(undefined);
  const sign = (event: FormEvent) => {
    event.preventDefault();
    if (!name.trim()) return setBlank(true);
    onSign(name.trim(), remarks.trim(), drawn.current?.strokes() ?? []);
  };
  return (
    <form onSubmit={sign} noValidate style={{ display: 'grid', gap: 16 }}>
      {children}
      <TextField
        label="Name of who signs"
        value={name}
        error={isBlank}
        helperText={isBlank && 'The name, please.'}
        onChange={({ target }) => {
          setName(target.value.slice(0, 120));
          setBlank(false);
        }}
        slotProps={{ input: { sx: { fontSize: '1.125rem', minHeight: 56 } } }}
      />
      <TextField
        label="Remarks"
        multiline
        maxRows={4}
        value={remarks}
        onChange={({ target }) => setRemarks(target.value.slice(0, 1000))}
        slotProps={{ input: { sx: { fontSize: '1.125rem', minHeight: 56 } } }}
      />
      <SignatureField drawn={drawn} />
      <BigButton type="submit" variant="contained">
        Sign
      </BigButton>
    </form>
  );
}
