import type { ColourId } from '@early-lantern/contract';
import { Box } from '@mui/material';
import { DateTime } from 'luxon';
import { Fragment, type ReactNode, useRef } from 'react';
import { placeLabels } from './place-labels.ts';
import { useSize } from './useSize.ts';

/** Colour of the sky by hour of the day: night, dawn, noon, dusk. A picture of the day, not an almanac. */
const SKY: [hour: number, colour: ColourId][] = [
  [0, '#252d47'],
  [4, '#44507a'],
  [5.5, '#8f94bd'],
  [6.7, '#f1d3a8'],
  [9, '#f6e7c8'],
  [12.5, '#f8f3e4'],
  [16, '#f6e7c8'],
  [18.3, '#f2c79c'],
  [19.8, '#9886ad'],
  [21.5, '#414b73'],
  [24, '#252d47'],
];

/** CSS gradient of the sky between two moments, by the zone's clock. */
export function skyGradient(from: number, to: number, zone: string): string {
  const stops: string[] = [];
  let day = DateTime.fromMillis(from, { zone }).startOf('day');
  while (day.toMillis() < to) {
    for (const [hour, colour] of SKY) {
      const at = day.toMillis() + hour * 3_600_000;
      stops.push(`${colour} ${(((at - from) / (to - from)) * 100).toFixed(2)}%`);
    }
    day = day.plus({ days: 1 }).startOf('day');
  }
  return `linear-gradient(90deg, ${stops.join(', ')})`;
}

/** Ink that reads on the sky at an hour. */
export const skyInk = (hour: number): string => (hour >= 6 && hour < 19.5 ? '#1f2637' : '#f6f0e2');

interface DoorsMark {
  at: string;
  label: string;
  key: string;
  /** What hangs there: the job's lantern. */
  lantern: ReactNode;
}

interface SkyBandProps {
  /** Any moment of the day shown. */
  day: string;
  zone: string;
  doors: readonly DoorsMark[];
  now: number;
}

/** Height of one level of labels. */
const LEVEL_PX = 22;

/** One day as light from night to night, doors hanging from a line as little lanterns, now as a hairline. */
export function SkyBand({ day, zone, doors, now }: SkyBandProps) {
  const frame = useRef<HTMLDivElement>(null);
  const { width } = useSize(frame);
  const start = DateTime.fromISO(day, { zone }).startOf('day');
  const from = start.toMillis();
  const to = start.plus({ days: 1 }).startOf('day').toMillis();
  const share = (at: number) => (at - from) / (to - from);
  const isToday = now >= from && now < to;
  const sorted = [...doors].sort((a, b) => Date.parse(a.at) - Date.parse(b.at));
  const labels = placeLabels(
    sorted.map((mark) => ({ x: share(Date.parse(mark.at)) * width, text: mark.label })),
    width,
  );
  const levels = 1 + Math.max(0, ...labels.map((label) => label.level));
  const drop = levels * LEVEL_PX;
  return (
    <Box ref={frame} aria-hidden="true" sx={{ position: 'relative', pt: `${drop + 2}px`, mb: 0.5 }}>
      <Box
        sx={{
          position: 'absolute',
          left: 0,
          right: 0,
          top: 2,
          borderTop: '1.5px solid',
          borderColor: 'line',
        }}
      />
      {sorted.map((mark, i) => (
        <Fragment key={mark.key}>
          <Box
            sx={{
              position: 'absolute',
              top: 2,
              left: `${share(Date.parse(mark.at)) * 100}%`,
              height: drop + 6,
              borderLeft: '1.5px solid',
              borderColor: 'text.primary',
              zIndex: 1,
            }}
          >
            <Box sx={{ position: 'absolute', bottom: -18, left: -10, color: '#1f2637' }}>{mark.lantern}</Box>
          </Box>
          <Box
            component="span"
            sx={{
              position: 'absolute',
              top: 5 + (labels[i]?.level ?? 0) * LEVEL_PX,
              left: labels[i]?.left ?? 0,
              maxWidth: width,
              lineHeight: `${LEVEL_PX - 4}px`,
              // Where there is no room beside the lines, the label stands over them.
              bgcolor: 'background.default',
              zIndex: 1,
              whiteSpace: 'nowrap',
              fontSize: 13,
              fontWeight: 650,
              overflow: 'hidden',
              textOverflow: 'ellipsis',
            }}
          >
            {mark.label}
          </Box>
        </Fragment>
      ))}
      <Box
        sx={{
          position: 'relative',
          height: 40,
          borderRadius: 1.5,
          background: skyGradient(from, to, zone),
          overflow: 'hidden',
        }}
      >
        {[2, 4, 6, 8, 10, 12, 14, 16, 18, 20, 22].map((hour) => (
          <Box
            key={hour}
            component="span"
            sx={{
              position: 'absolute',
              bottom: 2,
              left: `${(hour / 24) * 100}%`,
              transform: 'translateX(-50%)',
              fontSize: 12,
              color: skyInk(hour),
            }}
          >
            {String(hour).padStart(2, '0')}
          </Box>
        ))}
        {isToday && (
          <Box
            sx={{
              position: 'absolute',
              top: 0,
              bottom: 0,
              left: `${share(now) * 100}%`,
              borderLeft: '2px solid #a3341f',
            }}
          />
        )}
      </Box>
    </Box>
  );
}
