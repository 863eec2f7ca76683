import type { JobFile, SiteEvent } from '@early-lantern/contract';
import { paperFor, savePdf } from '../parts/save-drawing.ts';
import { clockTime, dayName } from '../parts/time.ts';
import { signatureSvg } from './SignatureField.tsx';

interface SignedEntry {
  at: string;
  event: Extract<SiteEvent, { kind: 'signed' }>;
}

/** A sign-off on paper: what was signed for, by whom and when, with the signature. */
export function saveSignOff({ job, site, workshop }: JobFile, { at, event }: SignedEntry): Promise<void> {
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
  ]);
}
