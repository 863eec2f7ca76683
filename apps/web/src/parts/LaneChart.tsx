import type { LampState } from '@early-lantern/contract';
import { Box } from '@mui/material';
import { useDrag } from '@use-gesture/react';
import { DateTime } from 'luxon';
import { useRef, useState } from 'react';
import { Lantern } from './Lantern.tsx';
import { skyGradient, skyInk } from './SkyBand.tsx';
import './lane-chart.css';
import { type Interval, momentAt, placeOf, stretchesOf } from './stretches.ts';

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

/** Height of a lane, px; a bar's is in the style sheet. */
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
  stretches: readonly Interval[];
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
        {lane.bars.map((bar) =>
          onMove ? (
            <MovableBar
              key={bar.key}
              bar={bar}
              stretches={stretches}
              widthOf={() => track.current?.clientWidth ?? 1}
              onChoose={onChoose}
              onMove={onMove}
            />
          ) : (
            <Bar key={bar.key} bar={bar} stretches={stretches} onChoose={onChoose} />
          ),
        )}
      </Box>
    </Box>
  );
}

function Sky({ stretch, zone }: { stretch: Interval; zone: string }) {
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
  stretches: readonly Interval[];
}

/** Where a bar lies on its lane, shares of its width. */
const spanOf = ({ start, end }: LaneBar, stretches: readonly Interval[]) => ({
  left: placeOf(stretches, Date.parse(start)),
  right: placeOf(stretches, Date.parse(end)),
});

const barClass = ({ place, isCritical, isPinned, isChosen }: LaneBar): string =>
  ['lane-bar', place, isCritical && 'critical', isPinned && 'pinned', isChosen && 'chosen']
    .filter(Boolean)
    .join(' ');

/** Many of these are drawn at once: plain elements with a style sheet of their own. */
function Bar({ bar, stretches, onChoose }: BarProps) {
  const { left, right } = spanOf(bar, stretches);
  return (
    <button
      type="button"
      className={barClass(bar)}
      onClick={() => onChoose(bar.key)}
      aria-label={bar.title}
      title={bar.title}
      style={{ left: `calc(${left * 100}% + 1px)`, width: `calc(${(right - left) * 100}% - 2px)` }}
    >
      <span>{bar.mark}</span>
    </button>
  );
}

interface MovableBarProps extends BarProps {
  widthOf: () => number;
  onMove: NonNullable<LaneChartProps['onMove']>;
}

function MovableBar({ bar, stretches, widthOf, onChoose, onMove }: MovableBarProps) {
  const { left, right } = spanOf(bar, stretches);
  const [shiftPx, setShiftPx] = useState(0);
  const bind = useDrag(
    ({ movement: [x], last, tap }) => {
      if (tap) return;
      setShiftPx(last ? 0 : x);
      if (last && Math.abs(x) > PRESS_PX) {
        const at = momentAt(stretches, left + x / widthOf());
        onMove(bar.key, new Date(Math.round(at / STEP_MS) * STEP_MS).toISOString());
      }
    },
    { axis: 'x', filterTaps: true },
  );
  return (
    <button
      type="button"
      {...bind()}
      className={`${barClass(bar)} movable`}
      onClick={() => onChoose(bar.key)}
      aria-label={bar.title}
      title={bar.title}
      style={{
        left: `calc(${left * 100}% + 1px)`,
        width: `calc(${(right - left) * 100}% - 2px)`,
        ...(shiftPx ? { transform: `translateX(${shiftPx}px)`, zIndex: 3 } : {}),
      }}
    >
      <span>{bar.mark}</span>
    </button>
  );
}
