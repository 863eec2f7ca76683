import type { LampState } from '@early-lantern/contract';
import { Box, ButtonBase, Tooltip } from '@mui/material';
import { useDrag } from '@use-gesture/react';
import { DateTime } from 'luxon';
import { useRef, useState } from 'react';
import { Lantern } from './Lantern.tsx';
import { skyGradient, skyInk } from './SkyBand.tsx';
import { momentAt, placeOf, type Stretch, stretchesOf } from './stretches.ts';

/** Something that lasts, on a lane. */
export interface LaneBar {
  key: string;
  start: string;
  end: string;
  /** In the bar, where there is room: a number or a letter. */
  mark: string;
  /** All of it, for the tooltip and for whoever does not see it. */
  title: string;
  place: 'workshop' | 'road' | 'site';
  isChosen?: boolean;
  /** On the chain that decides. */
  isCritical?: boolean;
  isPinned?: boolean;
}

export interface Lane {
  id: string;
  name: string;
  bars: readonly LaneBar[];
}

interface LaneChartProps {
  zone: string;
  doors: readonly { at: string; label: string; state: LampState }[];
  lanes: readonly Lane[];
  onChoose: (key: string) => void;
  /** Moves a bar to another start; bars stay where they are without it. */
  onMove?: (key: string, start: string) => void;
}

const LANE = 38;
const SKY = 38;
const NAME = 128;
const TOP = 26;
/** A drag shorter than this is a press, pixels. */
const PRESS_PX = 4;
/** A bar is dropped on whole steps of so many minutes. */
const STEP_MS = 5 * 60_000;

export const placeFill: Record<LaneBar['place'], string> = {
  workshop: 'var(--mui-palette-background-default)',
  road: 'color-mix(in srgb, #1f6f73 30%, var(--mui-palette-background-paper))',
  site: 'var(--mui-palette-background-paper)',
};

/** The hours in which something happens, as light above and lanes below; doors hang from the top. */
export function LaneChart({ zone, doors, lanes, onChoose, onMove }: LaneChartProps) {
  const moments = doors.map(({ at }) => Date.parse(at));
  const spans = lanes.flatMap(({ bars }) =>
    bars.map(({ start, end }) => [Date.parse(start), Date.parse(end)] as const),
  );
  const stretches = stretchesOf([...spans, ...moments.map((at) => [at - 60_000, at + 60_000] as const)]);
  const percent = (at: number) => `${placeOf(stretches, at) * 100}%`;
  return (
    <Box sx={{ minWidth: 760 }}>
      <Box sx={{ position: 'relative', ml: `${NAME}px`, pt: `${TOP}px` }}>
        {stretches.map((stretch) => (
          <Sky key={stretch.from} stretch={stretch} zone={zone} />
        ))}
        <Box sx={{ height: SKY }} />
        {doors.map(({ at, label, state }) => (
          <Box
            key={`${at} ${label}`}
            sx={{
              position: 'absolute',
              top: 0,
              left: percent(Date.parse(at)),
              height: TOP + SKY + lanes.length * LANE + 6,
              borderLeft: '2px solid',
              borderColor: 'text.primary',
              zIndex: 2,
              pointerEvents: 'none',
            }}
          >
            <Box sx={{ position: 'absolute', top: 12, left: -11 }}>
              <Lantern state={state} size={29} />
            </Box>
            <Box
              component="span"
              sx={{
                position: 'absolute',
                top: -2,
                right: 8,
                whiteSpace: 'nowrap',
                fontSize: 14,
                fontWeight: 700,
              }}
            >
              {label}
            </Box>
          </Box>
        ))}
      </Box>
      {lanes.map((lane) => (
        <LaneRow key={lane.id} lane={lane} stretches={stretches} onChoose={onChoose} onMove={onMove} />
      ))}
    </Box>
  );
}

interface LaneRowProps extends Pick<LaneChartProps, 'onChoose'> {
  lane: Lane;
  stretches: readonly Stretch[];
  onMove: LaneChartProps['onMove'] | undefined;
}

function LaneRow({ lane, stretches, onChoose, onMove }: LaneRowProps) {
  const track = useRef<HTMLDivElement>(null);
  return (
    <Box
      role="group"
      aria-label={lane.name}
      sx={{
        display: 'grid',
        gridTemplateColumns: `${NAME}px 1fr`,
        height: LANE,
        alignItems: 'center',
        borderBottom: 1,
        borderColor: 'divider',
      }}
    >
      <Box
        component="span"
        sx={{
          fontWeight: 650,
          fontSize: lane.name.length > 15 ? 12.5 : 14,
          lineHeight: 1.15,
          pr: 1,
          maxHeight: LANE,
          overflow: 'hidden',
        }}
        title={lane.name}
      >
        {lane.name}
      </Box>
      <Box ref={track} sx={{ position: 'relative', height: '100%' }}>
        {lane.bars.map((bar) => (
          <Bar
            key={bar.key}
            bar={bar}
            stretches={stretches}
            widthOf={() => track.current?.clientWidth ?? 1}
            onChoose={onChoose}
            onMove={onMove}
          />
        ))}
      </Box>
    </Box>
  );
}

function Sky({ stretch, zone }: { stretch: Stretch; zone: string }) {
  const { from, to } = stretch;
  const share = (at: number) => (at - from) / (to - from);
  const hours: DateTime[] = [];
  let at = DateTime.fromMillis(from, { zone }).startOf('hour');
  while (at.toMillis() < to) {
    // An hour's number needs room on both sides.
    if (share(at.toMillis()) > 0.02 && share(at.toMillis()) < 0.985) hours.push(at);
    at = at.plus({ hours: 1 });
  }
  const start = DateTime.fromMillis(from, { zone });
  return (
    <Box
      aria-hidden="true"
      sx={{
        position: 'absolute',
        top: TOP,
        height: SKY,
        left: `${stretch.left * 100}%`,
        width: `${stretch.width * 100}%`,
        borderRadius: 1,
        background: skyGradient(from, to, zone),
        overflow: 'hidden',
      }}
    >
      <Box
        component="span"
        sx={{
          position: 'absolute',
          top: 2,
          left: 6,
          fontSize: 12,
          fontWeight: 650,
          color: skyInk(start.hour),
          whiteSpace: 'nowrap',
        }}
      >
        {start.toFormat('ccc d LLL', { locale: 'en' })}
      </Box>
      {hours.map((hour) => (
        <Box
          key={hour.toMillis()}
          component="span"
          sx={{
            position: 'absolute',
            bottom: 1,
            left: `${share(hour.toMillis()) * 100}%`,
            transform: 'translateX(-50%)',
            fontSize: 12,
            color: skyInk(hour.hour),
          }}
        >
          {hour.toFormat('HH')}
        </Box>
      ))}
    </Box>
  );
}

interface BarProps extends Pick<LaneChartProps, 'onChoose'> {
  bar: LaneBar;
  stretches: readonly Stretch[];
  widthOf: () => number;
  onMove: LaneChartProps['onMove'] | undefined;
}

function Bar({ bar, stretches, widthOf, onChoose, onMove }: BarProps) {
  const left = placeOf(stretches, Date.parse(bar.start));
  const right = placeOf(stretches, Date.parse(bar.end));
  const [shiftPx, setShiftPx] = useState(0);
  const bind = useDrag(
    ({ movement: [x], last, tap }) => {
      if (tap) return;
      setShiftPx(last ? 0 : x);
      if (last && Math.abs(x) > PRESS_PX) {
        const at = momentAt(stretches, left + x / widthOf());
        onMove?.(bar.key, new Date(Math.round(at / STEP_MS) * STEP_MS).toISOString());
      }
    },
    { axis: 'x', filterTaps: true, enabled: onMove !== undefined },
  );
  return (
    <Tooltip title={bar.title}>
      <ButtonBase
        {...bind()}
        onClick={() => onChoose(bar.key)}
        aria-label={bar.title}
        sx={{
          position: 'absolute',
          top: 5,
          height: LANE - 10,
          left: `calc(${left * 100}% + 1px)`,
          width: `calc(${(right - left) * 100}% - 2px)`,
          minWidth: 5,
          transform: shiftPx ? `translateX(${shiftPx}px)` : undefined,
          zIndex: shiftPx ? 3 : undefined,
          touchAction: onMove ? 'pan-y' : undefined,
          bgcolor: placeFill[bar.place],
          border: bar.isCritical ? '2.5px solid' : '1.5px solid',
          borderStyle: bar.place === 'workshop' ? 'dashed' : 'solid',
          borderColor: bar.isCritical ? 'text.primary' : 'text.secondary',
          borderTopWidth: bar.isPinned ? 5 : undefined,
          borderRadius: 1,
          outline: bar.isChosen ? '3px solid #2f7f86' : undefined,
          fontSize: 12,
          fontWeight: bar.isCritical ? 800 : 550,
          overflow: 'hidden',
          // The mark shows only where it has room; the tooltip and the list have it all.
          containerType: 'inline-size',
          '& span': { display: 'none' },
          '@container (min-width: 15px)': { '& span': { display: 'inline' } },
        }}
      >
        <span>{bar.mark}</span>
      </ButtonBase>
    </Tooltip>
  );
}
