import type { Delivery, JobFile, SiteEvent } from '@early-lantern/contract';
import { paperFor, savePdf } from '../parts/save-drawing.ts';
import { clockTime, dayName } from '../parts/time.ts';
import type { WaitingPhoto } from './photo-outbox.ts';
import { signatureSvg } from './SignatureField.tsx';

interface SignedEntry {
  at: string;
  event: Extract<SiteEvent, { kind: 'signed' }>;
}

/** Longest side of a photo on paper, pixels: 150 a inch on half a page. */
const PHOTO_PX = 600;

/** A photo as paper takes it, turned as it is seen; undefined where it is not to be had now. */
async function asJpeg(read: () => Promise<Blob>): Promise<string | undefined> {
  try {
    const picture = await createImageBitmap(await read());
    const scale = Math.min(1, PHOTO_PX / Math.max(picture.width, picture.height));
    const canvas = document.createElement('canvas');
    canvas.width = Math.round(picture.width * scale);
    canvas.height = Math.round(picture.height * scale);
    canvas.getContext('2d')?.drawImage(picture, 0, 0, canvas.width, canvas.height);
    return canvas.toDataURL('image/jpeg', 0.85);
  } catch {
    return undefined;
  }
}

async function fetched(path: string): Promise<Blob> {
  const reply = await fetch(path);
  if (!reply.ok) throw new Error(`The picture was not read: ${reply.status}.`);
  return reply.blob();
}

/** Photos two beside each other, each with what is on it; one that cannot be read now is told by name. */
async function photoRows(
  jobId: string,
  photos: NonNullable<Delivery['photos']>,
  waiting: readonly WaitingPhoto[],
): Promise<object[]> {
  const cells = await Promise.all(
    photos.map(async ({ id, of }) => {
      const here = waiting.find((one) => one.id === id);
      const image = await asJpeg(async () =>
        here ? here.content : fetched(`/api/v1/jobs/${jobId}/photos/${id}/picture`),
      );
      return {
        stack: [...(image ? [{ image, fit: [250, 220] }] : []), { text: image ? of : `${of}: no picture` }],
      };
    }),
  );
  return Array.from({ length: Math.ceil(cells.length / 2) }, (_, i) => ({
    columns: [cells[2 * i] ?? '', cells[2 * i + 1] ?? ''],
    columnGap: 12,
    margin: [0, 0, 0, 8],
    unbreakable: true,
  }));
}

/**
 * A sign-off on paper: what was signed for, by whom and when, with the signature and the photos of what stands.
 *
 * @param waiting photos that are on this phone alone
 */
export async function saveSignOff(
  { job, site, workshop }: JobFile,
  { at, event }: SignedEntry,
  waiting: readonly WaitingPhoto[],
): Promise<void> {
  const photos = event.photos ? await photoRows(job.id, event.photos, waiting) : [];
  const zone = workshop.timeZone;
  const list = (title: string, lines: readonly string[]) =>
    lines.length > 0 ? [{ text: title, bold: true, margin: [0, 12, 0, 4] }, { ul: [...lines] }] : [];
  return savePdf(`Sign-off ${job.name}`, paperFor(workshop.units), [
    { text: job.name, fontSize: 20, bold: true },
    { text: `${workshop.name}, at ${site.name}` },
    { text: `Doors ${dayName(job.doors, zone)}, ${clockTime(job.doors, zone)}` },
    ...list('What was built', event.delivered),
    ...list('Still open', event.open),
    ...list('Please take care', event.handedOver),
    ...(event.strikeFrom
      ? [
          {
            text: `We take it down: ${dayName(event.strikeFrom, zone)}, from ${clockTime(event.strikeFrom, zone)}.`,
            margin: [0, 12, 0, 0],
          },
        ]
      : []),
    ...list('Remarks', event.remarks ? [event.remarks] : []),
    {
      text: `Signed by ${event.name}, ${dayName(at, zone)} ${clockTime(at, zone)}`,
      bold: true,
      margin: [0, 18, 0, 6],
    },
    ...(event.strokes.length > 0 ? [{ svg: signatureSvg(event.strokes), width: 240 }] : []),
    ...(photos.length > 0 ? [{ text: 'How it stands', bold: true, margin: [0, 18, 0, 6] }, ...photos] : []),
  ]);
}
